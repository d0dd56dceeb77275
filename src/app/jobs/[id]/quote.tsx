import { useLocalSearchParams } from 'expo-router';

import { QuoteScreen } from '@/features/intake/QuoteScreen';
import { WithJob } from '@/stagekit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <QuoteScreen job={job} />}</WithJob>;
}
