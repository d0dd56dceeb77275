import { inverse, Matrix, solve } from 'ml-matrix';

import { CoreInputError } from '../errors';
import type { ReducedModel } from './reduced';
import type { HeatPhase } from './trajectory';
import { Trajectory } from './trajectory';
import { largest } from '../numeric/ends';

/** A thermocouple log: seconds from laying the device on, °C. */
export interface ThermocoupleLog {
  tS: readonly number[];
  tempC: readonly number[];
}

export interface CalibrationInput {
  log: ThermocoupleLog;
  setC: number;
  ambientC: number;
  /** bond cell at the thermocouple, by its number in the modes */
  cell: number;
  /** the heater was at its setpoint when the device was laid on: then its lag leaves no trace and is not fitted */
  preheated: boolean;
  start: { conductanceWm2K: number; offsetK: number; lagS: number };
  /** when the heat began on the log's own clock, s; its first reading when it is not said */
  startS?: number;
  /** what is known beforehand, for instance the offset from a surface probe on the plate */
  prior?: Partial<Record<CalibrationParam, { mean: number; sd: number }>>;
}

export type CalibrationParam = 'conductanceWm2K' | 'offsetK' | 'lagS';
export const calibrationParams: readonly CalibrationParam[] = ['conductanceWm2K', 'offsetK', 'lagS'];

/** Box in which the figures are looked for. */
export const calibrationBox: Record<CalibrationParam, readonly [number, number]> = {
  conductanceWm2K: [30, 2000],
  offsetK: [-30, 30],
  lagS: [0.5, 300],
};

export interface Calibration {
  value: Record<CalibrationParam, number>;
  se: Record<CalibrationParam, number>;
  /** covariance, 3 × 3, row after row; zero for what was not fitted */
  covariance: number[];
  /** correlation of conductance and offset */
  correlation: number;
  residualSdK: number;
  residualsK: number[];
  fittedC: number[];
  iterations: number;
  /** a figure that stands at the end of its box: the log does not settle it */
  atEnd: CalibrationParam[];
}

/** What a log must have before it is fitted. */
export const logNeeds = { points: 20, seconds: 180, riseK: 10 };

/** @throws CoreInputError that says what is missing: points, length, rise, order of time */
export function checkLog(log: ThermocoupleLog): void {
  const n = log.tS.length;
  if (n !== log.tempC.length) throw new CoreInputError('log', n, 'one temperature for each time');
  if (n < logNeeds.points) throw new CoreInputError('log.points', n, `at least ${logNeeds.points} readings`);
  for (let i = 1; i < n; i++)
    if (!(log.tS[i]! > log.tS[i - 1]!))
      throw new CoreInputError(`log.time ${i + 1}`, log.tS[i]!, 'later than the one before');
  const span = log.tS[n - 1]! - log.tS[0]!;
  if (span < logNeeds.seconds)
    throw new CoreInputError('log.length', Math.round(span), `at least ${logNeeds.seconds} s; eight minutes are good`);
  const rise = largest(log.tempC) - log.tempC[0]!;
  if (rise < logNeeds.riseK)
    throw new CoreInputError(
      'log.rise',
      Math.round(rise * 10) / 10,
      `at least ${logNeeds.riseK} K: is the thermocouple at the bond line, and the heater on?`,
    );
}

/**
 * Conductance, offset and lag of a contact heater from a log at the bond line: Levenberg-Marquardt on the reduced model with
 * a forward-difference Jacobian, λ diag(J'J), a box, and optional priors. SE = sqrt(diag(s² (J'J)⁻¹)), s² = RSS/(n − p);
 * residuals of a real log are correlated, so they are lower bounds.
 */
export function calibrate(model: ReducedModel, input: CalibrationInput): Calibration {
  checkLog(input.log);
  return fitHeater(model, input);
}

