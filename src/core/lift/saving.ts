import { judgement } from '../source';
import { breakHazard, coverStrengthMPa } from './strength';
import { pickPaceMmS } from './pickPace';
import { cutSpeed, slowShare, wedgeState, type LiftCase } from './verdict';

/** What is still to be cut: length, temperature when its turn comes, and the flaw at that stretch. */
export interface HeldStretch {
  lengthMm: number;
  /** low bound of the line now, °C */
  tC: number;
  flawUm: number;
}

export interface SavingInput {
  lift: LiftCase;
  held: readonly HeldStretch[];
  easyC: number | null;
  workC: number | null;
  /** the shop's own breakages against what was computed; 1: as computed */
  scale: number;
}

export interface SavingChance {
  /** from now on, when every stretch that has gripped is reheated first */
  careful: number;
  /** from now on, when it is forced as cold as it is now */
  forced: number;
  /** what the next 10 mm cost at the temperature of now */
  next10: number;
}

/** Hazard of cutting one stretch at a temperature: an expected number of breaks. */
export function cutHazard(c: LiftCase, tC: number, lengthMm: number, flawUm: number, vMmS: number): number {
  const kept = { ...c, flawUm };
  const s = wedgeState(kept, tC, vMmS);
  return breakHazard(s.stressMPa, coverStrengthMPa(c.cover, c.hMm, flawUm).charMPa, lengthMm);
}

/** Chance that the cover breaks from now on, stretch by stretch; hazards add up. */
export function savingChance({ lift, held, easyC, workC, scale }: SavingInput): SavingChance {
  // below workC somebody forces it, as slowly as they can
  const slowest = cutSpeed.value * slowShare;
  const at = (s: HeldStretch, tC: number) =>
    cutHazard(lift, tC, s.lengthMm, s.flawUm, pickPaceMmS(lift, { easyC, workC }, tC) || slowest) * scale;
  const reheatedC = (s: HeldStretch) => (workC !== null && s.tC >= workC ? s.tC : (easyC ?? s.tC));
  const sum = (f: (s: HeldStretch) => number) => held.reduce((m, s) => m + f(s), 0);
  const careful = sum((s) => at(s, reheatedC(s)));
  // forced means at full speed, whatever the line says
  const forced = sum((s) => cutHazard(lift, s.tC, s.lengthMm, s.flawUm, cutSpeed.value) * scale);
  const first = held[0];
  return {
    careful: chanceOf(careful),
    forced: chanceOf(forced),
    next10: first ? chanceOf(at({ ...first, lengthMm: 10 }, first.tC)) : 0,
  };
}

/** Chance of a break, 0 to 1, from an expected number of them (Poisson). */
export const chanceOf = (hazard: number): number => 1 - Math.exp(-hazard);

export const savingDefaults = {
  reject: judgement(0.15, 'a saved cover turns out not good enough after all'),
  damageWhenBroken: judgement(0.05, 'a cover that breaks on the way damages something inside'),
  cleanUpMin: judgement(18, 'clearing up after a cover that broke, min'),
};

export interface SaveOrNewInput {
  chance: number;
  /** from now on, minutes */
  saveMin: number;
  newMin: number;
  ratePerHour: number;
  newCost: number;
  damageCost: number;
  /** what the old cover is worth over a new one */
  valueKept: number;
  reject?: number;
  damageWhenBroken?: number;
  cleanUpMin?: number;
}

export interface SaveOrNew {
  save: number;
  fresh: number;
  choose: 'save' | 'new';
  /** saving pays below this chance of breaking */
  breakEven: number;
  /** so many minutes more and saving has cost as much as a new cover; 0: it does already */
  stopAfterMin: number;
}

/**
 * Expected cost of going on saving against writing the cover off now; what was spent so far counts for neither. Money in the
 * unit of the input. Own derivation, linear in the chance.
 */
export function saveOrNew(i: SaveOrNewInput): SaveOrNew {
  const reject = i.reject ?? savingDefaults.reject.value;
  const hurt = i.damageWhenBroken ?? savingDefaults.damageWhenBroken.value;
  const perMin = i.ratePerHour / 60;
  const clean = (i.cleanUpMin ?? savingDefaults.cleanUpMin.value) * perMin;
  const cost = (p: number) => {
    const fail = p + (1 - p) * reject;
    return i.saveMin * perMin + p * (clean + hurt * i.damageCost) + fail * i.newCost - (1 - fail) * i.valueKept;
  };
  const fresh = i.newMin * perMin + i.newCost;
  const save = cost(i.chance);
  const slope = cost(1) - cost(0);
  return {
    save,
    fresh,
    choose: save < fresh ? 'save' : 'new',
    breakEven: slope > 0 ? (fresh - cost(0)) / slope : fresh > cost(0) ? Infinity : -Infinity,
    stopAfterMin: perMin > 0 ? Math.max(0, (fresh - save) / perMin) : save < fresh ? Infinity : 0,
  };
}

/** First belief about the computed chance: right within a factor of two, and it weighs as much as two computed breaks. */
export const scalePrior = judgement(
  2,
  'computed breaks that the first belief in the computed chance weighs as much as',
);

/**
 * The shop's own breakages against the computed ones: Gamma prior of mean 1, Poisson counts (Gelman et al., Bayesian Data
 * Analysis, conjugate pair; from memory). @param expected sum of computed hazards of all covers that were to be saved
 */
export function breakScale(broke: number, expected: number): { mean: number; sd: number } {
  const a = scalePrior.value + broke;
  const b = scalePrior.value + expected;
  return { mean: a / b, sd: Math.sqrt(a) / b };
}
