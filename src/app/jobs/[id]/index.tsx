import { Redirect, useLocalSearchParams } from 'expo-router';

import { stageHref } from '@/stagekit/stageHref';
import { WithJob } from '@/stagekit/WithJob';

export default function Job() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WithJob id={id}>{(job) => <Redirect href={stageHref(job.id, job.stage)} />}</WithJob>;
}
