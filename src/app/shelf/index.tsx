export { ShelfScreen as default } from '@/features/shelf/ShelfScreen';
