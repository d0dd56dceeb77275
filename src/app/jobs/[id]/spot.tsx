import { useLocalSearchParams } from 'expo-router';

import { SpotScreen } from '@/features/heat/SpotScreen';
import { WithJob } from '@/stagekit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <SpotScreen job={job} />}</WithJob>;
}
