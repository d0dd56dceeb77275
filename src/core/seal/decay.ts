import { CoreInputError, requireIn } from '../errors';
import { lineFit } from '../numeric/minimum';
import { judgement, memory } from '../source';
import { equivalentChannel, type Channel } from './channel';
import { smallest } from '../numeric/ends';
import { type ExpFit, fitDecay } from './fitDecay';

export const airPressurePa = memory(101325, 'standard atmosphere');

export const sealFigures = {
  uVolumeShare: judgement(0.2, 'free volume that is only estimated'),
  channelMm: judgement(2, 'length of a leak path: the width of the ring'),
  freeShare: judgement(0.06, 'free share of a phone’s outer volume, 0.03 to 0.10'),
  endShare: judgement(0.08, 'a hold that ends further from the room than this share of its difference is disturbed'),
  endPa: judgement(20, 'and further than this, Pa'),
  bentShare: judgement(0.01, 'residuals that run together and are larger than this share of the difference'),
  mostPa: judgement(2000, 'difference on an open-cell bond; 5 kPa otherwise'),
};

/**
 * A device that cools while it is held: with m = p/T, dm/dt = −(1/τ)(p − pAmb)/T (ideal gas). m against the running integral
 * has the slope −1/τ. An exponential through p T0/T gives a wrong answer and is not used.
 * @throws CoreInputError for readings
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
  /** air pressure of the place, Pa */
  roomPa?: number | undefined;
}

export interface SealResult {
  method: 'free end' | 'fixed end' | 'cooling' | 'two readings' | 'no loss seen';
  tauS: number | null;
  /** no loss stands out of the scatter: the time constant is longer than this, s */
  tighterThanS: number | null;
  /** the end or the residuals are not those of a leak alone: temperature, a hand, a valve */
  disturbed: boolean;
  seTauS: number;
  fit: ExpFit | null;
  /** leak at `atPa` and its standard uncertainty, Pa m³/s */
  leak: number;
  uLeak: number;
  channel: Channel | null;
  verdict: 'below' | 'above' | 'undecided' | null;
}

const coverage = 2;

/**
 * Leak of a device from the decay of a small pressure difference: V dp/dt = −C (p − pAmb), leak = C × difference.
 * @throws CoreInputError that names free volume, pressure at … s, air pressure of the place when out of range; CoreInputError for pressure; CoreInputError for time constant
 */
export function sealDecay(input: SealInput): SealResult {
  const { t, p } = input;
  if (t.length !== p.length) throw new CoreInputError('pressure', p.length, `${t.length} readings, one for each time`);
  requireIn('free volume', input.volumeM3, 1e-8, 1e-2, 'm³');
  p.forEach((v, i) => requireIn(`pressure at ${t[i]} s`, v, -50_000, 50_000, 'Pa'));
  const roomPa = requireIn('air pressure of the place', input.roomPa ?? airPressurePa.value, 50_000, 110_000, 'Pa');
  let rate: number;
  let uRate: number;
  let fit: ExpFit | null = null;
  let method: SealResult['method'];
  let disturbed = false;
  if (!input.gasK) {
    const flat = flatRate(t, p);
    if (flat !== null)
      return {
        method: 'no loss seen',
        tauS: null,
        tighterThanS: flat > 0 ? 1 / flat : null,
        disturbed: false,
        seTauS: 0,
        fit: null,
        ...boundOf(flat, input),
      };
  }
  if (input.gasK) {
    const abs = p.map((v) => v + roomPa);
    const c = coolingRate(t, abs, input.gasK, roomPa);
    [rate, uRate, method] = [c.rate, c.seRate, 'cooling'];
  } else {
    const span = t[t.length - 1]! - t[0]!;
    fit = fitDecay(t, p);
    method = 'free end';
    // in a short record the end and the time constant cannot be told apart: then the end is the room
    if (fit.tau > 2 * span || fit.seTau > 0.3 * fit.tau || fit.tau <= 0) {
      const free = fit;
      fit = fitDecay(t, p, 0);
      method = 'fixed end';
      // an end far from the room that fits clearly better is no leak alone
      const bent = free.tau > 0 && free.tau < span && free.s < 0.5 * fit.s;
      disturbed = bent || runsTooLong(t, p, fit, 0);
    } else {
      const off = Math.abs(fit.pInf);
      disturbed =
        (off > 3 * fit.seInf && off > sealFigures.endShare.value * Math.abs(fit.dp0) + sealFigures.endPa.value) ||
        runsTooLong(t, p, fit, fit.pInf);
    }
    // nothing faster than the readings come can be told from a step
    const dt = smallest(t.slice(1).map((v, i) => v - t[i]!));
    if (fit.tau < dt)
      throw new CoreInputError(
        'time constant',
        `${fit.tau.toFixed(2)} s`,
        `longer than ${dt.toFixed(2)} s between readings`,
      );
    rate = 1 / fit.tau;
    uRate = fit.seTau / fit.tau ** 2;
  }
  return {
    method,
    tauS: rate > 0 ? 1 / rate : null,
    tighterThanS: null,
    disturbed,
    seTauS: rate > 0 ? uRate / rate ** 2 : 0,
    fit,
    ...leakOf(rate, uRate, input),
    ...(disturbed && input.limit !== undefined ? { verdict: 'undecided' as const } : {}),
  };
}

