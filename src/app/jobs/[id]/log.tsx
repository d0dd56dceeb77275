import { useLocalSearchParams } from 'expo-router';

import { LogScreen } from '@/places/jobs/LogScreen';
import { WithJob } from '@/bench-kit/WithJob';

export default function Log() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <LogScreen job={job} />}</WithJob>;
}
