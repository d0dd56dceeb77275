import { useLocalSearchParams } from 'expo-router';

import { RouteScreen } from '@/stages/intake/RouteScreen';
import { WithJob } from '@/bench-kit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <RouteScreen job={job} />}</WithJob>;
}
