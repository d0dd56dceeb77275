import { useLocalSearchParams } from 'expo-router';

import { ComeBackScreen } from '@/places/records/ComeBackScreen';
import { WithJob } from '@/bench-kit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <ComeBackScreen job={job} />}</WithJob>;
}
