import { useLocalSearchParams } from 'expo-router';

import { HeapScreen } from '@/features/strip/HeapScreen';
import { WithJob } from '@/stagekit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <HeapScreen job={job} />}</WithJob>;
}
