import { useLocalSearchParams } from 'expo-router';

import { WithJob } from '@/bench-kit/WithJob';
import { stageIds, type StageId } from '@/model/stageIds';
import { LearnScreen } from '@/places/jobs/LearnScreen';

export default function Page() {
  const { id, from } = useLocalSearchParams<{ id: string; from?: string }>();
  const stage = (stageIds as readonly string[]).includes(from ?? '') ? (from as StageId) : null;
  return <WithJob id={id}>{(job) => <LearnScreen job={job} stage={stage ?? job.stage} />}</WithJob>;
}
