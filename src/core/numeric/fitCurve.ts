import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { inverse, Matrix } from 'ml-matrix';

export interface CurveFit {
  params: number[];
  /** standard errors, and the scatter of a reading */
  se: number[];
  s: number;
}

interface Curve {
  values: number[];
  /** by reading, then by parameter */
  derivatives: number[][];
}

const stepsPerRound = 12;
const mostRounds = 30;

/**
 * Least squares of a curve with a few parameters by Levenberg-Marquardt (ml-levenberg-marquardt), on parameters scaled so that
 * the derivatives by each have length 1 at the start: they may differ by many powers of ten.
 * @param start parameters to begin from, in their own units
 * @param curve values of the curve at all readings and their derivatives by each parameter
 * @returns parameters, their standard errors from the covariance at the end, and the scatter of a reading, in the unit of `y`
 * @throws RangeError when the curve has fewer readings than parameters
 */
export function fitCurve(
  y: readonly number[],
  start: readonly number[],
  curve: (params: readonly number[]) => Curve,
): CurveFit {
  if (y.length < start.length) throw new RangeError(`${y.length} readings cannot tell ${start.length} parameters`);
  const size = sizes(curve(start).derivatives);
  const own = (scaled: readonly number[]) => scaled.map((v, m) => v / size[m]!);
  // the package asks reading by reading, the curve answers for all at once
  let last: { at: readonly number[]; curve: Curve } | null = null;
  const at = (scaled: readonly number[]): Curve => {
    const known = last?.at;
    if (!last || !known || scaled.some((v, m) => v !== known[m])) last = { at: [...scaled], curve: curve(own(scaled)) };
    return last.curve;
  };
  const round = (from: readonly number[]) =>
    levenbergMarquardt({ x: y.map((_, k) => k), y }, (p) => (k) => at(p).values[k]!, {
      initialValues: [...from],
      jacobianFunction: (p) => (k) => at(p).derivatives[k]!.map((d, m) => d / size[m]!),
      damping: 1e-3,
      dampingStepUp: 10,
      dampingStepDown: 10,
      improvementThreshold: 0,
      errorTolerance: 0,
      maxIterations: stepsPerRound,
    }).parameterValues;
  // the package stops by the sum of squares alone: here it stops when the parameters stand still
  let scaled = start.map((v, m) => v * size[m]!);
  for (let i = 0; i < mostRounds; i++) {
    const next = round(scaled);
    const still = next.every((v, m) => Math.abs(v - scaled[m]!) <= 1e-13 * Math.abs(v));
    scaled = next;
    if (still) break;
  }
  const params = own(scaled);
  const here = curve(params);
  const length = sizes(here.derivatives);
  const a = new Matrix(here.derivatives.map((row) => row.map((v, m) => v / length[m]!)));
  const s2 = here.values.reduce((t, v, k) => t + (y[k]! - v) ** 2, 0) / Math.max(1, y.length - params.length);
  const cov = inverse(a.transpose().mmul(a), true);
  return {
    params,
    se: params.map((_, m) => Math.sqrt(Math.max(0, cov.get(m, m) * s2)) / length[m]!),
    s: Math.sqrt(s2),
  };
}

/** Length of the derivatives by each parameter over all readings; 1 where the curve does not depend on it. */
const sizes = (d: readonly (readonly number[])[]): number[] =>
  d[0]!.map((_, m) => Math.hypot(...d.map((row) => row[m]!)) || 1);
