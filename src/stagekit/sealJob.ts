import { CoreInputError } from '@/core/errors';
import { leakRatio, type LeakRatio } from '@/core/seal/compare';
import { sealDecay, sealFigures, type SealResult } from '@/core/seal/decay';
import { holdResult } from '@/core/seal/holdTest';
import { pressTest, type PressResult } from '@/core/seal/pressTest';
import { boxOf } from '@/core/device/shapes';
import type { JobState } from '@/model/fold';

type Phase = 'before' | 'after';

/** Free volume of the device as it is estimated from its outer size, m³. */
export function freeVolumeM3(job: Pick<JobState, 'device'>): number {
  return (
    job.device.leaves.reduce((sum, leaf) => {
      const b = boxOf(leaf.outline);
      return sum + (b.max[0] - b.min[0]) * (b.max[1] - b.min[1]) * leaf.thicknessMm * 1e-9;
    }, 0) * sealFigures.freeShare.value
  );
}

export interface SealView {
  before: SealResult | null;
  after: SealResult | null;
  ratio: LeakRatio | null;
  press: Partial<Record<Phase, PressResult>>;
}

/** A hold as it was logged, or as its two readings say. */
function holdOf(job: JobState, phase: Phase): { result: SealResult | null; tauS: number; u: number } | null {
  const log = job.sealLogs[`${phase}.hold`];
  if (log) {
    try {
      const result = sealDecay({ t: log.t, p: log.p, volumeM3: freeVolumeM3(job), atPa: log.p[0]! < 0 ? -1000 : 1000 });
      return result.tauS === null ? null : { result, tauS: result.tauS, u: result.seTauS };
    } catch (e) {
      if (e instanceof CoreInputError) return null;
      throw e;
    }
  }
  const two = job.holds[phase];
  if (!two) return null;
  const r = holdResult(two);
  if (r.tauS === null) return null;
  const high = r.highS ?? r.tauS * 4;
  return { result: null, tauS: r.tauS, u: (high - r.lowS) / 4 };
}

const known = new WeakMap<JobState, SealView>();

/** What the tests before and after say, compared on the same device. A job's state never changes, so it is computed once. */
export function sealOf(job: JobState): SealView {
  const had = known.get(job);
  if (had) return had;
  const view = viewOf(job);
  known.set(job, view);
  return view;
}

function viewOf(job: JobState): SealView {
  const before = holdOf(job, 'before');
  const after = holdOf(job, 'after');
  const press: SealView['press'] = {};
  for (const phase of ['before', 'after'] as const) {
    const log = job.sealLogs[`${phase}.press`];
    if (log && log.t.length >= 40) press[phase] = pressTest(log.t, log.p);
  }
  return {
    before: before?.result ?? null,
    after: after?.result ?? null,
    ratio: before && after ? leakRatio(before, after) : null,
    press,
  };
}

/** The only words that a result may have; checked by the wording rules. */
export const ratioWords: Record<LeakRatio['verdict'], string> = {
  noWorse: 'no worse than before',
  leakier: 'leakier than before',
  undecided: 'undecided',
};
export const pressWords: Record<PressResult['kind'], string> = {
  noBump: 'pressure bump not seen',
  disturbed: 'disturbed, press again',
  holds: 'pressure bump held',
  decays: 'pressure bump decayed',
};
