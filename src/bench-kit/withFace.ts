import type { JobState } from '@/model/fold';
import { hasJoints } from '@/model/way';
import { t } from '@/words/kit';
import { faceName } from './faceName';

/** The name of a page, with the face that it is about where a job opens several. */
export const withFace = (job: Pick<JobState, 'way' | 'model' | 'joint'>, name: string): string =>
  hasJoints(job) ? t('pageOf', { name, face: faceName(job.model, job.joint) }) : name;
