import { CoreInputError, requireIn } from '../errors';
import { fitCurve } from '../numeric/fitCurve';
import { goldenMinimum, lineFit } from '../numeric/minimum';
import { judgement, memory } from '../source';
import { equivalentChannel, type Channel } from './channel';

export const airPressurePa = memory(101325, 'standard atmosphere');
export const sealFigures = {
  uVolumeShare: judgement(0.2, 'free volume that is only estimated'),
  channelMm: judgement(2, 'length of a leak path: the width of the ring'),
  freeShare: judgement(0.06, 'free share of a phone’s outer volume, 0.03 to 0.10'),
  mostPa: judgement(2000, 'difference on an open-cell bond; 5 kPa otherwise'),
};

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
 */
export function fitDecay(t: readonly number[], p: readonly number[], fixInf?: number): ExpFit {
  const n = t.length;
  const need = fixInf === undefined ? 5 : 4;
  if (n < need) throw new CoreInputError('readings', n, `at least ${need}`);
  const t0 = t[0]!;
  const span = t[n - 1]! - t0;
  const steps = t.slice(1).map((v, i) => v - t[i]!);
  const dt = Math.min(...steps);
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

/**
 * A device that cools while it is held: with m = p/T, dm/dt = −(1/τ)(p − pAmb)/T (ideal gas). m against the running integral
 * has the slope −1/τ. An exponential through p T0/T gives a wrong answer and is not used.
 */
export function coolingRate(
  t: readonly number[],
  pAbs: readonly number[],
  gasK: readonly number[],
  pAmb: number,
): { rate: number; seRate: number } {
  if (t.length < 4) throw new CoreInputError('readings', t.length, 'at least 4');
  const m = pAbs.map((p, i) => p / gasK[i]!);
  const f = pAbs.map((p, i) => (p - pAmb) / gasK[i]!);
  let sum = 0;
  const integral = f.map((v, i) => (i ? (sum += 0.5 * (v + f[i - 1]!) * (t[i]! - t[i - 1]!)) : 0));
  const { b, seB } = lineFit(integral, m);
  return { rate: -b, seRate: seB };
}

export interface SealInput {
  t: readonly number[];
  /** difference to the room, Pa */
  p: readonly number[];
  /** temperature of the air inside, K, at each reading: then the device may cool */
  gasK?: readonly number[] | undefined;
  volumeM3: number;
  uVolumeShare?: number;
  /** difference at which the leak is told, Pa; negative for a vacuum */
  atPa: number;
  /** the shop's own limit, Pa m³/s */
  limit?: number | undefined;
}

export interface SealResult {
  method: 'free end' | 'fixed end' | 'cooling' | 'two readings';
  tauS: number | null;
  seTauS: number;
  fit: ExpFit | null;
  /** leak at `atPa` and its standard uncertainty, Pa m³/s */
  leak: number;
  uLeak: number;
  channel: Channel | null;
  verdict: 'below' | 'above' | 'undecided' | null;
}

const coverage = 2;

/** Leak of a device from the decay of a small pressure difference: V dp/dt = −C (p − pAmb), leak = C × difference. */
export function sealDecay(input: SealInput): SealResult {
  const { t, p } = input;
  if (t.length !== p.length) throw new CoreInputError('pressure', p.length, `${t.length} readings, one for each time`);
  requireIn('free volume', input.volumeM3, 1e-8, 1e-2, 'm³');
  p.forEach((v, i) => requireIn(`pressure at ${t[i]} s`, v, -50_000, 50_000, 'Pa'));
  let rate: number;
  let uRate: number;
  let fit: ExpFit | null = null;
  let method: SealResult['method'];
  if (input.gasK) {
    const abs = p.map((v) => v + airPressurePa.value);
    const c = coolingRate(t, abs, input.gasK, airPressurePa.value);
    [rate, uRate, method] = [c.rate, c.seRate, 'cooling'];
  } else {
    const span = t[t.length - 1]! - t[0]!;
    fit = fitDecay(t, p);
    method = 'free end';
    // in a short record the end and the time constant cannot be told apart: then the end is the room
    if (fit.tau > 2 * span || fit.seTau > 0.3 * fit.tau || fit.tau <= 0) {
      fit = fitDecay(t, p, 0);
      method = 'fixed end';
    }
    rate = 1 / fit.tau;
    uRate = fit.seTau / fit.tau ** 2;
  }
  return {
    method,
    tauS: rate > 0 ? 1 / rate : null,
    seTauS: rate > 0 ? uRate / rate ** 2 : 0,
    fit,
    ...leakOf(rate, uRate, input),
  };
}

/** Leak of a free volume that loses its difference at a rate, 1/s, with the uncertainty of both. */
function leakOf(
  rate: number,
  uRate: number,
  input: Pick<SealInput, 'volumeM3' | 'uVolumeShare' | 'atPa' | 'limit'>,
): Pick<SealResult, 'leak' | 'uLeak' | 'channel' | 'verdict'> {
  const c = input.volumeM3 * rate;
  const uC = Math.hypot(input.volumeM3 * uRate, c * (input.uVolumeShare ?? sealFigures.uVolumeShare.value));
  const leak = c * Math.abs(input.atPa);
  const uLeak = uC * Math.abs(input.atPa);
  const amb = airPressurePa.value;
  const [p1, p2] = input.atPa > 0 ? [amb + input.atPa, amb] : [amb, amb + input.atPa];
  const lim = input.limit;
  return {
    leak,
    uLeak,
    channel: leak > 0 ? equivalentChannel(leak, sealFigures.channelMm.value * 1e-3, p1, p2) : null,
    verdict:
      lim === undefined
        ? null
        : leak + coverage * uLeak <= lim
          ? 'below'
          : leak - coverage * uLeak >= lim
            ? 'above'
            : 'undecided',
  };
}

/** The same from two readings of a hold: time constant and its standard uncertainty are known. */
export const leakFromTau = (
  tauS: number,
  uTauS: number,
  input: Pick<SealInput, 'volumeM3' | 'uVolumeShare' | 'atPa' | 'limit'>,
): SealResult => ({
  method: 'two readings',
  tauS,
  seTauS: uTauS,
  fit: null,
  ...leakOf(1 / tauS, uTauS / tauS ** 2, input),
});
