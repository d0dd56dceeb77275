export { PracticeScreen as default } from '@/places/practice/PracticeScreen';
