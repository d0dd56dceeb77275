import type { Href } from 'expo-router';

import type { StageId } from '@/model/stageIds';

/**
 * Where a stage of a job is.
 * @param joint the joint to look at, where a job has several; none: that of the step where the job stands
 */
export const stageHref = (jobId: string, stage: StageId, joint: string | null = null): Href =>
  `/jobs/${jobId}/${stage}${joint === null ? '' : `?joint=${encodeURIComponent(joint)}`}` as Href;
