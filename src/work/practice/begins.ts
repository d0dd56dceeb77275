import type { StageId } from '@/model/stages';
import { closings } from './closings';
import { exercises, isClosing, type ExerciseId, type LiftId } from './exercises';

/** The shelf's device that an exercise is worked on; null: a job of today. */
export const deviceOf = (id: ExerciseId): string | null =>
  isClosing(id) ? closings[id].deviceId : exercises[id].deviceId;

/** The page on which an exercise begins. */
export const pageOf = (id: string): StageId =>
  isClosing(id) ? closings[id].stage : exercises[id as LiftId]?.lens ? 'lift' : 'heat';
