import { Redirect, useLocalSearchParams } from 'expo-router';

import { stageHref } from '@/bench-kit/stageHref';
import { WithJob } from '@/bench-kit/WithJob';

export default function Job() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <Redirect href={stageHref(job.id, job.stage)} />}</WithJob>;
}
