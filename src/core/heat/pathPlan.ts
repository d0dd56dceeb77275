import { insideDistanceMm } from '../device/shapes';
import type { Outline } from '../device/types';
import { judgement } from '../source';
import { loopPerimeter, loopSegments, type AirPath } from './airPath';
import { firstTrue } from './forecast';
import type { AirHeater } from './heater';
import type { ReducedModel } from './reduced';
import { type ArcCells } from './arcs';
import { HeatRun } from './run';
import type { HeatUse } from './member';

/** Fastest and slowest that a hand moves a nozzle evenly, mm/s; a nozzle never stands still. */
export const handSpeed = {
  fastest: judgement(200, 'a hand still keeps to the line at this speed'),
  slowest: judgement(10, 'slower is standing still for the glass'),
};
/** Segments nearer to a camera than this are never gone over slower than in a steady round, mm. */
export const cameraReachMm = judgement(12, 'about the width of the jet, from the model');
/** A plan is called faster or cooler only above these. */
export const worthS = judgement(0.03, 'share of the time that a hand would notice');

export interface PathPlanInput {
  heater: AirHeater;
  use: HeatUse;
  setC: number;
  ambientC: number;
  arcs: readonly ArcCells[];
  /** the whole ring at this temperature, nominal */
  targetC: number;
  stopC: Partial<Record<'battery' | 'camera' | 'display', number>>;
  cameraZones: readonly Outline[];
  insetsMm: readonly number[];
  roundS: number;
}

export interface RoundResult {
  insetMm: number;
  /** share of a round by segment; null: steady */
  shares: number[] | null;
  /** until the coldest arc is at the target, s; null: not within twenty minutes */
  readyS: number | null;
  /** nominal peaks until then, °C */
  batteryC: number | null;
  cameraC: number | null;
  displayC: number | null;
  /** warmest less coldest arc then, K */
  spreadK: number | null;
}

export interface PathPlan {
  steady: RoundResult[];
  planned: RoundResult[];
  /** the round that is proposed: the fastest within the limits, else the one that passes them least */
  best: RoundResult;
  /** what it is compared with: the steady round on the same line */
  against: RoundResult;
  gain: { timeShare: number; batteryK: number; cameraK: number };
  /** nothing that a hand would notice is gained over a steady round */
  noGain: boolean;
  withinLimits: boolean;
}

const passes = 7;
const gainPerK = 0.06;
const horizonS = 1200;

/** How one round does, in closed form on the reduced model: the round is so quick that the glass sees its mean. */
export function tryRound(
  model: ReducedModel,
  input: PathPlanInput,
  insetMm: number,
  shares: number[] | null,
): RoundResult & { arcsC: number[] | null } {
  const path: AirPath = { kind: 'loop', insetMm, roundS: input.roundS, ...(shares ? { shares } : {}) };
  const run = HeatRun.start(model, input.heater, input.ambientC, [{ atS: 0, setC: input.setC, preheated: true }], {
    ...input.use,
    path,
  });
  const coldest = (t: number) => run.arcsC(t, input.arcs).reduce((m, r) => Math.min(m, r.mean), Infinity);
  const readyS = firstTrue((t) => coldest(t) >= input.targetC, 0, horizonS, 60);
  if (readyS === null)
    return { insetMm, shares, readyS, batteryC: null, cameraC: null, displayC: null, spreadK: null, arcsC: null };
  const arcsC = run.arcsC(readyS, input.arcs).map((r) => r.mean);
  const part = (id: 'battery' | 'camera' | 'display') => run.partC(readyS, id)?.mean ?? null;
  return {
    insetMm,
    shares,
    readyS,
    batteryC: part('battery'),
    cameraC: part('camera'),
    displayC: part('display'),
    spreadK: Math.max(...arcsC) - Math.min(...arcsC),
    arcsC,
  };
}

/** Sum of what passes the stop marks, K. */
function excessK(r: RoundResult, stopC: PathPlanInput['stopC']): number {
  const over = (v: number | null, limit: number | undefined) =>
    v === null || limit === undefined ? 0 : Math.max(0, v - limit);
  return over(r.batteryC, stopC.battery) + over(r.cameraC, stopC.camera) + over(r.displayC, stopC.display);
}

/** Is a better than b: within the limits first, then less excess, then faster. */
function better(a: RoundResult, b: RoundResult, stopC: PathPlanInput['stopC']): boolean {
  if (a.readyS === null || b.readyS === null) return b.readyS === null && a.readyS !== null;
  const [ea, eb] = [excessK(a, stopC), excessK(b, stopC)];
  if (Math.abs(ea - eb) > 1e-9) return ea < eb;
  return a.readyS < b.readyS;
}

