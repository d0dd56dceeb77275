import { uGapMm } from './gaugeFigures';
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

/** A camera hole over its ring: where the hole's middle lies from the ring's middle now, and how far it may. */
export interface HoleReading {
  id: string;
  /** middle of the ring in the plan frame */
  at: Pt;
  /** hole minus ring, x right and y down, mm */
  offset: Pt;
  allowedMm: number;
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
  /** offset of each camera hole after the move, mm; the even fit is bent toward the holes by this weight (0: not at all) */
  holeOffsetsMm: number[];
  holeWeight: number;
}

export const minClearMm = judgement(0.05, 'least gap; must exceed the thermal change of the gap');
/** Sides between which the camera ring still looks centred and the lens sees past the edge. */
export const holeOffsetMm = judgement(0.1, 'camera ring in its hole; 0.05 to 0.15 mm is common practice');
export const moveResMm = judgement(0.02, 'smallest slide worth doing');
const limits = { slideMm: 2, turnRad: 0.03 };

/**
 * Slide and turn that make the gaps even (least squares), or largest-least (linear programme, published: Boyd &
 * Vandenberghe ch. 6) when the even fit still touches. Small-angle gap change g' = g − n·(u + θ(−y, x)) (analytic).
 * Camera holes that the even fit leaves too far off their rings pull it toward them, by the smallest weight that brings
 * all of them inside: exact for one hole, a heuristic for several.
 * @param points in the plan frame; at least three
 * @param clear least gap wanted: more than heat takes
 * @param uMm scatter of the gauge
 * @throws CoreInputError naming the point whose gap is out of 0..5 mm
 */
export function dryFit(
  points: readonly GapReading[],
  centre: Pt,
  holes: readonly HoleReading[] = [],
  clear = minClearMm.value,
  uMm = uGapMm.value,
): DryFit {
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
  const h = holes.map((o) => {
    requireIn(`offset of ${o.id}`, Math.hypot(...o.offset), 0, 5, 'mm');
    return {
      x: o.at[0] - centre[0],
      y: centre[1] - o.at[1],
      ox: o.offset[0],
      oy: -o.offset[1],
      rho: requireIn(`allowed offset of ${o.id}`, o.allowedMm, 0.005, 2, 'mm'),
    };
  });
  const rows = p.map((q) => [1, q.nx, q.ny, q.a / scale]);
  const wanted = p.map((q) => q.g);
  const holeRows = h.flatMap((o) => [
    [0, 1, 0, -o.y / scale],
    [0, 0, 1, o.x / scale],
  ]);
  const holeWanted = h.flatMap((o) => [-o.ox, -o.oy]);
  const solve = (weight: number) => {
    const k = Math.sqrt(weight);
    return weight > 0
      ? leastSquares(
          [...rows, ...holeRows.map((r) => r.map((v) => v * k))],
          [...wanted, ...holeWanted.map((v) => v * k)],
        )
      : leastSquares(rows, wanted);
  };
  const offsetsOf = (m: { dx: number; dy: number; theta: number }) =>
    h.map((o) => Math.hypot(o.ox + m.dx - m.theta * o.y, o.oy + m.dy + m.theta * o.x));
  const poseOf = (x: number[]) => ({ dx: x[1]!, dy: x[2]!, theta: x[3]! / scale });
  const worst = (m: { dx: number; dy: number; theta: number }) =>
    Math.max(0, ...offsetsOf(m).map((v, i) => v / h[i]!.rho));
  let fit = solve(0);
  const plain = fit;
  let holeWeight = 0;
  if (h.length && worst(poseOf(fit.x)) > 1) {
    let lo = Math.log(1e-6);
    let hi = Math.log(1e9);
    if (worst(poseOf(solve(Math.exp(hi)).x)) <= 1)
      for (let i = 0; i < 80; i++) {
        const m = (lo + hi) / 2;
        if (worst(poseOf(solve(Math.exp(m)).x)) > 1) lo = m;
        else hi = m;
      }
    holeWeight = Math.exp(hi);
    fit = solve(holeWeight);
  }
  const mean = fit.x[0]!;
  const even = poseOf(fit.x);
  const after = (m: typeof even) => p.map((q) => q.g - q.nx * m.dx - q.ny * m.dy - m.theta * q.a);
  const residual = after(even).map((g) => g - mean);
  const dof = Math.max(1, p.length - fit.rank);
  const best = leastGap(p, h);

  const minBefore = Math.min(...p.map((q) => q.g));
  const evenGaps = after(even);
  const size = Math.max(Math.abs(even.dx), Math.abs(even.dy), Math.abs(even.theta) * reach);
  const inside = (m: typeof even) => worst(m) <= 1 + 1e-6;
  let use: DryFit['use'];
  let pose = even;
  if (minBefore >= clear && size < moveResMm.value && inside({ dx: 0, dy: 0, theta: 0 })) {
    use = 'leave';
    pose = { dx: 0, dy: 0, theta: 0 };
  } else if (Math.min(...evenGaps) >= clear && inside(even)) use = 'even';
  else if (best && best.t >= clear) {
    use = 'minimax';
    pose = best;
  } else use = 'noFit';
  const gapsAfter = use === 'noFit' ? p.map((q) => q.g) : after(pose);
  const least = use === 'noFit' ? (best?.t ?? minBefore) : Math.min(...gapsAfter);
  const su = (i: number) => uMm * Math.sqrt(plain.covariance.get(i, i));
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
    marginal: Math.abs(least - clear) < 2 * uMm,
    bestLeastGapMm: best?.t ?? minBefore,
    holeOffsetsMm: offsetsOf(use === 'noFit' ? { dx: 0, dy: 0, theta: 0 } : pose),
    holeWeight,
  };
}

/**
 * Largest least gap over all slides and turns, by linear programme; each hole stays within a polygon of 16 sides inside its
 * allowed circle. Variables are shifted to be non-negative. @returns null when the holes leave no room
 */
function leastGap(
  p: { nx: number; ny: number; a: number; g: number }[],
  holes: { x: number; y: number; ox: number; oy: number; rho: number }[],
) {
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
  const sides = 16;
  holes.forEach((o, i) => {
    for (let k = 0; k < sides; k++) {
      const [c, s] = [Math.cos((2 * Math.PI * k) / sides), Math.sin((2 * Math.PI * k) / sides)];
      const id = `h${i}.${k}`;
      const turn = -o.y * c + o.x * s;
      variables.x![id] = c;
      variables.y![id] = s;
      variables.w![id] = turn / 100;
      constraints[id] = {
        max: o.rho * Math.cos(Math.PI / sides) - c * o.ox - s * o.oy + limits.slideMm * (c + s) + limits.turnRad * turn,
      };
    }
  });
  const r = solver.Solve({ optimize: 'goal', opType: 'max', constraints, variables }) as Record<string, number> & {
    feasible?: boolean;
  };
  if (r.feasible === false) return null;
  return {
    dx: (r.x ?? 0) - limits.slideMm,
    dy: (r.y ?? 0) - limits.slideMm,
    theta: (r.w ?? 0) / 100 - limits.turnRad,
    t: (r.t ?? 0) - shift,
  };
}
