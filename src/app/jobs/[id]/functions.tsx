import { useLocalSearchParams } from 'expo-router';

import { FunctionsScreen } from '@/features/check/FunctionsScreen';
import { WithJob } from '@/stagekit/WithJob';

export default function Page() {
  const { id, again } = useLocalSearchParams<{ id: string; again?: string }>();
  return <WithJob id={id}>{(job) => <FunctionsScreen key={again} job={job} again={Boolean(again)} />}</WithJob>;
}
