import { inverse, Matrix, solve } from 'ml-matrix';

export interface CurveFit {
  params: number[];
  /** standard errors, and the scatter of a reading */
  se: number[];
  s: number;
}

/**
 * Least squares of a curve with a few parameters by Levenberg-Marquardt with scaled columns (textbook).
 * @param curve values of the curve at all readings and their derivatives by each parameter
 */
export function fitCurve(
  y: readonly number[],
  start: readonly number[],
  curve: (params: readonly number[]) => { values: number[]; derivatives: number[][] },
): CurveFit {
  const sum = (values: readonly number[]) => values.reduce((s, v, i) => s + (y[i]! - v) ** 2, 0);
  let q = [...start];
  let here = curve(q);
  let damping = 1e-3;
  /** columns of the derivatives at length 1, and those lengths: parameters may differ by many powers of ten */
  const scaled = (d: number[][]) => {
    const size = q.map((_, m) => Math.hypot(...d.map((row) => row[m]!)) || 1);
    return { a: new Matrix(d.map((row) => row.map((v, m) => v / size[m]!))), size };
  };
  for (let i = 0; i < 400 && damping < 1e12; i++) {
    const { a, size } = scaled(here.derivatives);
    const r = Matrix.columnVector(here.values.map((v, k) => y[k]! - v));
    const normal = a.transpose().mmul(a).add(Matrix.eye(q.length).mul(damping));
    const step = solve(normal, a.transpose().mmul(r))
      .to1DArray()
      .map((v, m) => v / size[m]!);
    const to = q.map((v, m) => v + step[m]!);
    const next = curve(to);
    if (!(sum(next.values) <= sum(here.values))) {
      damping *= 10;
      continue;
    }
    const still = step.every((v, m) => Math.abs(v) <= 1e-12 * Math.max(1e-12, Math.abs(q[m]!)));
    q = to;
    here = next;
    damping /= 10;
    if (still) break;
  }
  const { a, size } = scaled(here.derivatives);
  const s2 = sum(here.values) / Math.max(1, y.length - q.length);
  const cov = inverse(a.transpose().mmul(a), true);
  return {
    params: q,
    se: q.map((_, m) => Math.sqrt(Math.max(0, cov.get(m, m) * s2)) / size[m]!),
    s: Math.sqrt(s2),
  };
}
