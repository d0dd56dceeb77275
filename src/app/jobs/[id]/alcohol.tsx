import { useLocalSearchParams } from 'expo-router';

import { AlcoholScreen } from '@/features/alcohol/AlcoholScreen';
import { WithJob } from '@/stagekit/WithJob';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <AlcoholScreen job={job} />}</WithJob>;
}
