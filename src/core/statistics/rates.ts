import { jStat } from 'jstat';

import { CoreInputError, requireIn } from '../errors';

/**
 * Interval of a share by Wilson 1927 (published). @param z 1.959964 for 95 %
 * @throws CoreInputError that names cases, hits when out of range
 */
export function wilson(k: number, n: number, z = 1.959963985): { low: number; high: number } {
  requireIn('cases', n, 1, 1e9);
  requireIn('hits', k, 0, n);
  const p = k / n;
  const mid = (p + (z * z) / (2 * n)) / (1 + (z * z) / n);
  const half = (z / (1 + (z * z) / n)) * Math.sqrt((p * (1 - p)) / n + (z * z) / (4 * n * n));
  return { low: Math.max(0, mid - half), high: Math.min(1, mid + half) };
}

/**
 * Paired changes (McNemar 1947, published; exact and mid-p after Fagerland, Lydersen & Laake 2013).
 * @param b worked before and fails after, @param c the other way round
 * @throws CoreInputError for changes
 */
export function mcnemar(b: number, c: number): { chi2: number; pExact: number; pMid: number } {
  const n = b + c;
  if (!Number.isInteger(b) || !Number.isInteger(c) || b < 0 || c < 0)
    throw new CoreInputError('changes', `${b} and ${c}`, 'whole numbers from 0');
  if (!n) return { chi2: 0, pExact: 1, pMid: 1 };
  const k = Math.min(b, c);
  // in logarithms: 2^−n is nothing for a machine from some thousand changes on
  const lnHalf = n * Math.LN2;
  const lnPmf = (i: number) => lnChoose(n, i) - lnHalf;
  const pmf = Math.exp(lnPmf(k));
  let cdf = 0;
  // terms fall off quickly below k
  for (let i = k; i >= 0; i--) {
    const term = Math.exp(lnPmf(i));
    cdf += term;
    if (term < 1e-18 * cdf) break;
  }
  const exact = Math.min(1, 2 * cdf);
  return { chi2: (b - c) ** 2 / n, pExact: exact, pMid: b === c ? 1 - pmf / 2 : exact - pmf };
}

const lnChoose = (n: number, k: number) => jStat.gammaln(n + 1) - jStat.gammaln(k + 1) - jStat.gammaln(n - k + 1);

/**
 * Limits of a chart of shares, one for each sample (Montgomery, published).
 * @throws CoreInputError that names sizes when out of range
 */
export function pChart(
  defects: readonly number[],
  sizes: readonly number[],
): { mean: number; limits: { low: number; high: number }[] } {
  const all = sizes.reduce((a, b) => a + b, 0);
  requireIn('sizes', all, 1, 1e9);
  const mean = defects.reduce((a, b) => a + b, 0) / all;
  return {
    mean,
    limits: sizes.map((n) => {
      const w = 3 * Math.sqrt((mean * (1 - mean)) / n);
      return { low: Math.max(0, mean - w), high: Math.min(1, mean + w) };
    }),
  };
}

export interface Cusum {
  /** height after each job */
  path: number[];
  /** jobs, counted from 0, at which it signals; it starts again from nothing there */
  signals: number[];
}

/** Weights of a job-by-job watch on a share: usual against too high (Steiner et al. 2000, published). */
const weights = (p0: number, p1: number) => {
  requireIn('usual share', p0, 1e-6, 0.999);
  requireIn('share that is too high', p1, p0 + 1e-9, 0.9999);
  return { bad: Math.log(p1 / p0), good: Math.log((1 - p1) / (1 - p0)) };
};

/** Watches come-backs job by job: with few jobs a chart of shares sees nothing. */
export function bernoulliCusum(badOnes: readonly boolean[], p0: number, p1: number, h: number): Cusum {
  const w = weights(p0, p1);
  let s = 0;
  const path: number[] = [];
  const signals: number[] = [];
  badOnes.forEach((bad, i) => {
    s = Math.max(0, s + (bad ? w.bad : w.good));
    path.push(s);
    if (s >= h) {
      signals.push(i);
      s = 0;
    }
  });
  return { path, signals };
}

/**
 * Jobs until that watch signals, on average, at a true share p: one step down for every good job, k up for a bad one; the
 * chain's mean times solved from the top down.
 */
export function bernoulliCusumRun(p0: number, p1: number, h: number, p: number): number {
  const w = weights(p0, p1);
  const up = Math.round(w.bad / Math.abs(w.good));
  const top = Math.ceil(h / Math.abs(w.good));
  // L(s) = 1 + p L(s + up) + (1 − p) L(max(0, s − 1)), L = 0 from the top on: linear in L(0), so one sweep upward is enough
  // L(s) = a_s + b_s L(s − 1); from the highest state down
  const high = (s: number, at: { a: number; b: number }[]) => at[s] ?? { a: 0, b: 0 };
  const chain: { a: number; b: number }[] = new Array<{ a: number; b: number }>(top);
  for (let s = top - 1; s >= 1; s--) {
    // L(s + up) by walking up from s: L(s + 1) = a + b L(s) …
    let [ua, ub] = [0, 1];
    let inside = s + up < top;
    for (let k = s + 1; k <= s + up && inside; k++) {
      const next = high(k, chain);
      [ua, ub] = [next.a + next.b * ua, next.b * ub];
      if (k >= top) inside = false;
    }
    const [ca, cb] = inside ? [ua, ub] : [0, 0];
    const den = 1 - p * cb;
    chain[s] = { a: (1 + p * ca) / den, b: (1 - p) / den };
  }
  // at the bottom a good job stays: L(0) = 1 + p L(up) + (1 − p) L(0)
  let [ua, ub] = [0, 1];
  const inside = up < top;
  for (let k = 1; k <= up && inside; k++) [ua, ub] = [chain[k]!.a + chain[k]!.b * ua, chain[k]!.b * ub];
  return inside ? (1 + p * ua) / (p - p * ub) : 1 / p;
}
