import { useLocalSearchParams } from 'expo-router';

import { SealScreen } from '@/features/check/SealScreen';
import { WithJob } from '@/stagekit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <SealScreen job={job} />}</WithJob>;
}
