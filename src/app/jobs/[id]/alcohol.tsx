import { useLocalSearchParams } from 'expo-router';

import { AlcoholScreen } from '@/places/alcohol/AlcoholScreen';
import { WithJob } from '@/bench-kit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <AlcoholScreen job={job} />}</WithJob>;
}
