import type { Pt } from '../device/types';
import { CoreInputError } from '../errors';
import { leastSquares } from '../numeric/leastSquares';
import { judgement } from '../source';

export const coverFigures = {
  mostStepMm: judgement(0.08, 'step of a camera cover that still counts as seated'),
  leastRingMm: judgement(0.02, 'ring that is left all round a cover that sits in the middle'),
};

export interface LensCoverSeat {
  /** middle of the cover less middle of the hole, mm */
  offset: Pt;
  offsetMm: number;
  gapMinMm: number;
  gapMaxMm: number;
  holeRMm: number;
  coverRMm: number;
  /** step at the middle of the cover, and tilt; null without steps */
  stepMm: number | null;
  tiltDeg: number | null;
  /** direction in which it rises, degrees from the x axis toward the y axis of the readings */
  highBearingDeg: number | null;
  seated: boolean | null;
  concentric: boolean;
}

/**
 * Circle by geometric least squares: a first guess by Kåsa (published), then Gauss-Newton on the distances.
 * @throws CoreInputError for points of a rim
 */
export function circleFit(pts: readonly Pt[]): { c: Pt; rMm: number } {
  if (pts.length < 3) throw new CoreInputError('points of a rim', pts.length, 'at least 3');
  const k = leastSquares(
    pts.map(([x, y]) => [2 * x, 2 * y, 1]),
    pts.map(([x, y]) => x * x + y * y),
  ).x;
  let q = [k[0]!, k[1]!, Math.sqrt(Math.max(k[2]! + k[0]! ** 2 + k[1]! ** 2, 1e-12))] as const;
  for (let n = 0; n < 100; n++) {
    const rows: number[][] = [];
    const left: number[] = [];
    for (const [x, y] of pts) {
      const d = Math.hypot(x - q[0], y - q[1]);
      rows.push([-(x - q[0]) / d, -(y - q[1]) / d, -1]);
      left.push(q[2] - d);
    }
    const s = leastSquares(rows, left).x;
    q = [q[0] + s[0]!, q[1] + s[1]!, q[2] + s[2]!];
    if (Math.max(...s.map(Math.abs)) < 1e-12) break;
  }
  return { c: [q[0], q[1]], rMm: q[2] };
}

/**
 * How a camera cover sits: middle of its rim against the middle of its hole, and the plane through three or more steps
 * (analytic). @param seat steps, cover above ring +, mm, at places from the middle of the cover
 */
export function lensCover(
  hole: readonly Pt[],
  cover: readonly Pt[],
  seat: readonly { at: Pt; stepMm: number }[] = [],
): LensCoverSeat {
  const [h, c] = [circleFit(hole), circleFit(cover)];
  const offset: Pt = [c.c[0] - h.c[0], c.c[1] - h.c[1]];
  const offsetMm = Math.hypot(...offset);
  const ring = h.rMm - c.rMm;
  const plane =
    seat.length >= 3
      ? leastSquares(
          seat.map((s) => [1, s.at[0], s.at[1]]),
          seat.map((s) => s.stepMm),
        ).x
      : null;
  const slope = plane ? Math.hypot(plane[1]!, plane[2]!) : null;
  return {
    offset,
    offsetMm,
    gapMinMm: ring - offsetMm,
    gapMaxMm: ring + offsetMm,
    holeRMm: h.rMm,
    coverRMm: c.rMm,
    stepMm: plane ? plane[0]! : null,
    tiltDeg: slope === null ? null : (Math.atan(slope) * 180) / Math.PI,
    highBearingDeg: plane ? (Math.atan2(plane[2]!, plane[1]!) * 180) / Math.PI : null,
    seated: plane && slope !== null ? Math.abs(plane[0]!) + c.rMm * slope <= coverFigures.mostStepMm.value : null,
    concentric: ring - offsetMm >= coverFigures.leastRingMm.value,
  };
}

/** The same from four ring gaps (right, top, left, bottom) and steps at 90, 210 and 330 degrees on the rim. */
export function coverFromGaps(holeRMm: number, gaps: readonly number[], steps: readonly number[]): LensCoverSeat {
  const at = (r: number, deg: number): Pt => [r * Math.cos((deg * Math.PI) / 180), r * Math.sin((deg * Math.PI) / 180)];
  const hole = [0, 90, 180, 270].map((d) => at(holeRMm, d));
  const cover = gaps.map((g, i) => at(holeRMm - g, 90 * i));
  const r = holeRMm - gaps.reduce((a, b) => a + b, 0) / gaps.length;
  return lensCover(
    hole,
    cover,
    steps.map((stepMm, i) => ({ at: at(r, 90 + 120 * i), stepMm })),
  );
}
