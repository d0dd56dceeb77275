import { useLocalSearchParams } from 'expo-router';

import { RecordScreen } from '@/features/records/RecordScreen';
import { WithJob } from '@/stagekit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <RecordScreen job={job} />}</WithJob>;
}
