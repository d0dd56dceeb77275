import { jStat } from 'jstat';

import { requireIn } from '../errors';
import { judgement } from '../source';

/** A duration whose logarithm is normal: what work at a bench takes. */
export interface LogNormal {
  /** mean and standard deviation of the natural logarithm of seconds */
  mu: number;
  sigma: number;
}

const z = (q: number): number => jStat.normal.inv(q, 0, 1);
const phi = (x: number): number => jStat.normal.cdf(x, 0, 1);

/** Log-normal duration with these two quantiles, s. */
export const fromQuantiles = (p50S: number, p90S: number): LogNormal => ({
  mu: Math.log(p50S),
  sigma: Math.log(p90S / p50S) / z(0.9),
});

/** @internal for checks */
export const quantileS = (d: LogNormal, q: number): number => Math.exp(d.mu + d.sigma * z(q));

/** standard deviations beyond which the normal tail is too small for its table */
const farTail = 6;

/** What is still to be expected of work that has taken `elapsedS` and is not done (truncated lognormal, analytic). */
export function remainingS(d: LogNormal, elapsedS: number): number {
  if (elapsedS <= 0) return Math.exp(d.mu + d.sigma ** 2 / 2);
  const at = (Math.log(elapsedS) - d.mu) / d.sigma;
  // so far out that no tail is left to integrate: its hazard there says what is still to be expected
  if (at > farTail) return (elapsedS * d.sigma) / at;
  return (Math.exp(d.mu + d.sigma ** 2 / 2) * phi(d.sigma - at)) / phi(-at) - elapsedS;
}

/** What is believed of the logarithm of a duration: normal-inverse-gamma (Gelman et al., Bayesian Data Analysis, published). */
export interface Belief {
  mu: number;
  kappa: number;
  alpha: number;
  beta: number;
}

export const durationFigures = {
  mostKappa: judgement(5, 'a parent’s mean counts as at most so many of the child’s own durations'),
  mostAlpha: judgement(4, 'and its spread as at most so many half durations'),
};

/**
 * Takes in durations, s. Work that was broken off is no duration: leave it out.
 * @throws CoreInputError that names duration when out of range
 */
export function learn(b: Belief, durationsS: readonly number[]): Belief {
  const n = durationsS.length;
  if (!n) return b;
  const y = durationsS.map((d) => Math.log(requireIn('duration', d, 1e-3, 1e7, 's')));
  const mean = y.reduce((s, v) => s + v, 0) / n;
  const ss = y.reduce((s, v) => s + (v - mean) ** 2, 0);
  const kappa = b.kappa + n;
  return {
    mu: (b.kappa * b.mu + n * mean) / kappa,
    kappa,
    alpha: b.alpha + n / 2,
    beta: b.beta + ss / 2 + (b.kappa * n * (mean - b.mu) ** 2) / (2 * kappa),
  };
}

/** A quantile of the next duration, s (Student t on the logarithm). */
export const predictedS = (b: Belief, q: number): number =>
  Math.exp(b.mu + jStat.studentt.inv(q, 2 * b.alpha) * Math.sqrt((b.beta * (b.kappa + 1)) / (b.alpha * b.kappa)));

/** What a class believes, as a beginning for one person in it: not more weight than a few durations, the spread kept. */
export function asPrior(b: Belief): Belief {
  const alpha = Math.min(b.alpha, durationFigures.mostAlpha.value);
  return {
    mu: b.mu,
    kappa: Math.min(b.kappa, durationFigures.mostKappa.value),
    alpha,
    beta: (b.beta / b.alpha) * alpha,
  };
}
