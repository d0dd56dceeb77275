import { requireIn } from '../errors';
import { judgement, memory, type Range, type Sourced } from '../source';
import { beadMarks, diffusionM2S, foOfShare, solventLeft } from './solventCure';
import { activationKJ, buildShare, equivalentTimeS, lnRange, rate, roomU, tapeMarks } from './tapeDwell';

export type CureKind = 'tape' | 'solvent' | 'moisture';
export const cureMarks = ['clampOff', 'handle', 'build', 'handOver', 'sealTest', 'full'] as const;
export type CureMark = (typeof cureMarks)[number];

/** Air round the bond: temperature, and relative humidity in %. */
export interface Climate {
  tC: number;
  rh: number;
}

const gas = 8.314462618;

export const moistureFigures = {
  depthMm24h: memory(3, 'cure depth of one-part sealants in 24 h at 23 °C and 50 % humidity, data-sheet guidance'),
  activationKJ: judgement(20, 'skin growth of a moisture-curing sealant'),
};

/** Share of the half width that has cured at each mark; the bond's edge holds first. */
export const moistureMarks: Record<CureMark, Sourced> = {
  clampOff: judgement(0.35, 'moisture cure: a third from each edge before the clamp comes off'),
  handle: judgement(0.5, 'may be moved with care'),
  build: judgement(0.7, 'work goes on'),
  handOver: judgement(1, 'cured through'),
  sealTest: judgement(1, 'no hold or press test before'),
  full: judgement(1, 'cured through'),
};

/** Saturation pressure of water, kPa (Magnus form, published). */
export const waterKPa = (tC: number) => 0.61094 * Math.exp((17.625 * tC) / (tC + 243.04));

/** Square of the cure depth that grows in a day, mm² per 24 h. */
export function depthSquaredPerDay(c: Climate): number {
  const arrhenius = Math.exp(((-moistureFigures.activationKJ.value * 1e3) / gas) * (1 / (c.tC + 273.15) - 1 / 296.15));
  return moistureFigures.depthMm24h.value ** 2 * (c.rh / 50) * (waterKPa(c.tC) / waterKPa(23)) * arrhenius;
}

/**
 * Progress of a cure per second. Tape: equivalent seconds at 23 °C. Solvent: D t/b² of a slab with two open edges.
 * Moisture: square of the cured share of the half width. Progress adds up over whatever the air does.
 */
export function progressPerS(kind: CureKind, bondMm: number, c: Climate, eaKJ?: number): number {
  if (kind === 'tape') return rate(c.tC, eaKJ);
  if (kind === 'solvent') return diffusionM2S(c.tC) / (bondMm * 1e-3) ** 2;
  return depthSquaredPerDay(c) / 86400 / (bondMm / 2) ** 2;
}

/** The figure that a mark waits for: share of the bond (tape), solvent left, share of the width that has cured. */
export const markOf = (kind: CureKind, mark: CureMark): Sourced =>
  ({ tape: tapeMarks, solvent: beadMarks, moisture: moistureMarks })[kind][mark];

/** Progress at which a mark is reached, both edges open. */
export function needOf(kind: CureKind, mark: CureMark): number {
  const { value } = markOf(kind, mark);
  return kind === 'tape' ? equivalentTimeS(value) : kind === 'moisture' ? value ** 2 : foOfShare(value);
}

/** How far it is: share of the final bond (tape), of the solvent that has left, of the width that has cured. */
export function shareDone(kind: CureKind, progress: number, edgeFactor = 1): number {
  if (progress <= 0) return 0;
  if (kind === 'tape') return buildShare(progress);
  if (kind === 'moisture') return Math.min(1, Math.sqrt(progress / edgeFactor));
  return 1 - solventLeft(progress / edgeFactor);
}

/** From an instant on the air is like this, until the next step. */
export interface ClimateStep extends Climate {
  /** s after the bond was closed */
  fromS: number;
}

/** Progress until t along the steps; the last one lasts. `shiftK` moves all temperatures: for the uncertainty of the room. */
export function progressAt(
  kind: CureKind,
  bondMm: number,
  steps: readonly ClimateStep[],
  tS: number,
  shiftK = 0,
  eaKJ?: number,
): number {
  let sum = 0;
  steps.forEach((s, i) => {
    const from = i ? s.fromS : 0;
    const to = Math.min(tS, steps[i + 1]?.fromS ?? Infinity);
    if (to > from) sum += (to - from) * progressPerS(kind, bondMm, { tC: s.tC + shiftK, rh: s.rh }, eaKJ);
  });
  return sum;
}

