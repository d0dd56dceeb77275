import { jStat } from 'jstat';

import { CoreInputError } from '../errors';
import { judgement } from '../source';

export const cameraFigures = {
  okRatio: judgement(0.9, 'sharpness kept at least by this share: no loss'),
  badRatio: judgement(0.75, 'below this share of the sharpness before: a clear loss'),
  uShot: judgement(0.04, 'two pictures of the same target through the same cover differ by this share'),
  flareLimit: judgement(0.01, 'light in a black patch that a new cover may add, share of white'),
};

export interface SharpRatio {
  ratio: number;
  low: number;
  high: number;
  df: number;
  verdict: 'noLoss' | 'someLoss' | 'clearLoss' | 'undecided';
}

/** Sharpness after over before from two or more shots each: ratio of geometric means with a Welch interval on the logs. */
export function sharpRatio(before: readonly number[], after: readonly number[]): SharpRatio {
  for (const [name, list] of [
    ['shots before', before],
    ['shots after', after],
  ] as const) {
    if (list.length < 2) throw new CoreInputError(name, list.length, 'at least 2');
    if (list.some((v) => !(v > 0))) throw new CoreInputError(name, 'not sharp at all', 'values above 0');
  }
  const stats = (l: readonly number[]) => {
    const logs = l.map(Math.log);
    const mean = logs.reduce((a, b) => a + b, 0) / l.length;
    return { mean, v: logs.reduce((s, x) => s + (x - mean) ** 2, 0) / (l.length - 1) / l.length, n: l.length };
  };
  const [b, a] = [stats(before), stats(after)];
  const d = a.mean - b.mean;
  const se = Math.sqrt(a.v + b.v);
  const df = se > 0 ? (a.v + b.v) ** 2 / (a.v ** 2 / (a.n - 1) + b.v ** 2 / (b.n - 1)) : 1e9;
  const q = se > 0 ? jStat.studentt.inv(0.975, df) * se : 0;
  const [ratio, low, high] = [Math.exp(d), Math.exp(d - q), Math.exp(d + q)];
  return { ratio, low, high, df, verdict: verdictOf(ratio, low, high) };
}

/** Edges of one picture, by their place on the target. */
export type EdgeList = readonly { key: string; mtf50: number }[];

const verdictOf = (ratio: number, low: number, high: number): SharpRatio['verdict'] => {
  const [ok, bad] = [cameraFigures.okRatio.value, cameraFigures.badRatio.value];
  return low >= ok ? 'noLoss' : high < ok ? (ratio < bad ? 'clearLoss' : 'someLoss') : 'undecided';
};

/**
 * Sharpness after over before from pictures of one target. Two or more pictures on each side: the interval comes from them.
 * One on either side: edges are compared in pairs, and how much two pictures differ anyway is added as a judgement.
 */
export function sharpnessOf(before: readonly EdgeList[], after: readonly EdgeList[]): SharpRatio {
  for (const [name, list] of [
    ['pictures before', before],
    ['pictures after', after],
  ] as const)
    if (!list.length) throw new CoreInputError(name, 0, 'at least 1');
  const keys = before[0]!
    .map((e) => e.key)
    .filter((k) => [...before, ...after].every((s) => s.some((e) => e.key === k)));
  if (keys.length < 2)
    throw new CoreInputError(
      'edges seen in every picture',
      keys.length,
      'at least 2; the same target at the same distance',
    );
  const logOf = (shot: EdgeList) => keys.map((k) => Math.log(shot.find((e) => e.key === k)!.mtf50));
  const meanOf = (l: readonly number[]) => l.reduce((a, b) => a + b, 0) / l.length;
  if (before.length > 1 && after.length > 1)
    return sharpRatio(
      before.map((s) => Math.exp(meanOf(logOf(s)))),
      after.map((s) => Math.exp(meanOf(logOf(s)))),
    );
  const average = (shots: readonly EdgeList[]) => keys.map((_, i) => meanOf(shots.map((s) => logOf(s)[i]!)));
  const [b, a] = [average(before), average(after)];
  const d = a.map((v, i) => v - b[i]!);
  const mean = meanOf(d);
  const se = Math.sqrt(d.reduce((s, v) => s + (v - mean) ** 2, 0) / (d.length - 1) / d.length);
  const half = Math.hypot(
    jStat.studentt.inv(0.975, d.length - 1) * se,
    1.96 * cameraFigures.uShot.value * Math.sqrt(1 / before.length + 1 / after.length),
  );
  const [ratio, low, high] = [Math.exp(mean), Math.exp(mean - half), Math.exp(mean + half)];
  return { ratio, low, high, df: d.length - 1, verdict: verdictOf(ratio, low, high) };
}

/** Linear light of an 8-bit code (IEC 61966-2-1, published). */
export function linearLight(code: number): number {
  const v = code / 255;
  return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
}

/** A black patch in a white surround: mean values in linear light, and their standard uncertainties. */
export interface Patch {
  white: number;
  black: number;
  dark: number;
  uBlack: number;
  uWhite: number;
}

export interface Flare {
  before: number;
  after: number;
  added: number;
  u: number;
  verdict: 'added' | 'notSeen' | 'undecided';
}

/** Veiling light (idea of ISO 9358, published): (black − dark)/(white − dark), and what the new cover adds to it. */
export function flare(before: Patch, after: Patch): Flare {
  const one = (p: Patch, name: string) => {
    const span = p.white - p.dark;
    if (!(span > 0)) throw new CoreInputError(`white ${name}`, p.white, 'brighter than the covered lens');
    const lift = (p.black - p.dark) / span;
    return { lift, u: Math.hypot(p.uBlack / span, (lift * p.uWhite) / span) };
  };
  const [b, a] = [one(before, 'before'), one(after, 'after')];
  const added = a.lift - b.lift;
  const u = Math.hypot(a.u, b.u);
  const limit = cameraFigures.flareLimit.value;
  return {
    before: b.lift,
    after: a.lift,
    added,
    u,
    verdict: added - 2 * u > limit ? 'added' : added + 2 * u < limit ? 'notSeen' : 'undecided',
  };
}
