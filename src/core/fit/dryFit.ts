import solver from 'javascript-lp-solver';

import { CoreInputError, requireIn } from '../errors';
import { leastSquares } from '../numeric/leastSquares';
import { judgement } from '../source';
import type { Pt } from '../device/types';

export interface GapReading {
  id: string;
  at: Pt;
  normal: Pt;
  gapMm: number;
}

export interface Move {
  towardTopMm: number;
  towardRightMm: number;
  clockwiseDeg: number;
}

export interface DryFit {
  use: 'leave' | 'even' | 'minimax' | 'noFit';
  move: Move;
  /** standard uncertainties of the even fit's move */
  u: Move;
  /** is a component of the move worth saying: big enough and at least two standard uncertainties */
  say: { vertical: boolean; horizontal: boolean; turn: boolean };
  meanGapMm: number;
  rmsMm: number;
  minBeforeMm: number;
  minAfterMm: number;
  gapsAfterMm: number[];
  marginal: boolean;
  bestLeastGapMm: number;
}

export const uGapMm = judgement(0.02, 'feeler or caliper in an edge gap; feeler steps 0.02-0.05 are common practice');
export const minClearMm = judgement(0.05, 'least gap; must exceed the thermal change of the gap');
export const moveResMm = judgement(0.02, 'smallest slide worth doing');
const limits = { slideMm: 2, turnRad: 0.03 };

/**
 * Slide and turn that make the gaps even (least squares), or largest-least (linear programme, published: Boyd &
 * Vandenberghe ch. 6) when the even fit still touches. Small-angle gap change g' = g − n·(u + θ(−y, x)) (analytic).
 * @param points in the plan frame; at least three
 * @throws CoreInputError naming the point whose gap is out of 0..5 mm
 */
export function dryFit(points: readonly GapReading[], centre: Pt): DryFit {
  if (points.length < 3) throw new CoreInputError('gap readings', points.length, 'at least 3');
  // fit frame: centred, y up, so that a positive turn is counter-clockwise as looked at
  const p = points.map((q) => {
    requireIn(`gap at ${q.id}`, q.gapMm, 0, 5, 'mm');
    const x = q.at[0] - centre[0];
    const y = centre[1] - q.at[1];
    const l = Math.hypot(...q.normal);
    const nx = q.normal[0] / l;
    const ny = -q.normal[1] / l;
    return { x, y, nx, ny, a: x * ny - y * nx, g: q.gapMm };
  });
  const scale = Math.sqrt(p.reduce((s, q) => s + q.x ** 2 + q.y ** 2, 0) / p.length);
  const reach = Math.max(...p.map((q) => Math.hypot(q.x, q.y)));
  const fit = leastSquares(
    p.map((q) => [1, q.nx, q.ny, q.a / scale]),
    p.map((q) => q.g),
  );
  const [mean, dx, dy, turn] = fit.x as [number, number, number, number];
  const even = { dx, dy, theta: turn / scale };
  const after = (m: typeof even) => p.map((q) => q.g - q.nx * m.dx - q.ny * m.dy - m.theta * q.a);
  const residual = after(even).map((g) => g - mean);
  const dof = Math.max(1, p.length - fit.rank);
  const best = leastGap(p);

  const minBefore = Math.min(...p.map((q) => q.g));
  const evenGaps = after(even);
  const size = Math.max(Math.abs(even.dx), Math.abs(even.dy), Math.abs(even.theta) * reach);
  const clear = minClearMm.value;
  let use: DryFit['use'];
  let pose = even;
  if (minBefore >= clear && size < moveResMm.value) {
    use = 'leave';
    pose = { dx: 0, dy: 0, theta: 0 };
  } else if (Math.min(...evenGaps) >= clear) use = 'even';
  else if (best.t >= clear) {
    use = 'minimax';
    pose = best;
  } else use = 'noFit';
  const gapsAfter = use === 'noFit' ? p.map((q) => q.g) : after(pose);
  const least = use === 'noFit' ? best.t : Math.min(...gapsAfter);
  const su = (i: number) => uGapMm.value * Math.sqrt(fit.covariance.get(i, i));
  const uTheta = su(3) / scale;
  const worth = (v: number, u: number) => Math.abs(v) >= moveResMm.value && Math.abs(v) >= 2 * u;
  const deg = 180 / Math.PI;
  return {
    use,
    move: { towardTopMm: pose.dy, towardRightMm: pose.dx, clockwiseDeg: -pose.theta * deg },
    u: { towardTopMm: su(2), towardRightMm: su(1), clockwiseDeg: uTheta * deg },
    say: {
      vertical: worth(pose.dy, su(2)),
      horizontal: worth(pose.dx, su(1)),
      turn: worth(pose.theta * reach, uTheta * reach),
    },
    meanGapMm: mean,
    rmsMm: Math.sqrt(residual.reduce((s, r) => s + r * r, 0) / dof),
    minBeforeMm: minBefore,
    minAfterMm: Math.min(...gapsAfter),
    gapsAfterMm: gapsAfter,
    marginal: Math.abs(least - clear) < 2 * uGapMm.value,
    bestLeastGapMm: best.t,
  };
}

/** Largest least gap over all slides and turns, by linear programme. Variables are shifted to be non-negative. */
function leastGap(p: { nx: number; ny: number; a: number; g: number }[]) {
  const shift = 10;
  const constraints: Record<string, { max: number }> = {
    boundX: { max: 2 * limits.slideMm },
    boundY: { max: 2 * limits.slideMm },
    boundT: { max: 2 * limits.turnRad * 100 },
  };
  // theta is scaled by 100 so that all columns are of one size
  const variables: Record<string, Record<string, number>> = {
    x: { boundX: 1, goal: 0 },
    y: { boundY: 1, goal: 0 },
    w: { boundT: 1, goal: 0 },
    t: { goal: 1 },
  };
  p.forEach((q, i) => {
    const id = `g${i}`;
    variables.x![id] = q.nx;
    variables.y![id] = q.ny;
    variables.w![id] = q.a / 100;
    variables.t![id] = 1;
    constraints[id] = {
      max: q.g + limits.slideMm * (q.nx + q.ny) + limits.turnRad * q.a + shift,
    };
  });
  const r = solver.Solve({ optimize: 'goal', opType: 'max', constraints, variables }) as Record<string, number>;
  return {
    dx: (r.x ?? 0) - limits.slideMm,
    dy: (r.y ?? 0) - limits.slideMm,
    theta: (r.w ?? 0) / 100 - limits.turnRad,
    t: (r.t ?? 0) - shift,
  };
}
