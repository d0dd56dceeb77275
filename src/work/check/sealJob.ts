import { CoreInputError } from '@/core/errors';
import { leakRatio, type LeakRatio } from '@/core/seal/compare';
import { leakFromTau, sealDecay, sealFigures, type SealResult } from '@/core/seal/decay';
import { holdResult } from '@/core/seal/holdTest';
import { pressTest, type PressResult } from '@/core/seal/pressTest';
import { bondPerimeter } from '@/core/device/perimeter';
import { boxOf } from '@/core/device/shapes';
import { suspectFigures, suspectStretches, type Suspect, type SuspectSource } from '@/core/seal/suspects';
import type { JobState } from '@/model/fold';
import { flushOf } from './flushJob';
import { badStretches, frameOf } from '@/work/bond/frameOf';

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
  suspects: Suspect[];
  before: SealResult | null;
  after: SealResult | null;
  ratio: LeakRatio | null;
  /** readings that cannot be used, and why; they are kept and can be taken back */
  problems: { phase: Phase; what: 'hold' | 'press'; why: string }[];
  press: Partial<Record<Phase, PressResult>>;
}

interface Held {
  result: SealResult | null;
  /** time constant and its uncertainty; null: no loss seen */
  tauS: number | null;
  u: number;
  atLeastS: number | null;
}

/**
 * A hold as it was logged, or as its two readings say.
 * @throws CoreInputError saying why the reading is not usable
 */
function holdOf(job: JobState, phase: Phase, limit: number | null): Held | null {
  const log = job.sealLogs[`${phase}.hold`];
  if (log) {
    const result = sealDecay({
      t: log.t,
      p: log.p,
      ...(log.gasC ? { gasK: log.gasC.map((c) => c + 273.15) } : {}),
      volumeM3: freeVolumeM3(job),
      atPa: log.p[0]! < 0 ? -1000 : 1000,
      limit: limit ?? undefined,
      roomPa: log.roomPa,
    });
    if (result.disturbed)
      throw new CoreInputError('hold', 'disturbed', 'one whose end is the room: let it cool, hands off, again');
    return { result, tauS: result.tauS, u: result.seTauS, atLeastS: result.tighterThanS };
  }
  const two = job.holds[phase];
  if (!two) return null;
  const r = holdResult(two);
  if (r.tauS === null) return { result: null, tauS: null, u: 0, atLeastS: r.lowS > 0 ? r.lowS : null };
  if (!(r.tauS > 0)) throw new CoreInputError('end of the hold', '0 Pa', 'a difference that is left: read it earlier');
  const u = ((r.highS ?? r.tauS * 4) - r.lowS) / 4;
  const result = leakFromTau(r.tauS, u, {
    volumeM3: freeVolumeM3(job),
    atPa: two.kind === 'vacuum' ? -1000 : 1000,
    limit: limit ?? undefined,
  });
  return { result, tauS: r.tauS, u, atLeastS: null };
}

const known = new WeakMap<JobState, Map<number | null, SealView>>();

/** What the tests before and after say, compared on the same device. A job's state never changes, so it is computed once. */
export function sealOf(job: JobState, limit: number | null = null): SealView {
  const had = known.get(job) ?? new Map<number | null, SealView>();
  known.set(job, had);
  if (!had.has(limit)) had.set(limit, viewOf(job, limit));
  return had.get(limit)!;
}

function viewOf(job: JobState, limit: number | null): SealView {
  const problems: SealView['problems'] = [];
  /** Nothing that is stored may break a view: what cannot be used is told. */
  const guarded = <T>(phase: Phase, what: 'hold' | 'press', work: () => T | null): T | null => {
    try {
      return work();
    } catch (e) {
      if (!(e instanceof CoreInputError)) throw e;
      problems.push({ phase, what, why: e.message });
      return null;
    }
  };
  const before = guarded('before', 'hold', () => holdOf(job, 'before', limit));
  const after = guarded('after', 'hold', () => holdOf(job, 'after', limit));
  const press: SealView['press'] = {};
  for (const phase of ['before', 'after'] as const) {
    const log = job.sealLogs[`${phase}.press`];
    const r = log ? guarded(phase, 'press', () => pressTest(log.t, log.p, log.cues)) : null;
    if (r) press[phase] = r;
  }
  return {
    before: before?.result ?? null,
    after: after?.result ?? null,
    ratio: before && after ? guarded('after', 'hold', () => leakRatio(before, after)) : null,
    problems,
    press,
    suspects: suspectsOf(job),
  };
}

const pressDecays = (log: JobState['pressLogs'][number]): boolean => {
  try {
    return pressTest(log.t, log.p, log.cues).kind === 'decays';
  } catch (e) {
    if (!(e instanceof CoreInputError)) throw e;
    return false;
  }
};

/** Stretches that flushness, the map of the seat and the place of the presses point to, joined. */
function suspectsOf(job: JobState): Suspect[] {
  const path = bondPerimeter(job.device, job.bond);
  const sources: SuspectSource[] = [];
  const { points, taken, flush } = flushOf(job);
  const half = path.lengthMm / (2 * points.length);
  const round = (kind: SuspectSource['kind'], sMm: number, reach: number) =>
    sources.push({ kind, fromMm: sMm - reach, toMm: sMm + reach });
  flush?.bumps.forEach((b) => round('bump', points.find((p) => p.id === b.id)!.sMm, half));
  taken.forEach((p, i) => {
    // a cover that stands proud there has not been pressed down, or holds something up
    if (flush?.status[i] === 'fail' && job.steps[p.id]! > 0) round('step', p.sMm, half);
  });
  const frame = frameOf(job);
  if (frame) for (const a of badStretches(job, frame, path)) sources.push({ kind: 'seat', ...a });
  for (const log of job.pressLogs)
    if (log.phase === 'after' && log.place && pressDecays(log))
      round('press', path.locate(log.place), suspectFigures.pressReachMm.value);
  return suspectStretches(path.lengthMm, sources);
}
