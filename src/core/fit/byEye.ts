import type { Pt } from '../device/types';
import { CoreInputError } from '../errors';
import { judgement } from '../source';
import type { FlushAction } from './flushness';
import type { GaugePoint } from './gaugePoints';

/** What was judged: the gap round a cover laid in, its step to the frame, the height of the seat, a camera cover in its ring. */
export type EyeOf = 'gap' | 'step' | 'seat' | 'cover';
/** What is gauged point after point as well. */
export type GaugedOf = Exclude<EyeOf, 'cover'>;

/** A place that was seen or felt to be off: too high or too low; of a gap, wide or tight. */
export interface EyeSpot {
  point: string;
  how: 'high' | 'low';
}

/** Standard uncertainty of a judgement by eye or finger, mm (law 23); learned where the shop gauges too. */
export const eyeFigures = {
  gap: judgement(0.15, 'eye on a gap between glass and frame'),
  step: judgement(0.1, 'fingertip drawn across an edge'),
  seat: judgement(0.15, 'glancing light over a face, or a straight edge against the light'),
  cover: judgement(0.1, 'fingertip drawn across the rim of a camera cover'),
};

/**
 * The difference that is noticed in nine of ten when one in twenty is noticed where there is none: (1.645 + 1.282) standard
 * uncertainties (two normal distributions, published: Currie, Anal. Chem. 40 (1968) 586, detection limit with other risks).
 */
export const noticedMm = (of: EyeOf): number => (1.645 + 1.2816) * eyeFigures[of].value;

/** Spots at points that there are: a log that was read in may speak of others. */
export const knownSpots = (points: readonly Pick<GaugePoint, 'id'>[], spots: readonly EyeSpot[]): EyeSpot[] =>
  spots.filter((s) => points.some((p) => p.id === s.point));

const sideOf = (p: GaugePoint): 'left' | 'right' | 'top' | 'bottom' =>
  Math.abs(p.normal[0]) > Math.abs(p.normal[1])
    ? p.normal[0] > 0
      ? 'right'
      : 'left'
    : p.normal[1] > 0
      ? 'bottom'
      : 'top';

export const placed = (points: readonly GaugePoint[], spots: readonly EyeSpot[]) =>
  spots.map((s) => {
    const at = points.find((p) => p.id === s.point);
    if (!at) throw new CoreInputError('spot', s.point, 'one of the guided points');
    return { ...s, at };
  });

/** A cover that is judged by finger: what to do, by where it stands proud or low. No spot: flush all round. */
export function flushByEye(
  points: readonly GaugePoint[],
  spots: readonly EyeSpot[],
  centre: Pt,
): { action: FlushAction; edge: ReturnType<typeof sideOf> | null } {
  const all = placed(points, spots);
  const high = all.filter((s) => s.how === 'high');
  const low = all.filter((s) => s.how === 'low');
  if (!all.length) return { action: 'accept', edge: null };
  const most = 0.75 * points.length;
  if (high.length >= most) return { action: 'standsProud', edge: null };
  if (low.length >= most) return { action: 'sitsLow', edge: null };
  if (!high.length) return { action: 'remeasureLow', edge: null };
  // proud on one diagonal only, at both of its ends
  const quarter = (p: GaugePoint) => `${p.at[0] > centre[0] ? 'r' : 'l'}${p.at[1] > centre[1] ? 'b' : 't'}`;
  const quarters = new Set(high.map((s) => quarter(s.at)));
  const diagonal = (a: string, b: string) => quarters.size === 2 && quarters.has(a) && quarters.has(b);
  if (diagonal('rt', 'lb') || diagonal('lt', 'rb')) return { action: 'twist', edge: null };
  const sides = new Set(high.map((s) => sideOf(s.at)));
  const [side] = sides;
  if (sides.size === 1 && side && high.length >= points.filter((p) => sideOf(p) === side).length / 2)
    return { action: 'clampHighEdge', edge: side };
  return { action: 'clearDebris', edge: null };
}
