import { useLocalSearchParams } from 'expo-router';

import { FrameScreen } from '@/stages/intake/FrameScreen';
import { WithJob } from '@/bench-kit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <FrameScreen job={job} />}</WithJob>;
}
