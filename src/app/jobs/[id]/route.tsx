import { useLocalSearchParams } from 'expo-router';

import { RouteScreen } from '@/features/intake/RouteScreen';
import { WithJob } from '@/stagekit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <RouteScreen job={job} />}</WithJob>;
}
