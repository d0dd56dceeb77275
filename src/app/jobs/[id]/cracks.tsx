import { useLocalSearchParams } from 'expo-router';

import { CrackMapScreen } from '@/stages/intake/CrackMapScreen';
import { WithJob } from '@/bench-kit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <CrackMapScreen job={job} />}</WithJob>;
}
