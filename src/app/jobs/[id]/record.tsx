import { useLocalSearchParams } from 'expo-router';

import { RecordScreen } from '@/places/records/RecordScreen';
import { WithJob } from '@/bench-kit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <RecordScreen job={job} />}</WithJob>;
}