/**
 * Dwell times of a hot-air round: each pass gives more of the round to the segments whose line is colder than the mean when
 * the round is ready, less near a camera, all within what a hand can do. Every candidate is compared with the steady round
 * on the same line; the plan is never worse than the best steady round, because that one is a candidate too.
 * @param tell called after each candidate; return false to stop early with the best so far
 */
export function planRound(
  model: ReducedModel,
  input: PathPlanInput,
  tell: (share: number) => boolean | void = () => true,
): PathPlan {
  const steady: RoundResult[] = [];
  const planned: RoundResult[] = [];
  const total = input.insetsMm.length * (passes + 1);
  let done = 0;
  let going = true;
  for (const insetMm of input.insetsMm) {
    if (!going) break;
    const first = tryRound(model, input, insetMm, null);
    steady.push(strip(first));
    going = tell(++done / total) !== false;
    const line = loopPerimeter(model.modes.outline, insetMm);
    const segmentMm = line.lengthMm / loopSegments;
    const shortest = segmentMm / handSpeed.fastest.value / input.roundS;
    const longest = Math.min(0.5, segmentMm / handSpeed.slowest.value / input.roundS);
    const near = Array.from({ length: loopSegments }, (_, q) => {
      const p = line.point(q * segmentMm).at;
      return input.cameraZones.some((z) => insideDistanceMm(z, p) > -cameraReachMm.value);
    });
    let weights = new Array<number>(loopSegments).fill(1);
    let last = first;
    let best: RoundResult | null = null;
    for (let k = 0; k < passes && going && last.arcsC; k++) {
      const mean = last.arcsC.reduce((m, v) => m + v, 0) / loopSegments;
      const hot = cameraNearStop(last, input.stopC);
      weights = weights.map((w, q) => {
        const next = w * Math.exp(Math.max(-1, Math.min(1, gainPerK * (mean - last.arcsC![q]!))));
        return near[q] ? Math.min(hot ? 0.6 : 1, next) : next;
      });
      const shares = bounded(weights, shortest, longest);
      last = tryRound(model, input, insetMm, shares);
      if (!best || better(last, best, input.stopC)) best = strip(last);
      going = tell(++done / total) !== false;
    }
    if (best) planned.push(best);
  }
  const all = [...steady, ...planned];
  const best = all.reduce((a, b) => (better(b, a, input.stopC) ? b : a));
  const against = steady.find((r) => r.insetMm === best.insetMm)!;
  const gain = {
    timeShare: best.readyS && against.readyS ? 1 - best.readyS / against.readyS : 0,
    batteryK: (against.batteryC ?? 0) - (best.batteryC ?? 0),
    cameraK: (against.cameraC ?? 0) - (best.cameraC ?? 0),
  };
  return {
    steady,
    planned,
    best,
    against,
    gain,
    noGain: best.shares === null || (gain.timeShare < worthS.value && gain.batteryK < 1 && gain.cameraK < 1),
    withinLimits: best.readyS !== null && excessK(best, input.stopC) === 0,
  };
}

const cameraNearStop = (r: RoundResult, stopC: PathPlanInput['stopC']) =>
  r.cameraC !== null && stopC.camera !== undefined && r.cameraC > stopC.camera - 3;

const strip = ({ insetMm, shares, readyS, batteryC, cameraC, displayC, spreadK }: RoundResult): RoundResult => ({
  insetMm,
  shares,
  readyS,
  batteryC,
  cameraC,
  displayC,
  spreadK,
});

/**
 * Weights as shares of a round that sum to 1, each within what a hand can do: one factor for all, found by halving, because
 * the sum of the held shares only grows with it.
 */
export function bounded(weights: readonly number[], shortest: number, longest: number): number[] {
  const total = weights.reduce((m, v) => m + v, 0);
  const held = (factor: number) => weights.map((w) => Math.min(longest, Math.max(shortest, (factor * w) / total)));
  const sum = (factor: number) => held(factor).reduce((m, v) => m + v, 0);
  let lo = 0;
  let hi = 1;
  while (sum(hi) < 1 && hi < 1e9) hi *= 2;
  for (let i = 0; i < 60; i++) {
    const mid = (lo + hi) / 2;
    if (sum(mid) < 1) lo = mid;
    else hi = mid;
  }
  return held(hi);
}
