import { useLocalSearchParams } from 'expo-router';

import { TrayScreen } from '@/features/strip/TrayScreen';
import { WithJob } from '@/stagekit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <TrayScreen job={job} />}</WithJob>;
}
