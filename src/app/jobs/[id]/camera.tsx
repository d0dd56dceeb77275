import { useLocalSearchParams } from 'expo-router';

import { CameraScreen } from '@/features/check/CameraScreen';
import { WithJob } from '@/stagekit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <CameraScreen job={job} />}</WithJob>;
}
