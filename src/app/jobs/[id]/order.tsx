import { useLocalSearchParams } from 'expo-router';

import { OrderScreen } from '@/stages/strip/OrderScreen';
import { WithJob } from '@/bench-kit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <OrderScreen job={job} />}</WithJob>;
}
