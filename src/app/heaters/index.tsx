import { HeatersScreen } from '@/places/heaters/HeatersScreen';

export default HeatersScreen;
