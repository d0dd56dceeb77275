import { CoreInputError } from '../errors';
import { fitCurve } from '../numeric/fitCurve';
import { goldenMinimum, lineFit } from '../numeric/minimum';
import { smallest } from '../numeric/ends';

export interface ExpFit {
  /** end of the decay and its size at the first reading, Pa */
  pInf: number;
  dp0: number;
  tau: number;
  seInf: number;
  seTau: number;
  /** scatter of a reading, Pa */
  s: number;
}

/**
 * p = pInf + dp0 exp(−(t − t0)/τ) by least squares: the linear part is solved for every τ of a grid (variable projection),
 * the best is polished by Gauss-Newton. The engine is checked
 * against NIST StRD Misra1a and BoxBOD, saturating exponentials.
 * @param fixInf end that is known, Pa; free when it is not said
 * @throws CoreInputError for readings; CoreInputError for time
 */
export function fitDecay(t: readonly number[], p: readonly number[], fixInf?: number): ExpFit {
  const n = t.length;
  const need = fixInf === undefined ? 5 : 4;
  if (n < need) throw new CoreInputError('readings', n, `at least ${need}`);
  const t0 = t[0]!;
  const span = t[n - 1]! - t0;
  const steps = t.slice(1).map((v, i) => v - t[i]!);
  const dt = smallest(steps);
  if (!(dt > 0)) throw new CoreInputError('time', 'not rising', 'instants that rise from line to line');
  const linear = (tau: number): { a: number; b: number; ssr: number } => {
    const e = t.map((v) => Math.exp(-(v - t0) / tau));
    if (fixInf === undefined) return lineFit(e, p);
    const b = e.reduce((s, v, i) => s + v * (p[i]! - fixInf), 0) / e.reduce((s, v) => s + v * v, 0);
    return { a: fixInf, b, ssr: e.reduce((s, v, i) => s + (p[i]! - fixInf - b * v) ** 2, 0) };
  };
  const grid = Array.from({ length: 240 }, (_, i) =>
    Math.exp(Math.log(0.3 * dt) + (i / 239) * (Math.log(300 * span) - Math.log(0.3 * dt))),
  );
  const ssr = grid.map((g) => linear(g).ssr);
  const best = ssr.indexOf(Math.min(...ssr));
  const first = Math.exp(
    goldenMinimum(
      (l) => linear(Math.exp(l)).ssr,
      Math.log(grid[Math.max(0, best - 1)]!),
      Math.log(grid[Math.min(239, best + 1)]!),
    ),
  );
  const { a, b } = linear(first);
  const free = fixInf === undefined;
  const fit = fitCurve(p, free ? [a, b, Math.log(first)] : [b, Math.log(first)], (q) => {
    const [end, size, l] = free ? (q as [number, number, number]) : [fixInf, q[0]!, q[1]!];
    const values: number[] = [];
    const derivatives: number[][] = [];
    for (const v of t) {
      const e = Math.exp(-(v - t0) / Math.exp(l));
      const row = [e, (size * e * (v - t0)) / Math.exp(l)];
      values.push(end + size * e);
      derivatives.push(free ? [1, ...row] : row);
    }
    return { values, derivatives };
  });
  const [pInf, dp0, l] = free ? (fit.params as [number, number, number]) : [fixInf, fit.params[0]!, fit.params[1]!];
  const tau = Math.exp(l);
  return {
    pInf,
    dp0,
    tau,
    seInf: free ? fit.se[0]! : 0,
    seTau: tau * fit.se[fit.se.length - 1]!,
    s: fit.s,
  };
}
