import { useLocalSearchParams } from 'expo-router';

import { FunctionsScreen } from '@/stages/check/FunctionsScreen';
import { WithJob } from '@/bench-kit/WithJob';

export default function Page() {
  const { id, again } = useLocalSearchParams<{ id: string; again?: string }>();
  return <WithJob id={id}>{(job) => <FunctionsScreen key={again} job={job} again={Boolean(again)} />}</WithJob>;
}
