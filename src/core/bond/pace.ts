import type { Pt } from '../device/types';
import { requireIn } from '../errors';
import { judgement } from '../source';

/** Between two strokes the hand moves this fast and needs this long to set down again. */
export const betweenStrokes = {
  travelMmS: judgement(40, 'hand through the air'),
  setDownS: judgement(1, 'stop, wipe the nozzle, set down'),
};

interface Leg {
  pts: readonly Pt[];
  lengthMm: number;
  fromS: number;
  toS: number;
  laying: boolean;
}

export interface Pace {
  legs: Leg[];
  totalS: number;
  strokes: number;
}

const length = (pts: readonly Pt[]) =>
  pts.reduce((m, p, i) => (i ? m + Math.hypot(p[0] - pts[i - 1]![0], p[1] - pts[i - 1]![1]) : 0), 0);

/**
 * Strokes in their order as a time line: laid at the given speed, with the moves between them.
 * @throws CoreInputError that names hand speed when out of range
 */
export function paceOf(strokes: readonly (readonly Pt[])[], feedMmS: number): Pace {
  requireIn('hand speed', feedMmS, 0.01, 100, 'mm/s');
  const legs: Leg[] = [];
  let t = 0;
  strokes.forEach((pts, i) => {
    const before = i ? strokes[i - 1]![strokes[i - 1]!.length - 1]! : null;
    if (before) {
      const way = [before, pts[0]!];
      const mm = length(way);
      const s = mm / betweenStrokes.travelMmS.value + betweenStrokes.setDownS.value;
      legs.push({ pts: way, lengthMm: mm, fromS: t, toS: t + s, laying: false });
      t += s;
    }
    const mm = length(pts);
    legs.push({ pts, lengthMm: mm, fromS: t, toS: t + mm / feedMmS, laying: true });
    t += mm / feedMmS;
  });
  return { legs, totalS: t, strokes: strokes.length };
}

export interface PaceAt {
  at: Pt;
  laying: boolean;
  /** stroke that it is in, or goes to, from 1 */
  stroke: number;
  laidMm: number;
  done: boolean;
}

/** Where the nozzle should be at t. */
export function paceAt(pace: Pace, tS: number): PaceAt | null {
  if (!pace.legs.length) return null;
  const t = Math.min(Math.max(0, tS), pace.totalS);
  const k = pace.legs.findIndex((l) => t <= l.toS);
  const leg = pace.legs[k]!;
  const share = leg.toS > leg.fromS ? (t - leg.fromS) / (leg.toS - leg.fromS) : 1;
  const before = pace.legs.slice(0, k).filter((l) => l.laying);
  return {
    at: along(leg.pts, share * leg.lengthMm),
    laying: leg.laying,
    stroke: before.length + 1,
    laidMm: before.reduce((m, l) => m + l.lengthMm, 0) + (leg.laying ? share * leg.lengthMm : 0),
    done: tS >= pace.totalS,
  };
}

function along(pts: readonly Pt[], mm: number): Pt {
  let left = mm;
  for (let i = 1; i < pts.length; i++) {
    const [p, q] = [pts[i - 1]!, pts[i]!];
    const d = Math.hypot(q[0] - p[0], q[1] - p[1]);
    if (left <= d && d > 0) return [p[0] + ((q[0] - p[0]) * left) / d, p[1] + ((q[1] - p[1]) * left) / d];
    left -= d;
  }
  return pts[pts.length - 1]!;
}

/** The parts of strokes that a length covers, in their order: what has been laid so far. */
export function laidParts(strokes: readonly (readonly Pt[])[], laidMm: number): Pt[][] {
  let left = laidMm;
  return strokes.map((pts) => {
    const part: Pt[] = [];
    for (let i = 0; i < pts.length && left > 0; i++) {
      if (i) {
        const [p, q] = [pts[i - 1]!, pts[i]!];
        const d = Math.hypot(q[0] - p[0], q[1] - p[1]);
        if (d > left) {
          part.push([p[0] + ((q[0] - p[0]) * left) / d, p[1] + ((q[1] - p[1]) * left) / d]);
          left = 0;
          break;
        }
        left -= d;
      }
      part.push(pts[i]!);
    }
    return part;
  });
}
