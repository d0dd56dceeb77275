import type { Href } from 'expo-router';

import type { JobState } from '@/model/fold';
import type { StageId } from '@/model/stages';
import { stageHref } from './stageHref';

/**
 * Where a page leads back to: its own stage while that is open, else where the job is. A crack map that is looked at in the
 * middle of a hot lift leads back to the lift.
 */
export const cameFrom = (job: Pick<JobState, 'stages' | 'stage' | 'heat'>, own: StageId): StageId => {
  const open = job.stages[own] === 'todo' || job.stages[own] === 'started';
  if (job.heat.length && job.stages.lift !== 'done' && own === 'intake')
    return job.stages.lift === 'started' ? 'lift' : job.stage === 'intake' ? 'heat' : job.stage;
  return open ? own : job.stage;
};

export const backHref = (job: Pick<JobState, 'id' | 'stages' | 'stage' | 'heat'>, own: StageId): Href =>
  stageHref(job.id, cameFrom(job, own));
