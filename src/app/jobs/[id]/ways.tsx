import { useLocalSearchParams } from 'expo-router';

import { WaysScreen } from '@/features/heat/WaysScreen';
import { WithJob } from '@/stagekit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <WaysScreen job={job} />}</WithJob>;
}
