import { useLocalSearchParams } from 'expo-router';

import { WithJob } from '@/bench-kit/WithJob';
import { PartScreen } from '@/stages/intake/PartScreen';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <PartScreen job={job} />}</WithJob>;
}
