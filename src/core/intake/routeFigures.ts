import type { Construction } from '../device/types';
import { judgement, type Sourced } from '../source';
import type { PartExtra } from './partExtras';
import type { Origin, Work } from './works';

const figure = (v: number, of: string) => judgement(v, `${of}: no log of its own yet, shop figure`);

/** A table of first figures; each says what it is of, so that a shop can change one of them alone. */
const figures = <K extends string>(of: string, values: Record<K, number>): Record<K, Sourced> =>
  Object.fromEntries(Object.entries<number>(values).map(([k, v]) => [k, figure(v, `${of}, ${k}`)])) as Record<
    K,
    Sourced
  >;

/** Hands-on minutes on a ring-bonded glass phone. */
export const workMinutes: Record<Work, Sourced> = figures('hands-on minutes', {
  openClose: 46,
  glassOnly: 56,
  rearAssembly: 82,
  wholeHousing: 125,
  lensCovers: 24,
  displayWithFrame: 78,
  displayAlone: 64,
  inside: 72,
});

/** Minutes on top, by construction; shattered glass comes off piece by piece. */
export const constructionMinutes: Record<Construction, Sourced> = figures('minutes on top', {
  ringGlass: 0,
  ringPlastic: -6,
  fullGlass: 50,
  clipped: -22,
  lensInRing: 0,
  frameLens: 8,
});

export const minutesPerPiece = figure(1.5, 'minutes for each piece');

/** Minutes that a part saves because a piece is on it already. */
export const extraSaves: Record<PartExtra, Sourced> = figures('minutes that a piece on the part saves', {
  adhesive: 5,
  lens: 6,
  flash: 3,
  coil: 6,
  mesh: 2,
  frame: 0,
});

/** First chances, weighing as much as so many jobs, until the shop has counts of its own. */
export const priorWeight = judgement(20, 'first chances weigh as much as 20 jobs');

export const breakWeight = judgement(8, 'the computed chance of breaking weighs as much as 8 jobs');

export const comebackChance: Record<Origin | 'saved', Sourced> = figures('chance of a come-back', {
  genuine: 0.03,
  pulled: 0.05,
  aftermarket: 0.08,
  saved: 0.05,
});

export const bentComeback = figure(0.2, 'chance of a come-back with a bent frame');

export const damageChance: Record<Work, Sourced> = figures('chance of damage', {
  openClose: 0.01,
  glassOnly: 0.015,
  rearAssembly: 0.03,
  wholeHousing: 0.045,
  lensCovers: 0.01,
  displayWithFrame: 0.03,
  displayAlone: 0.02,
  inside: 0.02,
});

export const fullBondDamage = figure(0.04, 'chance of damage where glue lies under the whole cover');