/** The fit itself, for readings of a heat that is still going on: short, and held by priors. */
export function fitHeater(model: ReducedModel, input: CalibrationInput): Calibration {
  const { tS, tempC } = input.log;
  const names = input.preheated ? calibrationParams.slice(0, 2) : calibrationParams;
  const n = tS.length;
  const k = names.length;
  const t0 = input.startS ?? tS[0]!;
  const predict = (p: readonly number[]): number[] => {
    const v = { ...input.start, ...Object.fromEntries(names.map((name, i) => [name, p[i]!])) };
    const target = input.setC + v.offsetK;
    const phase: HeatPhase = {
      startS: 0,
      contactWm2K: v.conductanceWm2K,
      targetC: target,
      plateStartC: input.ambientC,
      lagS: input.preheated ? 0 : v.lagS,
    };
    const run = new Trajectory(model, [phase], input.ambientC, model.modes.hFreeWm2K);
    const rows = model.rows('bond').values;
    const r = model.modes.rank;
    return tS.map((t) => {
      const y = run.state(t - t0);
      let x = input.ambientC;
      for (let m = 0; m < r; m++) x += rows[input.cell * r + m]! * y[m]!;
      return x;
    });
  };
  const boxed = (p: number[]) =>
    p.map((v, i) => Math.min(calibrationBox[names[i]!][1], Math.max(calibrationBox[names[i]!][0], v)));
  const priors = names.map((name) => input.prior?.[name]);
  const rss = (r: readonly number[]) => r.reduce((m, v) => m + v * v, 0);
  const residuals = (p: readonly number[]) => predict(p).map((v, i) => v - tempC[i]!);

  let p = boxed(names.map((name) => input.start[name]));
  let r = residuals(p);
  let lam = 1e-2;
  let normal = Matrix.eye(k);
  let iterations = 0;
  const penalty = (q: readonly number[], s2: number) =>
    priors.reduce((m, pr, i) => m + (pr ? (s2 * (q[i]! - pr.mean) ** 2) / pr.sd ** 2 : 0), 0);
  for (; iterations < 40; iterations++) {
    const s2 = Math.max(1e-12, rss(r) / (n - k));
    const cost = rss(r) + penalty(p, s2);
    const J = Matrix.zeros(n, k);
    for (let c = 0; c < k; c++) {
      const [lo, hi] = calibrationBox[names[c]!];
      const step = 5e-3 * Math.max(Math.abs(p[c]!), (hi - lo) * 2e-2);
      const q = [...p];
      q[c] = p[c]! + step <= hi ? p[c]! + step : p[c]! - step;
      const moved = residuals(q);
      for (let i = 0; i < n; i++) J.set(i, c, (moved[i]! - r[i]!) / (q[c]! - p[c]!));
    }
    const A = J.transpose().mmul(J);
    const g = J.transpose().mmul(Matrix.columnVector(r));
    priors.forEach((pr, c) => {
      if (!pr) return;
      A.set(c, c, A.get(c, c) + s2 / pr.sd ** 2);
      g.set(c, 0, g.get(c, 0) + (s2 * (p[c]! - pr.mean)) / pr.sd ** 2);
    });
    normal = A;
    let moved = false;
    let small = false;
    for (let tries = 0; tries < 9 && !moved; tries++) {
      const damped = A.clone();
      for (let c = 0; c < k; c++) damped.set(c, c, A.get(c, c) * (1 + lam));
      const d = solve(damped, g);
      const q = boxed(p.map((v, c) => v - d.get(c, 0)));
      const rq = residuals(q);
      const next = rss(rq) + penalty(q, s2);
      if (next < cost) {
        small =
          cost - next < 1e-6 * cost && q.every((v, c) => Math.abs(v - p[c]!) < 1e-4 * Math.max(1e-3, Math.abs(p[c]!)));
        p = q;
        r = rq;
        lam = Math.max(1e-8, lam / 5);
        moved = true;
      } else lam *= 5;
    }
    if (!moved || small) break;
  }
  const s2 = rss(r) / (n - k);
  const cov = inverse(normal).mul(s2);
  const covariance = new Array<number>(9).fill(0);
  names.forEach((_, i) => names.forEach((_n, j) => (covariance[i * 3 + j] = cov.get(i, j))));
  const se = (i: number) => Math.sqrt(Math.max(0, covariance[i * 4]!));
  const value = { ...input.start, ...Object.fromEntries(names.map((name, i) => [name, p[i]!])) };
  return {
    value,
    se: { conductanceWm2K: se(0), offsetK: se(1), lagS: se(2) },
    covariance,
    correlation: covariance[1]! / (se(0) * se(1)),
    residualSdK: Math.sqrt(s2),
    residualsK: r,
    fittedC: r.map((v, i) => v + tempC[i]!),
    iterations,
    atEnd: names.filter((name, i) => calibrationBox[name].some((e) => Math.abs(p[i]! - e) < 1e-6 * Math.abs(e) + 1e-9)),
  };
}

/** Bond-line temperature at an instant with the fit's own uncertainty (delta method), °C and its standard error. */
export function predictAt(
  model: ReducedModel,
  fit: Pick<Calibration, 'value' | 'covariance'>,
  input: Pick<CalibrationInput, 'setC' | 'ambientC' | 'cell' | 'preheated'>,
  tS: number,
): { meanC: number; seK: number } {
  const at = (v: Record<CalibrationParam, number>) => {
    const phase: HeatPhase = {
      startS: 0,
      contactWm2K: v.conductanceWm2K,
      targetC: input.setC + v.offsetK,
      plateStartC: input.ambientC,
      lagS: input.preheated ? 0 : v.lagS,
    };
    const y = new Trajectory(model, [phase], input.ambientC, model.modes.hFreeWm2K).state(tS);
    const rows = model.rows('bond').values;
    const r = model.modes.rank;
    let x = input.ambientC;
    for (let m = 0; m < r; m++) x += rows[input.cell * r + m]! * y[m]!;
    return x;
  };
  const mean = at(fit.value);
  const slope = calibrationParams.map((name) => {
    const step = 1e-3 * Math.max(1, Math.abs(fit.value[name]));
    return (at({ ...fit.value, [name]: fit.value[name] + step }) - mean) / step;
  });
  let s2 = 0;
  for (let i = 0; i < 3; i++) for (let j = 0; j < 3; j++) s2 += slope[i]! * slope[j]! * fit.covariance[i * 3 + j]!;
  return { meanC: mean, seK: Math.sqrt(Math.max(0, s2)) };
}
