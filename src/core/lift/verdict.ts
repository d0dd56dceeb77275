import type { Adhesive } from '../adhesives';
import { judgement, type Range } from '../source';
import { fractureEnergyJm2 } from './fractureEnergy';
import { openRing, type RingOpening } from './ringOpening';
import { openStraight } from './straightOpening';
import { breakChance, coverStrengthMPa, type CoverStrength } from './strength';

export const picksMm = [0.3, 0.4, 0.5, 0.8] as const;
export const defaultPickMm = 0.5;

/** Speed of a pick that goes, and of one that only works slowly, mm/s. */
export const cutSpeed = judgement(1, 'comfortable speed of a pick along an edge, mm/s');
export const slowShare = 0.1;

/** The bond has to open this far ahead of the pick, mm. */
export const aheadMinMm = judgement(2, 'least opening ahead of the pick');

export const breakLimit = judgement(0.02, 'the shop accepts this chance of breaking over the whole perimeter');

/** What is being lifted, with what, and what it is worth. */
export interface LiftCase {
  cover: CoverStrength;
  hMm: number;
  adhesive: Adhesive;
  ringMm: number;
  /** glued over the whole area: the straight front rules, not the ring */
  fullArea: boolean;
  perimeterMm: number;
  pickMm: number;
  flawUm: number;
  /** a cover that is to be saved must hold; one that is written off may break further */
  keepCover: boolean;
  breakLimit: number;
}

export interface WedgeState {
  gcJm2: number;
  opening: RingOpening;
  /** stress at which the bond gives: the pick's own when it opens ahead, else the onset's */
  stressMPa: number;
  designMPa: number;
  margin: number;
  breakChance: number;
  ok: boolean;
}

/** State of the wedge at one bond-line temperature and speed. */
export function wedgeState(c: LiftCase, tC: number, vMmS: number): WedgeState {
  const gcJm2 = fractureEnergyJm2(c.adhesive.debond, tC, vMmS);
  const k = c.adhesive.debond.kNmm3.value;
  const opening = c.fullArea
    ? openStraight(c.cover, c.hMm, c.pickMm, gcJm2, k)
    : openRing('insert', c.cover, c.hMm, c.pickMm, gcJm2, k, c.ringMm);
  const { charMPa, designMPa } = coverStrengthMPa(c.cover, c.hMm, c.flawUm);
  const opens = opening.aheadMm >= aheadMinMm.value;
  const stressMPa = opening.aheadMm > 0 ? opening.stressMPa : opening.onsetMPa;
  const margin = designMPa / opening.stressMPa;
  const chance = breakChance(stressMPa, charMPa, c.perimeterMm);
  return {
    gcJm2,
    opening,
    stressMPa,
    designMPa,
    margin,
    breakChance: chance,
    ok: opens && (!c.keepCover || (margin >= 1 && chance < c.breakLimit)),
  };
}

/** Upper temperature of the lift: cover and adhesive; what is inside is judged apart. */
export const upperC = (c: LiftCase) => Math.min(c.cover.maxC.value, c.adhesive.overC.value);

/**
 * easyC: lowest whole degree where the wedge goes at cutting speed; workC: the same at a tenth of it. Null when no
 * allowed temperature does it with this pick. One law 1.
 */
export function liftThresholds(c: LiftCase): { easyC: number | null; workC: number | null } {
  const lowest = (v: number) => {
    for (let t = 15; t <= upperC(c); t++) if (wedgeState(c, t, v).ok) return t;
    return null;
  };
  const easyC = lowest(cutSpeed.value);
  const workC = lowest(cutSpeed.value * slowShare);
  return { easyC, workC: workC === null ? easyC : easyC === null ? workC : Math.min(workC, easyC) };
}

export type ArcVerdict = 'go' | 'slow' | 'reheat' | 'stop';

/** Verdict of one arc: limits read the high bound, lifting reads the low one. */
export function arcVerdict(t: Range, th: { easyC: number | null; workC: number | null }, upper: number): ArcVerdict {
  if (t.high > upper) return 'stop';
  if (th.easyC !== null && t.low >= th.easyC) return 'go';
  if (th.workC !== null && t.low >= th.workC) return 'slow';
  return th.easyC === null && th.workC === null ? 'stop' : 'reheat';
}

/**
 * Chance that a cover which is to be saved breaks over the whole ring when it is lifted at the temperature planned for:
 * where the wedge goes, or, where no temperature is safe, the hottest allowed.
 */
export function breakAtPlan(c: LiftCase): { tC: number; chance: number; safe: boolean } {
  const kept = { ...c, keepCover: true };
  const { easyC } = liftThresholds(kept);
  const tC = easyC ?? upperC(kept);
  return { tC, chance: wedgeState(kept, tC, cutSpeed.value).breakChance, safe: easyC !== null };
}
