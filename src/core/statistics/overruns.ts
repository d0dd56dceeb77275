import { jStat } from 'jstat';

import { wilson } from './rates';

/** How a step runs against its plan. */
export interface Overrun {
  n: number;
  /** geometric mean of actual over planned, with its 95 % t interval on the logarithm */
  ratio: number;
  low: number;
  high: number;
  /** share over plan, Wilson */
  over: { share: number; low: number; high: number };
  /** minutes lost beyond the plan, all together */
  lostS: number;
  /** two-sided p that the mean ratio is 1 */
  p: number;
}

/** @param rows at least one, all above 0 s. @returns null for none */
export function overrunOf(rows: readonly { plannedS: number; workS: number }[]): Overrun | null {
  const use = rows.filter((r) => r.plannedS > 0 && r.workS > 0);
  const n = use.length;
  if (!n) return null;
  const y = use.map((r) => Math.log(r.workS / r.plannedS));
  const mean = y.reduce((a, b) => a + b, 0) / n;
  const k = use.filter((r) => r.workS > r.plannedS).length;
  const over = { share: k / n, ...wilson(k, n) };
  const lostS = use.reduce((s, r) => s + Math.max(0, r.workS - r.plannedS), 0);
  if (n < 2) return { n, ratio: Math.exp(mean), low: 0, high: Infinity, over, lostS, p: 1 };
  const se = Math.sqrt(y.reduce((s, v) => s + (v - mean) ** 2, 0) / (n - 1) / n);
  const half = jStat.studentt.inv(0.975, n - 1) * se;
  const p = se > 0 ? 2 * (1 - jStat.studentt.cdf(Math.abs(mean) / se, n - 1)) : mean === 0 ? 1 : 0;
  return { n, ratio: Math.exp(mean), low: Math.exp(mean - half), high: Math.exp(mean + half), over, lostS, p };
}

/** Which of several tests stand when a tenth of those that are named may be wrong (Benjamini & Hochberg 1995, published). */
export function standing(ps: readonly number[], q = 0.1): boolean[] {
  const order = ps.map((p, i) => ({ p, i })).sort((a, b) => a.p - b.p);
  let last = -1;
  order.forEach((o, k) => {
    if (o.p <= ((k + 1) / ps.length) * q) last = k;
  });
  const out = ps.map(() => false);
  for (let k = 0; k <= last; k++) out[order[k]!.i] = true;
  return out;
}
