import { useLocalSearchParams } from 'expo-router';

import { SpotScreen } from '@/stages/heat/SpotScreen';
import { WithJob } from '@/bench-kit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <SpotScreen job={job} />}</WithJob>;
}
