import { boxOf, type Box } from '@/core/device/shapes';
import { lensCovers, type LensCover } from '@/core/lens/lensSet';
import type { JobState, JointSeen } from '@/model/fold';
import type { CheckSlice } from '@/model/stages/check';
import type { LiftSlice } from '@/model/stages/lift';

/** The lens covers of the whole device, the ones of this job, and the one that is worked now. */
export function lensWork(job: JointSeen & Pick<LiftSlice, 'lenses'>): {
  all: LensCover[];
  chosen: LensCover[];
  next: LensCover | null;
} {
  const all = lensCovers(job.model);
  const picked = all.filter((l) => job.lenses.get(l.bond.id)?.steps.chosen !== undefined);
  // nobody chose: the one that the job was opened for, unless it was said to stay
  const own = all.filter((l) => l.bond.id === job.bond.id && !job.lenses.get(l.bond.id)?.stays);
  const chosen = picked.length ? picked : own;
  const next = chosen.find((l) => job.lenses.get(l.bond.id)?.steps.off === undefined) ?? null;
  return { all, chosen, next };
}

/** What of the plan is looked at when lens covers are worked: all of them with some room round. */
export function lensFocus(all: readonly LensCover[]): Box | undefined {
  if (!all.length) return undefined;
  const boxes = all.map((l) => boxOf(l.face.cover.outline));
  const room = 8;
  const end = (k: 0 | 1, of: 'min' | 'max', f: (...v: number[]) => number) => f(...boxes.map((b) => b[of][k]));
  return {
    min: [end(0, 'min', Math.min) - room, end(1, 'min', Math.min) - room],
    max: [end(0, 'max', Math.max) + room, end(1, 'max', Math.max) + room],
  };
}

/** The lens covers that still lack a step. */
export const lacking = (
  job: Pick<JobState, 'lenses'>,
  chosen: readonly LensCover[],
  step: 'off' | 'tapped' | 'inspected' | 'cleaned' | 'set' | 'pressed',
): LensCover[] => chosen.filter((l) => job.lenses.get(l.bond.id)?.steps[step] === undefined);

/** Functions of the cameras that have to be tested before a new lens cover goes on. */
export const cameraFunctions = (job: Pick<JobState, 'device' | 'model'>): string[] =>
  job.model.functions.filter((f) => ['camMain', 'camAux', 'ois', 'flash'].includes(f));

export const camerasTested = (job: JointSeen & Pick<CheckSlice, 'functions'>): boolean =>
  cameraFunctions(job).every((f) => job.functions.open[f] === 'ok' || job.functions.open[f] === 'absent');
