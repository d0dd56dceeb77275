export { DebriefScreen as default } from '@/places/practice/DebriefScreen';
