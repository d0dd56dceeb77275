import { useLocalSearchParams } from 'expo-router';

import { PathScreen } from '@/stages/heat/PathScreen';
import { WithJob } from '@/bench-kit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <PathScreen job={job} />}</WithJob>;
}
