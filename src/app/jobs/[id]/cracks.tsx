import { useLocalSearchParams } from 'expo-router';

import { CrackMapScreen } from '@/features/intake/CrackMapScreen';
import { WithJob } from '@/stagekit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <CrackMapScreen job={job} />}</WithJob>;
}
