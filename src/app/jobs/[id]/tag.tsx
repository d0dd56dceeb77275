import { useLocalSearchParams } from 'expo-router';

import { TagScreen } from '@/stages/intake/TagScreen';
import { WithJob } from '@/bench-kit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <TagScreen job={job} />}</WithJob>;
}
