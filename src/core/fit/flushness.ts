import { uStepMm } from './gaugeFigures';
import { jStat } from 'jstat';

import type { Pt } from '../device/types';
import { CoreInputError, requireIn } from '../errors';
import { conditionRatio, leastSquares } from '../numeric/leastSquares';
import { commonPractice, judgement } from '../source';

export interface StepReading {
  id: string;
  at: Pt;
  /** cover above frame +, mm */
  stepMm: number;
}

export const tolLowMm = commonPractice(-0.1, 'cover below the frame');
export const tolHighMm = commonPractice(0.05, 'cover above the frame');
const alpha = 0.01;
const minBumpMm = 0.03;
const nu0 = 10;
const guardFactor = 2;

export type PointStatus = 'pass' | 'fail' | 'undecided';

export type FlushAction =
  | 'clearDebris'
  | 'remeasureLow'
  | 'accept'
  | 'remeasureFiner'
  | 'twist'
  | 'clampHighEdge'
  | 'standsProud'
  | 'sitsLow'
  | 'reclamp';

export interface Flushness {
  verdict: PointStatus;
  status: PointStatus[];
  /** chance that each point conforms, from its reading and uncertainty */
  pConform: number[];
  guardBandMm: number;
  terms: string[];
  coef: Record<string, number>;
  se: Record<string, number>;
  rmsMm: number;
  bumps: { id: string; heightMm: number }[];
  /** height that is just significant at each point, null where nothing could be seen */
  smallestBumpMm: (number | null)[];
  /** bump that is found in nine of ten anywhere along the edge, between two points as well; null: not with these points */
  foundMm: number | null;
  highEdge: 'right' | 'left' | 'top' | 'bottom';
  edgeMeansMm: Record<'right' | 'left' | 'top' | 'bottom', number>;
  rocks: 'topRight-bottomLeft' | 'topLeft-bottomRight' | null;
  action: FlushAction;
}

const termSets = [
  { least: 9, terms: ['1', 'X', 'Y', 'XY', 'X2', 'Y2'] },
  { least: 6, terms: ['1', 'X', 'Y', 'XY'] },
  { least: 3, terms: ['1', 'X', 'Y'] },
];
const term: Record<string, (x: number, y: number) => number> = {
  '1': () => 1,
  X: (x) => x,
  Y: (_, y) => y,
  XY: (x, y) => x * y,
  X2: (x) => x * x,
  Y2: (_, y) => y * y,
};

/** Largest moderated deletion residual among the kept points. */
function worstPoint(
  keep: readonly number[],
  t: readonly string[],
  s: readonly number[],
  u: number,
  row: (names: readonly string[], i: number) => number[],
) {
  const a = keep.map((i) => row(t, i));
  const b = leastSquares(
    a,
    keep.map((i) => s[i]!),
  );
  const e = keep.map((i, n) => s[i]! - a[n]!.reduce((sum, v, j) => sum + v * b.x[j]!, 0));
  const sum = e.reduce((q2, v) => q2 + v * v, 0);
  const nu = keep.length - t.length - 1;
  let worst: { i: number; t: number; d: number } | null = null;
  keep.forEach((i, n) => {
    const free = 1 - leverage(a[n]!, b.covariance);
    if (free <= 0.05) return;
    const s2 = Math.max(0, sum - e[n]! ** 2 / free);
    const sigma = Math.sqrt(Math.max(u * u, (nu0 * u * u + s2) / (nu0 + nu)));
    const ti = e[n]! / (sigma * Math.sqrt(free));
    if (!worst || Math.abs(ti) > Math.abs(worst.t)) worst = { i, t: ti, d: e[n]! / free };
  });
  return worst as { i: number; t: number; d: number } | null;
}

