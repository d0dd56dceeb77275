import { useLocalSearchParams } from 'expo-router';

import { WithJob } from '@/bench-kit/WithJob';
import { happenings, type Happening } from '@/model/entries/job';
import { stageIds, type StageId } from '@/model/stageIds';
import { HappenedScreen } from '@/places/jobs/HappenedScreen';

export default function Page() {
  const { id, from, what } = useLocalSearchParams<{ id: string; from?: string; what?: string }>();
  const stage = (stageIds as readonly string[]).includes(from ?? '') ? (from as StageId) : null;
  const happening = (happenings as readonly string[]).includes(what ?? '') ? (what as Happening) : null;
  return (
    <WithJob id={id}>{(job) => <HappenedScreen job={job} stage={stage ?? job.stage} first={happening} />}</WithJob>
  );
}
