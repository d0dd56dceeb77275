import type { JobState } from '@/model/fold';
import type { StageId } from '@/model/stages';
import { hasJoints, nextStep } from '@/model/way';
import { t } from '@/words/kit';
import { stageName } from '@/words/stageWords';
import { faceName } from './faceName';

/** "Go to Heat", with the face where a job opens several: the step that comes after a stage on this job's way. */
export function goTo(job: Pick<JobState, 'way' | 'progress' | 'joint' | 'model'>, stage: StageId): string {
  const next = nextStep(job, stage);
  if (!next) return t('goToBench');
  const at = { stage: stageName(next.stage) };
  return next.joint !== null && hasJoints(job)
    ? t('goToStageAt', { ...at, face: faceName(job.model, next.joint) })
    : t('goToStage', at);
}
