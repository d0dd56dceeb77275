import { StockScreen } from '@/places/stock/StockScreen';

export default StockScreen;
