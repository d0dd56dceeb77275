import { useLocalSearchParams } from 'expo-router';

import { LogScreen } from '@/features/jobs/LogScreen';
import { WithJob } from '@/stagekit/WithJob';

export default function Log() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <LogScreen job={job} />}</WithJob>;
}
