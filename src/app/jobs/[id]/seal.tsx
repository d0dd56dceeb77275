import { useLocalSearchParams } from 'expo-router';

import { SealScreen } from '@/stages/check/SealScreen';
import { WithJob } from '@/bench-kit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <SealScreen job={job} />}</WithJob>;
}
