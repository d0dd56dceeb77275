import { useLocalSearchParams } from 'expo-router';

import { HeapScreen } from '@/stages/strip/HeapScreen';
import { WithJob } from '@/bench-kit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <HeapScreen job={job} />}</WithJob>;
}
