import { useLocalSearchParams } from 'expo-router';

import { WithJob } from '@/bench-kit/WithJob';
import { stageIds, type StageId } from '@/model/stageIds';
import { InsideScreen } from '@/places/jobs/InsideScreen';

export default function Page() {
  const { id, from, back } = useLocalSearchParams<{ id: string; from?: string; back?: string }>();
  const stage = (stageIds as readonly string[]).includes(from ?? '') ? (from as StageId) : null;
  return (
    <WithJob id={id}>
      {(job) => <InsideScreen job={job} stage={stage ?? job.stage} back={back === 'remember' ? 'remember' : 'stage'} />}
    </WithJob>
  );
}
