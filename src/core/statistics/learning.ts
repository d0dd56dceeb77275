import { jStat } from 'jstat';

import { CoreInputError } from '../errors';

/** T_n = T1 n^b (Wright 1936, published); the rate is what a doubling leaves of the time. */
export interface LearningCurve {
  t1: number;
  b: number;
  rate: number;
  /** 95 % interval of the rate from the fit's residuals; null with fewer than four */
  rateLow: number | null;
  rateHigh: number | null;
  n: number;
  /** residual standard deviation of the logarithms, and where and how far the logarithms of the counts lie; null as above */
  fit: { s: number; meanLn: number; sxx: number } | null;
}

/**
 * Least squares on the logarithms. @param times of the first, second … job; at least two, all above 0
 * @throws CoreInputError for times
 */
export function wrightFit(times: readonly number[]): LearningCurve {
  if (times.length < 2 || times.some((t) => !(t > 0)))
    throw new CoreInputError('times', times.length, 'at least two, all above 0');
  const x = times.map((_, i) => Math.log(i + 1));
  const y = times.map((t) => Math.log(t));
  const n = times.length;
  const mx = x.reduce((a, b) => a + b, 0) / n;
  const my = y.reduce((a, b) => a + b, 0) / n;
  const sxx = x.reduce((a, v) => a + (v - mx) ** 2, 0);
  const b = x.reduce((a, v, i) => a + (v - mx) * (y[i]! - my), 0) / sxx;
  const a = my - b * mx;
  let rateLow: number | null = null;
  let rateHigh: number | null = null;
  let fit: LearningCurve['fit'] = null;
  if (n >= 4) {
    const rss = y.reduce((s, v, i) => s + (v - a - b * x[i]!) ** 2, 0);
    fit = { s: Math.sqrt(rss / (n - 2)), meanLn: mx, sxx };
    const half = jStat.studentt.inv(0.975, n - 2) * (fit.s / Math.sqrt(sxx));
    rateLow = 2 ** (b - half);
    rateHigh = 2 ** (b + half);
  }
  return { t1: Math.exp(a), b, rate: 2 ** b, rateLow, rateHigh, n, fit };
}

/** Minutes of the n-th job on a learning curve, n from 1 (Wright 1936). */
export const wrightAt = (c: Pick<LearningCurve, 't1' | 'b'>, n: number): number => c.t1 * n ** c.b;

/**
 * Where the curve itself lies in 19 of 20 such fits at the n-th job: mean response of a straight line through the
 * logarithms (textbook least squares: s √(1/n + (x − x̄)²/Sxx), Student t). @returns null with fewer than four times
 */
export function wrightRange(c: LearningCurve, n: number): { low: number; high: number } | null {
  if (!c.fit) return null;
  const { s, meanLn, sxx } = c.fit;
  const half = jStat.studentt.inv(0.975, c.n - 2) * s * Math.sqrt(1 / c.n + (Math.log(n) - meanLn) ** 2 / sxx);
  const mean = wrightAt(c, n);
  return { low: mean * Math.exp(-half), high: mean * Math.exp(half) };
}
