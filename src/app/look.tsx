export { LookScreen as default } from '@/places/look/LookScreen';
