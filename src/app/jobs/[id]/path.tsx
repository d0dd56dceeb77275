import { useLocalSearchParams } from 'expo-router';

import { PathScreen } from '@/features/heat/PathScreen';
import { WithJob } from '@/stagekit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <PathScreen job={job} />}</WithJob>;
}
