import { useRouter } from 'expo-router';

import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import type { StageId } from '@/model/stages';
import { useActions } from './actions';
import { hrefAfter } from './stageHref';

/** Ends a stage and goes to the next one that this job needs. */
export function useGoOn(job: JobState, stage: StageId): (events?: readonly NewEvent[]) => void {
  const router = useRouter();
  const { log } = useActions(job);
  return (events = []) => {
    void log([...events, { type: 'stage', stage, to: 'done' }]);
    router.replace(hrefAfter(job, stage));
  };
}
