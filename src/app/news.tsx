export { NewsScreen as default } from '@/places/help/NewsScreen';
