import { jointOf } from '@/core/device/jointKinds';
import { pieceTargetC } from '@/core/lift/pieceTarget';
import { liftThresholds } from '@/core/lift/verdict';
import type { ReducedModel } from '@/core/heat/reduced';
import type { PiecesBench, PiecesCase, PiecesState } from '@/core/practice/pieces/bench';
import { piecesFigures } from '@/core/practice/pieces/bench';
import type { PiecesCalls } from '@/core/practice/pieces/hands';
import type { JobState } from '@/model/fold';
import { heaterOf, type Settings } from '@/model/settings';
import { firstPlan, setFor } from '@/work/heat/heatPlan';
import { crackQuestion } from '@/work/lift/crackQuestion';
import { practiceCase } from './practiceCase';

/** What a model of a device on a plate may be wrong by at a piece, K: own refinement study. */
export const plateModelK = 1.5;

/** A shattered cover as the practice bench takes it. */
export const piecesCase = (job: JobState, settings: Settings, model: ReducedModel): PiecesCase => ({
  ...practiceCase(job, settings, model),
  cracks: crackQuestion({ ...job, piecesOff: new Map() }),
});

/** What the app's own pages say of its heat; null where nothing softens it. */
export function piecesCalls(job: JobState, settings: Settings, about: PiecesCase): PiecesCalls | null {
  const plan = firstPlan(job, settings);
  const heater = heaterOf(settings, plan.heater);
  const th = liftThresholds({ ...about.lift, pickMm: piecesFigures.bladeMm.value });
  const targetC = pieceTargetC(jointOf(job.bond).wholeFace, th);
  if (targetC === null || th.workC === null) return null;
  return { heater, use: {}, setC: setFor(heater, job), targetC, workC: th.workC, modelK: plateModelK };
}

export type PiecesEnding = 'passed' | 'hurt' | 'flash' | 'tooHot' | 'shards' | 'given up';

/** How it ended: what went wrong weighs more than how far it came. */
export function piecesEnding(bench: PiecesBench, s: PiecesState): PiecesEnding {
  if (s.bench.flash) return 'flash';
  if (s.hit) return 'hurt';
  if (Object.values(s.bench.hot).some((h) => h.aboveStopS > 0)) return 'tooHot';
  if (s.snaps > piecesFigures.shards.value) return 'shards';
  return bench.allOff(s) ? 'passed' : 'given up';
}
