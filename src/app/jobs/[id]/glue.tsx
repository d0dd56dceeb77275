import { useLocalSearchParams } from 'expo-router';

import { GlueScreen } from '@/stages/heat/GlueScreen';
import { WithJob } from '@/bench-kit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <GlueScreen job={job} />}</WithJob>;
}
