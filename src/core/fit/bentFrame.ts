import solver from 'javascript-lp-solver';

import type { Pt } from '../device/types';
import { CoreInputError } from '../errors';
import { judgement } from '../source';

export interface SeatPoint {
  id: string;
  at: Pt;
  /** height of the seat, positive toward the glass, mm */
  zMm: number;
}

/** Tape wets from 30 % compression and is not pressed beyond 50 %: it bridges one fifth of its thickness. */
export const bentLimits = {
  compressMin: judgement(0.3, 'foam tape wets from about 30 % compression'),
  compressMax: judgement(0.5, 'foam tape is not pressed beyond about half'),
  beadMaxMm: judgement(0.3, 'highest gap that a bead that keeps its volume fills, mm'),
  maxBadShare: judgement(0.3, 'largest share of the ring left to a bead'),
  maxExtraLiftMm: judgement(0.1, 'a thicker tape may lift the glass by this much, mm'),
  uSeatMm: judgement(0.02, 'depth gauge on a narrow seat, mm'),
};

/** Tapes to be had, mm (common practice). */
export const tapesMm = [0.1, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5] as const;

export type BentAction = 'tapeAsPlanned' | 'thickerTape' | 'beadTopUp' | 'declineOrStraighten';

export interface BentFrame {
  /** gap between the resting glass and the seat at each point, mm */
  gapsMm: number[];
  maxGapMm: number;
  /** share of the ring's length that is pressed enough to bond */
  contactShare: number;
  touchShare: number;
  /** stretches that will not bond, by length along the polyline from the first point; one that wraps starts negative */
  badArcs: { fromMm: number; toMm: number }[];
  perimeterMm: number;
  tapeNeededMm: number;
  tapePickMm: number | null;
  beadHeightMm: number;
  beadVolumeMm3: number;
  action: BentAction;
}

/**
 * Flat rigid glass on a bent seat: it rests on the plane over all seat heights that is lowest under the load (statics of a
 * rigid body on one-sided supports; a linear programme). Tape of thickness t pressed until the highest spots reach the
 * most compression bonds where the gap is at most t (cMax - cMin). Between points the gap is linear.
 * @param tapeMm tape thickness, @param widthMm ring width, @param load where the glass is pressed (default: the middle)
 * @throws CoreInputError for seat heights
 */
export function bentFrame(points: readonly SeatPoint[], tapeMm: number, widthMm: number, load?: Pt): BentFrame {
  if (points.length < 4) throw new CoreInputError('seat heights', points.length, 'at least 4 points');
  const n = points.length;
  const mid: Pt = [points.reduce((m, p) => m + p.at[0], 0) / n, points.reduce((m, p) => m + p.at[1], 0) / n];
  const l = load ?? mid;
  const plane = restPlane(points, mid, l);
  const h = points.map((p) => Math.max(0, plane(p.at) - p.zMm));
  const d = points.map((p, i) => {
    const q = points[(i + 1) % n]!;
    return Math.hypot(p.at[0] - q.at[0], p.at[1] - q.at[1]);
  });
  const perimeterMm = d.reduce((a, b) => a + b, 0);
  const cMin = bentLimits.compressMin.value;
  const cMax = bentLimits.compressMax.value;
  const bridged = tapeMm * (cMax - cMin);
  const good = levelLength(d, h, bridged);
  const touch = levelLength(d, h, tapeMm * cMax);
  const maxGapMm = Math.max(...h);
  const tapeNeededMm = maxGapMm / (cMax - cMin);
  const tapePickMm =
    tapesMm.find(
      (t) => t >= tapeNeededMm - 1e-12 && (t - tapeMm) * (1 - cMax) <= bentLimits.maxExtraLiftMm.value + 1e-12,
    ) ?? null;
  const beadHeightMm = Math.max(0, maxGapMm - bridged);
  const beadVolumeMm3 = widthMm * integralOver(d, h, bridged);
  const badShare = 1 - good.length / perimeterMm;
  const action: BentAction =
    badShare <= 1e-12
      ? 'tapeAsPlanned'
      : tapePickMm !== null
        ? 'thickerTape'
        : beadHeightMm <= bentLimits.beadMaxMm.value && badShare <= bentLimits.maxBadShare.value
          ? 'beadTopUp'
          : 'declineOrStraighten';
  return {
    gapsMm: h,
    maxGapMm,
    contactShare: good.length / perimeterMm,
    touchShare: touch.length / perimeterMm,
    badArcs: good.above,
    perimeterMm,
    tapeNeededMm,
    tapePickMm,
    beadHeightMm,
    beadVolumeMm3,
    action,
  };
}

