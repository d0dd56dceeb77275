import { jStat } from 'jstat';

import { CoreInputError } from '../errors';
import { judgement } from '../source';

export const cameraFigures = {
  okRatio: judgement(0.9, 'sharpness kept at least by this share: no loss'),
  badRatio: judgement(0.75, 'below this share of the sharpness before: a clear loss'),
  uShot: judgement(
    0.025,
    'two pictures of the same target through the same cover differ by this share: 0.019 found on made pictures, and a hand that holds it anew',
  ),
  priorDf: judgement(8, 'repeats that this first belief weighs as much as'),
  flareLimit: judgement(0.01, 'light in a black patch that a new cover may add, share of white'),
};

export interface SharpRatio {
  ratio: number;
  low: number;
  high: number;
  df: number;
  verdict: 'noLoss' | 'someLoss' | 'clearLoss' | 'undecided';
}

/** How much two pictures of one thing differ, of ln, and how many repeats stand behind it. */
export interface ShotScatter {
  u: number;
  df: number;
}
/** Scatter of a picture before the shop has repeats of its own: standard uncertainty of ln, and its degrees of freedom. */
export const priorScatter = (): ShotScatter => ({ u: cameraFigures.uShot.value, df: cameraFigures.priorDf.value });

/** Scatter from the shop's own repeats on top of the first belief: groups of pictures of one lens in one phase. */
export function shopScatter(groups: readonly (readonly number[])[]): ShotScatter {
  const prior = priorScatter();
  let sum = prior.df * prior.u ** 2;
  let df = prior.df;
  for (const g of groups) {
    const logs = g.filter((v) => v > 0).map(Math.log);
    if (logs.length < 2) continue;
    const mean = logs.reduce((m, v) => m + v, 0) / logs.length;
    sum += logs.reduce((m, v) => m + (v - mean) ** 2, 0);
    df += logs.length - 1;
  }
  return { u: Math.sqrt(sum / df), df };
}

/**
 * Sharpness after over before from one or more shots each: ratio of geometric means; the scatter is pooled over both sides
 * with what is known of repeats (a prior variance with its degrees of freedom; textbook), so that two pictures are not
 * left with one degree of freedom.
 * @throws CoreInputError
 */
export function sharpRatio(
  before: readonly number[],
  after: readonly number[],
  prior: ShotScatter = priorScatter(),
): SharpRatio {
  for (const [name, list] of [
    ['shots before', before],
    ['shots after', after],
  ] as const) {
    if (list.length < 1) throw new CoreInputError(name, list.length, 'at least 1');
    if (list.some((v) => !(v > 0))) throw new CoreInputError(name, 'not sharp at all', 'values above 0');
  }
  const stats = (l: readonly number[]) => {
    const logs = l.map(Math.log);
    const mean = logs.reduce((a, b) => a + b, 0) / l.length;
    return { mean, ss: logs.reduce((s, x) => s + (x - mean) ** 2, 0), n: l.length };
  };
  const [b, a] = [stats(before), stats(after)];
  const d = a.mean - b.mean;
  const df = prior.df + b.n + a.n - 2;
  const s = Math.sqrt((prior.df * prior.u ** 2 + a.ss + b.ss) / df);
  const half = jStat.studentt.inv(0.975, df) * s * Math.sqrt(1 / a.n + 1 / b.n);
  const [ratio, low, high] = [Math.exp(d), Math.exp(d - half), Math.exp(d + half)];
  return { ratio, low, high, df, verdict: verdictOf(ratio, low, high) };
}

/** Edges of one picture, by their place on the target. */
export type EdgeList = readonly { key: string; mtf50: number }[];

const verdictOf = (ratio: number, low: number, high: number): SharpRatio['verdict'] => {
  const [ok, bad] = [cameraFigures.okRatio.value, cameraFigures.badRatio.value];
  return low >= ok ? 'noLoss' : high < ok ? (ratio < bad ? 'clearLoss' : 'someLoss') : 'undecided';
};

/**
 * Sharpness after over before from pictures of one target: edges that every picture shows, each picture by their mean.
 * @throws CoreInputError when a side has no picture, or no two edges are seen in all
 */
export function sharpnessOf(
  before: readonly EdgeList[],
  after: readonly EdgeList[],
  prior: ShotScatter = priorScatter(),
): SharpRatio {
  for (const [name, list] of [
    ['pictures before', before],
    ['pictures after', after],
  ] as const)
    if (!list.length) throw new CoreInputError(name, 0, 'at least 1');
  const keys = before[0]!
    .map((e) => e.key)
    .filter((k) => [...before, ...after].every((s) => s.some((e) => e.key === k)));
  if (keys.length < 2 && !(keys.length === 1 && keys[0]!.startsWith('tap')))
    throw new CoreInputError(
      'edges seen in every picture',
      keys.length,
      'at least 2; the same target at the same distance',
    );
  const meanOf = (l: readonly number[]) => l.reduce((a, b) => a + b, 0) / l.length;
  const sharp = (shot: EdgeList) => Math.exp(meanOf(keys.map((k) => Math.log(shot.find((e) => e.key === k)!.mtf50))));
  return sharpRatio(before.map(sharp), after.map(sharp), prior);
}

/**
 * Pictures that can be compared: those of the whole target where both sides have them; else edges that were tapped, the
 * first with the first, in one list for each side. One tap never spoils good pictures.
 */
export function comparable(before: readonly EdgeList[], after: readonly EdgeList[]): [EdgeList[], EdgeList[]] | null {
  const whole = (l: readonly EdgeList[]) => l.filter((s) => s.length > 1);
  const [wb, wa] = [whole(before), whole(after)];
  if (wb.length && wa.length) return [wb, wa];
  const taps = (l: readonly EdgeList[]) =>
    l.filter((s) => s.length === 1).map((s, i) => ({ key: `tap${i + 1}`, mtf50: s[0]!.mtf50 }));
  const [tb, ta] = [taps(before), taps(after)];
  const n = Math.min(tb.length, ta.length);
  return n ? [[tb.slice(0, n)], [ta.slice(0, n)]] : null;
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

/**
 * Veiling light (idea of ISO 9358, published): (black − dark)/(white − dark), and what the new cover adds to it.
 * @throws CoreInputError for white …
 */
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
