export { ShelfScreen as default } from '@/places/shelf/ShelfScreen';
