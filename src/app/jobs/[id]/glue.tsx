import { useLocalSearchParams } from 'expo-router';

import { GlueScreen } from '@/features/heat/GlueScreen';
import { WithJob } from '@/stagekit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <GlueScreen job={job} />}</WithJob>;
}
