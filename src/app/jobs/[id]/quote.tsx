import { useLocalSearchParams } from 'expo-router';

import { QuoteScreen } from '@/stages/intake/QuoteScreen';
import { WithJob } from '@/bench-kit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <QuoteScreen job={job} />}</WithJob>;
}
