import { useLocalSearchParams } from 'expo-router';

import { TagScreen } from '@/features/intake/TagScreen';
import { WithJob } from '@/stagekit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <TagScreen job={job} />}</WithJob>;
}
