import { AdhesivesScreen } from '@/places/adhesives/AdhesivesScreen';

export default AdhesivesScreen;