/** When the progress is reached, s after closing; exact, because progress is linear within a step. */
export function timeWhen(
  kind: CureKind,
  bondMm: number,
  steps: readonly ClimateStep[],
  need: number,
  shiftK = 0,
  eaKJ?: number,
): number {
  let sum = 0;
  for (let i = 0; i < steps.length; i++) {
    const from = i ? steps[i]!.fromS : 0;
    const to = steps[i + 1]?.fromS ?? Infinity;
    const v = progressPerS(kind, bondMm, { tC: steps[i]!.tC + shiftK, rh: steps[i]!.rh }, eaKJ);
    if (v > 0 && sum + v * (to - from) >= need - 1e-15) return from + (need - sum) / v;
    sum += v * Math.max(0, to - from);
  }
  return Infinity;
}

/**
 * A bead's inner edge faces a nearly closed housing: it cures between two open edges (1) and one (4, law 13). What the
 * shop has seen narrows that.
 */
export interface EdgeFactor {
  low: number;
  high: number;
  /** how many observations stand behind it; 0: the law's own range */
  seen: number;
}
export const lawEdges: EdgeFactor = { low: 1, high: 4, seen: 0 };

/** A clamp that came off at a time after closing, in units of the two-edge time, and whether the bond held. */
export interface CureSeen {
  ratio: number;
  held: boolean;
}

const enough = judgement(3, 'bonds that held, before the shop’s own range is used');

/** A bond that slipped needs longer than it had; by how much is not known. */
const slippedLonger = judgement(1.25, 'at least a quarter longer than a bond that slipped had');

/**
 * What held cannot need longer, what slipped cannot need less, also when it slipped after the law's own end: one slip moves
 * the long end at once, three that held narrow it. Where what held contradicts what slipped (half of it held for less than
 * another slipped at) the law's range stands, stretched to the slip when that lies beyond it.
 * @throws CoreInputError that names ratio when out of range
 */
export function edgeFactorFrom(seen: readonly CureSeen[]): EdgeFactor {
  for (const s of seen) requireIn('ratio', s.ratio, 0, 1000);
  const held = seen.filter((s) => s.held).map((s) => s.ratio);
  const slipped = Math.max(lawEdges.low, ...seen.filter((s) => !s.held).map((s) => s.ratio));
  const after = slipped > lawEdges.low ? slipped * slippedLonger.value : lawEdges.low;
  const unsure: EdgeFactor =
    after > lawEdges.low ? { low: slipped, high: Math.max(lawEdges.high, after), seen: seen.length } : lawEdges;
  if (held.length < enough.value) return unsure;
  // the median of what held: one lucky early release does not set the clock for all
  const sorted = [...held].sort((a, b) => a - b);
  const median = sorted[Math.floor(sorted.length / 2)]!;
  if (median < slipped)
    return after <= lawEdges.high ? lawEdges : { low: lawEdges.low, high: after, seen: seen.length };
  const high = slipped > lawEdges.high ? median : Math.min(lawEdges.high, Math.max(lawEdges.low, median));
  return { low: slipped, high: Math.max(slipped, high), seen: seen.length };
}

/**
 * When each mark is reached, s after closing, along what the air did and will do. Tape: ± two standard uncertainties from
 * room and activation energy. Beads: two open edges to one. Clocks are released on the long end.
 * @param bondMm width of the bond, 0.3 to 60 (tape: not used)
 * @throws CoreInputError that names bond width, temperature of the air, humidity when out of range; Error: cureClocks: no climate step
 */
export function cureClocks(
  kind: CureKind,
  bondMm: number,
  steps: readonly ClimateStep[],
  edges: EdgeFactor = lawEdges,
): Record<CureMark, Range> {
  requireIn('bond width', bondMm, 0.3, 60, 'mm');
  if (!steps.length) throw new Error('cureClocks: no climate step');
  for (const s of steps) {
    requireIn('temperature of the air', s.tC, -30, 90, '°C');
    requireIn('humidity', s.rh, 1, 100, '%');
  }
  const when = (need: number, shiftK = 0, eaKJ?: number) => timeWhen(kind, bondMm, steps, need, shiftK, eaKJ);
  return Object.fromEntries(
    cureMarks.map((mark): [CureMark, Range] => {
      const need = needOf(kind, mark);
      if (kind === 'tape') {
        const mean = when(need);
        return [
          mark,
          lnRange(mean, when(need, -roomU.value), when(need, 0, activationKJ.value + (activationKJ.u ?? 0))),
        ];
      }
      const low = when(need * edges.low);
      const high = when(need * edges.high);
      return [mark, { low, mean: when(need * Math.sqrt(edges.low * edges.high)), high }];
    }),
  ) as Record<CureMark, Range>;
}

/** Constant air. */
export const steady = (tC: number, rh = 50): ClimateStep[] => [{ fromS: 0, tC, rh }];
