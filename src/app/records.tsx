import { RecordsScreen } from '@/places/records/RecordsScreen';

export default RecordsScreen;