/** The surface that the readings lie on, with those left out that stick out of it. */
function fitWithoutBumps(
  points: readonly StepReading[],
  centre: Pt,
  halfWMm: number,
  halfHMm: number,
  limits: { uMm: number; lowMm: number; highMm: number } = {
    uMm: uStepMm.value,
    lowMm: tolLowMm.value,
    highMm: tolHighMm.value,
  },
) {
  if (points.length < 3) throw new CoreInputError('step readings', points.length, 'at least 3');
  const u = limits.uMm;
  const x = points.map((p) => (p.at[0] - centre[0]) / halfWMm);
  const y = points.map((p) => (centre[1] - p.at[1]) / halfHMm);
  const s = points.map((p) => requireIn(`step at ${p.id}`, p.stepMm, -3, 3, 'mm'));
  const row = (names: readonly string[], i: number) => names.map((t) => term[t]!(x[i]!, y[i]!));
  const all = points.map((_, i) => i);
  const set =
    termSets.find((t) => points.length >= t.least && conditionRatio(all.map((i) => row(t.terms, i))) > 1e-6) ??
    termSets[2]!;
  const names = set.terms;
  const k = names.length;

  let kept = all;
  const flagged: { i: number; heightMm: number }[] = [];
  const most = Math.max(1, Math.floor(points.length / 5));
  while (flagged.length < most && kept.length > k + 2) {
    const worst = worstPoint(kept, names, s, u, row);
    if (!worst || Math.abs(worst.t) <= quantile(1 - alpha / (2 * kept.length), nu0 + kept.length - k - 1)) break;
    if (Math.abs(worst.d) <= Math.max(minBumpMm, 2 * u)) break;
    flagged.push({ i: worst.i, heightMm: worst.d });
    kept = kept.filter((i) => i !== worst.i);
  }
  const fit = leastSquares(
    kept.map((i) => row(names, i)),
    kept.map((i) => s[i]!),
  );
  const predict = (i: number) => row(names, i).reduce((sum, v, j) => sum + v * fit.x[j]!, 0);
  const ssr = kept.reduce((sum, i) => sum + (s[i]! - predict(i)) ** 2, 0);
  const coef = Object.fromEntries(names.map((t, j) => [t, fit.x[j]!]));
  const se = Object.fromEntries(names.map((t, j) => [t, u * Math.sqrt(fit.covariance.get(j, j))]));
  return { all, row, names, s, k, u, fit, coef, se, flagged, predict, ssr, kept };
}

/**
 * Flushness of a cover from step readings: tilt, twist and bow by least squares; local bumps by deletion residuals
 * (published: Cook & Weisberg 1982, Bonferroni; variance moderation after Smyth 2004); pass, fail or undecided with a
 * guard band (published: ISO 14253-1, JCGM 106:2012).
 */
