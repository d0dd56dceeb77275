import { useRouter } from 'expo-router';

import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import type { StageId } from '@/model/stages';
import { hasJoints, nextStep } from '@/model/way';
import { useActions } from './actions';
import { stageHref } from './stageHref';

/** Ends a stage and goes to the next one that this job needs. */
export function useGoOn(job: JobState, stage: StageId): (events?: readonly NewEvent[]) => void {
  const router = useRouter();
  const { log } = useActions(job);
  return (events = []) => {
    void log([...events, { type: 'stage', stage, to: 'done' }]);
    const next = nextStep(job, stage);
    router.replace(next ? stageHref(job.id, next.stage, hasJoints(job) ? next.joint : null) : '/');
  };
}