/** Lowest plane at the load that lies on or above every seat height. Free variables are split into two positive ones. */
function restPlane(points: readonly SeatPoint[], mid: Pt, load: Pt): (p: Pt) => number {
  // scaled to about 1, so that the solver's tolerances fit
  const scale = Math.max(1e-9, ...points.map((p) => Math.abs(p.zMm)));
  const reach = Math.max(1, ...points.map((p) => Math.hypot(p.at[0] - mid[0], p.at[1] - mid[1])));
  const x = (p: Pt) => (p[0] - mid[0]) / reach;
  const y = (p: Pt) => (p[1] - mid[1]) / reach;
  const constraints: Record<string, { min: number }> = {};
  const variables: Record<string, Record<string, number>> = {};
  const coef: Record<string, (p: Pt) => number> = { a: () => 1, b: x, c: y };
  for (const [name, f] of Object.entries(coef))
    for (const sign of [1, -1]) {
      const v: Record<string, number> = { height: sign * f(load) };
      points.forEach((p, i) => (v[`p${i}`] = sign * f(p.at)));
      variables[`${name}${sign > 0 ? '+' : '-'}`] = v;
    }
  points.forEach((p, i) => (constraints[`p${i}`] = { min: p.zMm / scale }));
  const r = solver.Solve({ optimize: 'height', opType: 'min', constraints, variables }) as Record<string, number>;
  const value = (name: string) => ((r[`${name}+`] ?? 0) - (r[`${name}-`] ?? 0)) * scale;
  const [a, b, c] = [value('a'), value('b'), value('c')];
  return (p) => a + b * x(p) + c * y(p);
}

/** Length of a closed polyline on which a piecewise linear height stays at or under a level, and the stretches above it. */
function levelLength(
  d: readonly number[],
  h: readonly number[],
  level: number,
): { length: number; above: { fromMm: number; toMm: number }[] } {
  const above: { fromMm: number; toMm: number }[] = [];
  let s = 0;
  let length = 0;
  d.forEach((l, i) => {
    const p = h[i]! - level;
    const q = h[(i + 1) % h.length]! - level;
    const put = (from: number, to: number) => {
      if (to - from < 1e-12) return;
      const last = above[above.length - 1];
      if (last && Math.abs(last.toMm - from) < 1e-9) last.toMm = to;
      else above.push({ fromMm: from, toMm: to });
    };
    const eps = 1e-12;
    if (p <= eps && q <= eps) length += l;
    else if (p > eps && q > eps) put(s, s + l);
    else {
      const cross = (l * Math.abs(p)) / (Math.abs(p) + Math.abs(q));
      if (p > eps) {
        put(s, s + cross);
        length += l - cross;
      } else {
        put(s + cross, s + l);
        length += cross;
      }
    }
    s += l;
  });
  const [first] = above;
  const last = above[above.length - 1];
  if (first && last && first !== last && first.fromMm < 1e-9 && Math.abs(last.toMm - s) < 1e-9) {
    first.fromMm = last.fromMm - s;
    above.pop();
  }
  return { length, above };
}

/** Exact integral of max(0, h - level) round the loop, mm². */
function integralOver(d: readonly number[], h: readonly number[], level: number): number {
  return d.reduce((sum, l, i) => {
    const p = h[i]! - level;
    const q = h[(i + 1) % h.length]! - level;
    if (p <= 0 && q <= 0) return sum;
    if (p > 0 && q > 0) return sum + (l * (p + q)) / 2;
    const w = Math.max(p, q);
    return sum + (0.5 * w * l * w) / (Math.abs(p) + Math.abs(q));
  }, 0);
}
