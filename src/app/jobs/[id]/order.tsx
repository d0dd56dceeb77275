import { useLocalSearchParams } from 'expo-router';

import { OrderScreen } from '@/features/strip/OrderScreen';
import { WithJob } from '@/stagekit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <OrderScreen job={job} />}</WithJob>;
}
