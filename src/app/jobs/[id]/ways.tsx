import { useLocalSearchParams } from 'expo-router';

import { WaysScreen } from '@/stages/heat/WaysScreen';
import { WithJob } from '@/bench-kit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <WaysScreen job={job} />}</WithJob>;
}
