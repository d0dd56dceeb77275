import { useLocalSearchParams } from 'expo-router';

import { CameraScreen } from '@/stages/check/CameraScreen';
import { WithJob } from '@/bench-kit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <CameraScreen job={job} />}</WithJob>;
}
