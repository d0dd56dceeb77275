import { useLocalSearchParams } from 'expo-router';

import { ComeBackScreen } from '@/features/records/ComeBackScreen';
import { WithJob } from '@/stagekit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <ComeBackScreen job={job} />}</WithJob>;
}
