import { useLocalSearchParams } from 'expo-router';

import { WithJob } from '@/bench-kit/WithJob';
import { WayScreen } from '@/places/jobs/WayScreen';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <WayScreen job={job} />}</WithJob>;
}
