import { useLocalSearchParams } from 'expo-router';

import { FrameScreen } from '@/features/intake/FrameScreen';
import { WithJob } from '@/stagekit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <FrameScreen job={job} />}</WithJob>;
}
