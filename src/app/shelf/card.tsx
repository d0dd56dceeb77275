export { SizeCard as default } from '@/places/shelf/CardScreen';