export function flushness(
  points: readonly StepReading[],
  centre: Pt,
  halfWMm: number,
  halfHMm: number,
  limits: { uMm: number; lowMm: number; highMm: number } = {
    uMm: uStepMm.value,
    lowMm: tolLowMm.value,
    highMm: tolHighMm.value,
  },
): Flushness {
  const { all, row, names, s, k, u, fit, coef, se, flagged, predict, ssr, kept } = fitWithoutBumps(
    points,
    centre,
    halfWMm,
    halfHMm,
    limits,
  );

  const full = leastSquares(
    all.map((i) => row(names, i)),
    s,
  );
  const q = quantile(1 - alpha / (2 * points.length), nu0 + points.length - k - 1);
  const smallestBumpMm = all.map((i) => {
    const free = 1 - leverage(row(names, i), full.covariance);
    return free <= 0.05 || points.length <= k + 2 ? null : Math.max((q * u) / Math.sqrt(free), minBumpMm, 2 * u);
  });

  // found in nine of ten: the threshold, 1.28 standard uncertainties of a deletion residual more, and less reaches a point
  // from the middle between two
  const nearest = points.map((p, i) =>
    Math.min(...points.map((o, j) => (i === j ? Infinity : Math.hypot(p.at[0] - o.at[0], p.at[1] - o.at[1])))),
  );
  const halfway = Math.max(...nearest) / 2 / bumpReachMm.value;
  const reaches = Math.exp(-halfway) * (Math.cos(halfway) + Math.sin(halfway));
  const atPoint = all.map((i) => {
    const least = smallestBumpMm[i];
    const free = 1 - leverage(row(names, i), full.covariance);
    return least == null ? null : least + (1.2816 * u) / Math.sqrt(free);
  });
  const worst = atPoint.reduce<number | null>((m, v) => (m === null || v === null ? null : Math.max(m, v)), 0);
  const foundMm = worst === null || reaches < 0.05 ? null : worst / reaches;

  const g = guardFactor * u;
  const { lowMm: lo, highMm: hi } = limits;
  const status = s.map<PointStatus>((v) =>
    v >= lo + g && v <= hi - g ? 'pass' : v < lo - g || v > hi + g ? 'fail' : 'undecided',
  );
  const verdict: PointStatus = status.includes('fail') ? 'fail' : status.includes('undecided') ? 'undecided' : 'pass';
  const cdf = (v: number) => jStat.normal.cdf(v, 0, 1);
  const edgeMeansMm = edgeMeans(names, fit.x);
  const highEdge = (Object.entries(edgeMeansMm) as [keyof typeof edgeMeansMm, number][]).reduce((a, b) =>
    b[1] > a[1] ? b : a,
  )[0];
  const xy = coef.XY ?? 0;
  const rocks =
    Math.abs(xy) > 2 * (se.XY ?? Infinity) && Math.abs(xy) > 0.01
      ? xy > 0
        ? 'topRight-bottomLeft'
        : 'topLeft-bottomRight'
      : null;
  const bumps = flagged.map(({ i }) => ({ id: points[i]!.id, heightMm: s[i]! - predict(i) }));
  return {
    verdict,
    status,
    pConform: s.map((v) => cdf((hi - v) / u) - cdf((lo - v) / u)),
    guardBandMm: g,
    terms: names,
    coef,
    se,
    rmsMm: Math.sqrt(ssr / Math.max(1, kept.length - k)),
    bumps,
    smallestBumpMm,
    foundMm,
    highEdge,
    edgeMeansMm,
    rocks,
    action: chooseAction(),
  };

  function chooseAction(): FlushAction {
    if (bumps.some((b) => b.heightMm > 0)) return 'clearDebris';
    if (bumps.length) return 'remeasureLow';
    if (verdict === 'pass') return 'accept';
    if (verdict === 'undecided') return 'remeasureFiner';
    if (rocks) return 'twist';
    const tilt = Math.max(Math.abs(coef.X ?? 0), Math.abs(coef.Y ?? 0));
    if (tilt > 2 * Math.max(se.X ?? 0, se.Y ?? 0) && edgeMeansMm[highEdge] > hi - g) return 'clampHighEdge';
    const means = Object.values(edgeMeansMm);
    if (Math.max(...means) > hi) return 'standsProud';
    if (Math.min(...means) < lo) return 'sitsLow';
    return 'reclamp';
  }
}

/** A bump lifts the glass beside it: decay length of 0.8 mm glass on its ring, mm. */
export const bumpReachMm = judgement(15, 'beam on an elastic bed, 0.8 mm glass on foam tape');

const quantile = (p: number, dof: number) => jStat.studentt.inv(p, dof);

function leverage(row: number[], covariance: { get(i: number, j: number): number }): number {
  let h = 0;
  row.forEach((a, i) => row.forEach((b, j) => (h += a * b * covariance.get(i, j))));
  return h;
}

/** Mean of the fitted surface along each edge, trapezoid rule. */
function edgeMeans(names: string[], x: number[]): Flushness['edgeMeansMm'] {
  const at = (px: number, py: number) => names.reduce((sum, t, j) => sum + x[j]! * term[t]!(px, py), 0);
  const mean = (f: (v: number) => number) => {
    const n = 40;
    let sum = 0;
    for (let i = 0; i <= n; i++) sum += f(-1 + (2 * i) / n) * (i === 0 || i === n ? 0.5 : 1);
    return sum / n;
  };
  return {
    right: mean((v) => at(1, v)),
    left: mean((v) => at(-1, v)),
    top: mean((v) => at(v, 1)),
    bottom: mean((v) => at(v, -1)),
  };
}
