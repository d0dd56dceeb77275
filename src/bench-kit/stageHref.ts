import type { Href } from 'expo-router';

import type { JobState } from '@/model/fold';
import type { StageId } from '@/model/stageIds';
import { hasJoints, nextStep } from '@/model/way';

/**
 * Where a stage of a job is.
 * @param joint the joint to look at, where a job has several; none: that of the step where the job stands
 */
export const stageHref = (jobId: string, stage: StageId, joint: string | null = null): Href =>
  `/jobs/${jobId}/${stage}${joint === null ? '' : `?joint=${encodeURIComponent(joint)}`}` as Href;

type At = Pick<JobState, 'id' | 'way' | 'joint'>;

/** A stage of this job, at the joint that is looked at. */
export const hrefAt = (job: At, stage: StageId): Href => stageHref(job.id, stage, hasJoints(job) ? job.joint : null);

/** The step after a stage, of those that the job needs; the Bench after the last. */
export function hrefAfter(job: At & Pick<JobState, 'progress'>, stage: StageId): Href {
  const next = nextStep(job, stage);
  return next ? stageHref(job.id, next.stage, hasJoints(job) ? next.joint : null) : '/';
}
