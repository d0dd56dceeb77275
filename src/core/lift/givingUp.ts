import { requireIn } from '../errors';
import { commonPractice, judgement } from '../source';

export const givingUpFigures = {
  quietS: commonPractice(20 * 60, 'after twenty minutes without progress the method is wrong'),
  longS: judgement(10 * 60, 'work that is looked back on: shorter than that says nothing of a pace'),
  slowShare: judgement(0.2, 'less than this share of the usual pace is no progress'),
  shortHeatMm: judgement(
    20,
    'a heat usually lasts for an edge, 60 to 150 mm: one that bought less than this bought little',
  ),
  shortHeats: judgement(3, 'so many heats in a row that bought little: the next one will not do better'),
  restS: judgement(5 * 60, 'between two taps somebody works no longer than this: else they were away'),
};

/** Something that came free, at a second of the work. */
export interface Gain {
  atS: number;
  mm: number;
}

export interface Progress {
  /** work since the last gain, or since the beginning, s */
  quietS: number;
  /** pace over the last stretch of work that is looked back on, and the usual one, mm/min */
  mmPerMin: number;
  usualMmPerMin: number;
  /** so little for so long that the way should be changed */
  little: boolean;
}

/**
 * How far the work goes for the time that it takes: nothing for twenty minutes, or a fifth of the usual pace over as long.
 * Seconds are those of the work, without what somebody was away.
 * @param nowS work so far, s
 * @throws CoreInputError that names the usual pace when it is not positive
 */
export function progressOf(gains: readonly Gain[], nowS: number, usualMmPerMin: number): Progress {
  requireIn('usual pace', usualMmPerMin, 0.01, 1e5, 'mm/min');
  const { quietS: most, longS, slowShare } = givingUpFigures;
  const last = gains.reduce((m, g) => Math.max(m, g.atS), 0);
  const backS = Math.min(nowS, most.value);
  const mm = gains.filter((g) => g.atS > nowS - backS).reduce((m, g) => m + g.mm, 0);
  const mmPerMin = backS > 0 ? mm / (backS / 60) : 0;
  const quietS = Math.max(0, nowS - last);
  const slow = nowS >= most.value && mmPerMin < slowShare.value * usualMmPerMin && quietS >= longS.value;
  return { quietS, mmPerMin, usualMmPerMin, little: quietS >= most.value || slow };
}

/** Seconds of work up to each instant: between two entries somebody was at it for at most `restS`. Instants rise, ms. */
export function workedS(instants: readonly number[]): number[] {
  let s = 0;
  return instants.map((at, i) => (i ? (s += Math.min(givingUpFigures.restS.value, (at - instants[i - 1]!) / 1e3)) : 0));
}

/**
 * Heat after heat frees next to nothing: another way, long before twenty minutes are over.
 * @param freedMm what each heat freed until the next one, mm, the last one included when it has gripped
 */
export function heatsBuyLittle(freedMm: readonly number[]): boolean {
  const { shortHeatMm, shortHeats } = givingUpFigures;
  return freedMm.length >= shortHeats.value && freedMm.slice(-shortHeats.value).every((mm) => mm < shortHeatMm.value);
}
