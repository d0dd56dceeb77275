import { AdhesivesScreen } from '@/features/adhesives/AdhesivesScreen';

export default AdhesivesScreen;
