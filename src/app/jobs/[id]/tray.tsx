import { useLocalSearchParams } from 'expo-router';

import { TrayScreen } from '@/stages/strip/TrayScreen';
import { WithJob } from '@/bench-kit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <TrayScreen job={job} />}</WithJob>;
}
