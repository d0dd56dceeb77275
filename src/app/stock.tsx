import { StockScreen } from '@/features/stock/StockScreen';

export default StockScreen;
