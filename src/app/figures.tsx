import { FiguresScreen } from '@/features/shop/FiguresScreen';

export default FiguresScreen;
