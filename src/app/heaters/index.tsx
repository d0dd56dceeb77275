import { HeatersScreen } from '@/features/heaters/HeatersScreen';

export default HeatersScreen;
