import { RecordsScreen } from '@/features/records/RecordsScreen';

export default RecordsScreen;
