import type { Href } from 'expo-router';

import type { StageId } from '@/model/stageIds';

/** Where a stage of a job is. */
export const stageHref = (jobId: string, stage: StageId): Href => `/jobs/${jobId}/${stage}` as Href;
