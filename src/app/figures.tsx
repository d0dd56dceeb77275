import { FiguresScreen } from '@/places/shop/FiguresScreen';

export default FiguresScreen;
