export { NewModelScreen as default } from '@/places/shelf/NewModelScreen';