/**
 * Is the loss over the log within its scatter: then the largest rate that would still have been missed, 1/s (slope of a line
 * and two of its standard uncertainties, steps of the tester counted in); else null.
 * @throws CoreInputError when there is no pressure to lose
 */
function flatRate(t: readonly number[], p: readonly number[]): number | null {
  const { b, seB } = lineFit(t, p);
  const mean = p.reduce((m, v) => m + v, 0) / p.length;
  const span = t[t.length - 1]! - t[0]!;
  // coarse steps: the smallest change that the log shows is its resolution
  const changes = p.slice(1).map((v, i) => Math.abs(v - p[i]!));
  const moved = changes.filter((v) => v > 0);
  const step = moved.length && moved.length < changes.length / 2 ? smallest(moved) : 0;
  const u = Math.hypot(seB, step / Math.sqrt(12) / span);
  const constant = moved.length === 0;
  const sign = mean < 0 ? -1 : 1;
  const loss = -sign * b;
  // what goes is a part of the readings' own scatter, or nothing at all
  const scatter = Math.sqrt(
    p.reduce((m, v, i) => m + (v - mean - b * (t[i]! - t.reduce((x, y) => x + y, 0) / t.length)) ** 2, 0) /
      Math.max(1, p.length - 2),
  );
  const size = Math.abs(mean);
  const hidden = constant || (Math.abs(b) * span < 3 * u * span && Math.abs(b) * span < 3 * Math.max(scatter, step));
  if (!hidden) return null;
  if (!(size > 5 * Math.max(scatter, step, 1)))
    throw new CoreInputError(
      'pressure',
      `${Math.round(mean)} Pa`,
      'a difference to the room that stands out of the scatter',
    );
  // a log that never changes by its last digit: one Pa is taken for that
  const least = constant ? 1 / span : 0;
  return (Math.max(0, loss) + 2 * Math.max(u, least)) / size;
}

/** Residuals that keep their sign in long runs are no scatter: a drift goes along with the leak (runs test, textbook). */
function runsTooLong(t: readonly number[], p: readonly number[], f: ExpFit, end: number): boolean {
  const r = p.map((v, i) => v - end - f.dp0 * Math.exp(-(t[i]! - t[0]!) / f.tau));
  const plus = r.filter((v) => v > 0).length;
  const minus = r.length - plus;
  if (plus < 5 || minus < 5) return false;
  const runs = 1 + r.slice(1).filter((v, i) => v > 0 !== r[i]! > 0).length;
  const n = plus + minus;
  const mean = 1 + (2 * plus * minus) / n;
  const sd = Math.sqrt((2 * plus * minus * (2 * plus * minus - n)) / (n * n * (n - 1)));
  // and large against what is lost
  return (runs - mean) / sd < -5 && f.s > sealFigures.bentShare.value * Math.abs(f.dp0);
}

/** A leak that is only known from above. */
function boundOf(
  rate: number,
  input: Pick<SealInput, 'volumeM3' | 'uVolumeShare' | 'atPa' | 'limit'>,
): Pick<SealResult, 'leak' | 'uLeak' | 'channel' | 'verdict'> {
  const most = rate * input.volumeM3 * Math.abs(input.atPa);
  const high = most * (1 + coverage * (input.uVolumeShare ?? sealFigures.uVolumeShare.value));
  return {
    leak: most,
    uLeak: 0,
    channel: null,
    verdict: input.limit === undefined ? null : high <= input.limit ? 'below' : 'undecided',
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
  tighterThanS: null,
  disturbed: false,
  seTauS: uTauS,
  fit: null,
  ...leakOf(1 / tauS, uTauS / tauS ** 2, input),
});
