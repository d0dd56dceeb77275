import type { Adhesive } from '../adhesives';
import { commonPractice, judgement, type Range } from '../source';
import { fractureEnergyJm2 } from './fractureEnergy';
import { openRing, type RingOpening } from './ringOpening';
import { openStraight } from './straightOpening';
import { breakChance, coverStrengthMPa, type CoverStrength } from './strength';

export const picksMm = [0.3, 0.4, 0.5, 0.8] as const;
/** Into a bond of a tenth of a millimetre over the whole area only a blade goes: no thicker than this (judgement). */
export const thickestBladeMm = 0.5;
/** Thicknesses of picks that are tried, mm: thinner ones where glue lies under the whole cover. */
export const picksFor = (fullArea: boolean): readonly number[] =>
  fullArea ? picksMm.filter((p) => p <= thickestBladeMm) : picksMm;
export const defaultPickMm = 0.5;

/** Speed of a pick that goes, and of one that only works slowly, mm/s. */
export const cutSpeed = judgement(1, 'comfortable speed of a pick along an edge, mm/s');
export const slowShare = 0.1;

/**
 * Speed that a line at this temperature lets the pick have, mm/s: full from easyC, a tenth at workC, none below. Between the
 * two the logarithm of the speed goes with the temperature, as the bond's own law of rate and temperature has it (time and
 * temperature are one variable: Williams, Landel & Ferry 1955, published); near the glass transition that is not quite a line.
 */
export function paceMmS(tC: number, easyC: number | null, workC: number | null): number {
  if (easyC !== null && tC >= easyC) return cutSpeed.value;
  if (workC === null || tC < workC) return 0;
  if (easyC === null || easyC <= workC) return cutSpeed.value * slowShare;
  return cutSpeed.value * slowShare ** ((easyC - tC) / (easyC - workC));
}

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
  /** the bond opens far enough ahead of the pick */
  opens: boolean;
  /** it opens, and a cover that is to be saved holds */
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
    opens,
    ok: opens && (!c.keepCover || (margin >= 1 && chance < c.breakLimit)),
  };
}

/**
 * Upper temperature of the bond line, °C: what the adhesive stands. The cover's own surface has marks of its own and is
 * watched apart, on every heater; only plastic is not lifted hotter than it stands itself.
 */
export const upperC = (c: LiftCase) =>
  c.cover.yieldMPa ? Math.min(c.cover.surfaceC.stop.value, c.adhesive.overC.value) : c.adhesive.overC.value;

/** A bond works slowly from this far under its floor, K. */
export const underSoftK = commonPractice(15, 'it can be worked with patience some way under where it goes');

/**
 * Floor of practice of this adhesive as it is now: where its energy is what a plain one's is at `softC`. Scale and what
 * alcohol took away move it together with the law (law 1).
 */
export function floorC(a: Adhesive): number {
  const { scale } = a.debond;
  const softC = a.softC.value;
  if (scale.value === 1) return softC;
  const plain = { ...a.debond, scale: { ...scale, value: 1 } };
  const excess = (tC: number) =>
    Math.log(fractureEnergyJm2(a.debond, tC, cutSpeed.value) / fractureEnergyJm2(plain, softC, cutSpeed.value));
  let low = Math.min(softC, 25);
  let high = softC + 80;
  if (excess(low) <= 0) return low;
  if (excess(high) >= 0) return high;
  while (high - low > 0.05) {
    const mid = (low + high) / 2;
    if (excess(mid) > 0) low = mid;
    else high = mid;
  }
  return high;
}

/** An opened stretch that is let down while it is hotter than this sticks again, °C (law 21). */
export const sticksUnderSoftK = commonPractice(
  25,
  'an opened edge that was let down while warm sticks again within minutes',
);
/** Temperature under which what was cut sticks no more when it touches, °C. */
export const sticksAgainC = (a: Adhesive): number => floorC(a) - sticksUnderSoftK.value;

/**
 * Floor of working it slowly, moved as the floor of practice is. Glue that is stronger than plain is worked at less heat with
 * a pick thicker than the usual one, and never under the floor of plain glue: what a wedge drives the bond with grows with
 * its square.
 */
export function workFloorC(a: Adhesive, pickMm = defaultPickMm): number {
  const { scale } = a.debond;
  const value = scale.value > 1 ? Math.max(1, scale.value / Math.max(1, pickMm / defaultPickMm) ** 2) : scale.value;
  const driven = { ...a, debond: { ...a.debond, scale: { ...scale, value } } };
  return floorC(driven) - (a.creepC ? a.softC.value - a.creepC.value : underSoftK.value);
}

/** Lowest whole degree from `fromC` on at which the test holds at this speed; null: none that is allowed. */
function lowestC(c: LiftCase, vMmS: number, fromC: number, test: 'opens' | 'ok' = 'ok'): number | null {
  for (let t = Math.ceil(fromC - 1e-9); t <= upperC(c); t++) if (wedgeState(c, t, vMmS)[test]) return t;
  return null;
}

export interface LiftThresholds {
  easyC: number | null;
  workC: number | null;
  /** a cover that is to be saved: lowest at which its chance of breaking is within the shop's limit; null: none */
  safeC: number | null;
}

/**
 * easyC: lowest whole degree at which the bond follows the pick at cutting speed; workC: the same at a tenth of it; neither
 * below the adhesive's floor. Null when no allowed temperature does it with this pick. Law 1. What the glass of a cover that
 * is to be saved stands is told apart, as `safeC` and as the chance: benches save covers at the same heat as they lift
 * others, so it does not move the clock (docs/decisions/heat.md).
 */
export function liftThresholds(c: LiftCase): LiftThresholds {
  const floor = floorC(c.adhesive);
  // plastic is levered round, it need not open ahead of the pick: soft is enough (common practice)
  const soft = (fromC: number) => (fromC <= upperC(c) ? Math.ceil(fromC - 1e-9) : null);
  const at = (vMmS: number, fromC: number) => (c.cover.yieldMPa ? soft(fromC) : lowestC(c, vMmS, fromC, 'opens'));
  const easyC = at(cutSpeed.value, floor);
  const workC = at(cutSpeed.value * slowShare, workFloorC(c.adhesive, c.pickMm));
  return {
    easyC,
    workC: workC === null ? easyC : easyC === null ? workC : Math.min(workC, easyC),
    safeC: c.keepCover && easyC !== null ? lowestC(c, cutSpeed.value, easyC) : easyC,
  };
}

/**
 * The same over what is not known of the adhesive (one standard deviation of ln(scale); a factor of 1.6 before the shop
 * has seen it): "80 to 130 °C" says more than one number where the law is steep.
 */
export function thresholdRange(c: LiftCase, sdLn: number): Record<'easyC' | 'workC', Range | null> {
  const { debond } = c.adhesive;
  const at = (k: number) => {
    const scale = { ...debond.scale, value: debond.scale.value * Math.exp(k * sdLn) };
    return liftThresholds({ ...c, adhesive: { ...c.adhesive, debond: { ...debond, scale } } });
  };
  const [low, mean, high] = [at(-1), at(0), at(1)];
  const range = (id: 'easyC' | 'workC'): Range | null =>
    mean[id] === null ? null : { low: low[id] ?? mean[id], mean: mean[id], high: high[id] ?? upperC(c) };
  return { easyC: range('easyC'), workC: range('workC') };
}

export interface WedgeVerdict extends WedgeState {
  verdict: 'coolDown' | 'go' | 'slow' | 'reheat' | 'thinner' | 'thicker' | 'stop';
  /** temperature and pick at which it goes; null when nothing allowed does */
  goC: number | null;
  goPickMm: number | null;
}

/**
 * What to do at one place now. In this order: too hot; go; slowly; reheat with this pick; another pick, the nearest
 * thinner one first, then the nearest thicker one; stop.
 */
export function wedgeVerdict(
  c: LiftCase,
  tC: number,
  picks: readonly number[] = picksFor(c.fullArea),
  vMmS = cutSpeed.value,
): WedgeVerdict {
  const state = wedgeState(c, tC, vMmS);
  const answer = (verdict: WedgeVerdict['verdict'], goC: number | null, goPickMm: number | null): WedgeVerdict => ({
    ...state,
    verdict,
    goC,
    goPickMm,
  });
  if (tC > upperC(c)) return answer('coolDown', null, null);
  const floor = floorC(c.adhesive);
  if (state.ok && tC >= floor) return answer('go', tC, c.pickMm);
  if (tC >= workFloorC(c.adhesive, c.pickMm) && wedgeState(c, tC, vMmS * slowShare).ok)
    return answer('slow', tC, c.pickMm);
  const again = lowestC(c, vMmS, Math.max(tC, floor));
  if (again !== null) return answer('reheat', again, c.pickMm);
  const thinner = picks.filter((p) => p < c.pickMm).sort((a, b) => b - a);
  const thicker = picks.filter((p) => p > c.pickMm).sort((a, b) => a - b);
  for (const pickMm of [...thinner, ...thicker]) {
    const goC = lowestC({ ...c, pickMm }, vMmS, Math.max(tC, floor));
    if (goC !== null) return answer(pickMm < c.pickMm ? 'thinner' : 'thicker', goC, pickMm);
  }
  // plastic bends and does not shatter: it may be pried cold, round from the port
  if (c.cover.yieldMPa) return answer('slow', tC, c.pickMm);
  return answer('stop', null, null);
}

export const thickestWedgeMm = 3;
/** Length of edge that is bent while a wedge goes in, mm (judgement). */
const entryMm = 20;

/** Does a wedge of this height hold here, at this speed: while it goes in, and while it is moved on? */
function wedgeHolds(c: LiftCase, tC: number, vMmS: number): boolean {
  const { charMPa, designMPa } = coverStrengthMPa(c.cover, c.hMm, c.flawUm);
  const { opening } = wedgeState(c, tC, vMmS);
  // on its way in it passes the lift at which the bond begins to give; where it never gives, its own stress stays
  const entry = opening.aheadMm > 0 ? Math.max(opening.onsetMPa, opening.stressMPa) : opening.stressMPa;
  return (
    Math.max(entry, opening.stressMPa) <= designMPa &&
    breakChance(entry, charMPa, entryMm) < c.breakLimit &&
    breakChance(opening.stressMPa, charMPa, c.perimeterMm) < c.breakLimit
  );
}

export interface SafeWedge {
  /** the pick in hand holds */
  pickHolds: boolean;
  /** up to where it holds without a gap, 3 mm at most; where the pick does not, the highest under it; 0: none */
  highestMm: number;
}

/**
 * Highest wedge that this place bears now at this speed: stress within the design strength and the chance of breaking under
 * the shop's limit, on the way in and all round. Where the bond follows, the stress does not grow with the wedge; where it
 * does not, the cover bends in front of it. Looked at in steps of 0.05 mm to 3 mm.
 */
export function safeWedge(c: LiftCase, tC: number, vMmS = cutSpeed.value): SafeWedge {
  const holds = (step: number) => wedgeHolds({ ...c, pickMm: step / 20 }, tC, vMmS);
  const pickHolds = wedgeHolds(c, tC, vMmS);
  let step = pickHolds ? Math.floor(c.pickMm * 20) : Math.ceil(c.pickMm * 20) - 1;
  if (pickHolds) while (step < thickestWedgeMm * 20 && holds(step + 1)) step++;
  else while (step > 0 && !holds(step)) step--;
  return { pickHolds, highestMm: pickHolds ? Math.max(c.pickMm, step / 20) : step / 20 };
}

export type ArcVerdict = 'go' | 'slow' | 'reheat' | 'stop';

/** Verdict of one arc: a limit reads the high bound; what can be tried and taken back reads the usual value (law 5). */
export function arcVerdict(t: Range, th: { easyC: number | null; workC: number | null }, upper: number): ArcVerdict {
  if (t.high > upper) return 'stop';
  if (th.easyC !== null && t.mean >= th.easyC) return 'go';
  if (th.workC !== null && t.mean >= th.workC) return 'slow';
  return th.easyC === null && th.workC === null ? 'stop' : 'reheat';
}

/**
 * Chance that a cover which is to be saved breaks over the whole ring when it is lifted at the temperature planned for:
 * where the wedge goes, or, where no temperature is safe, the hottest allowed.
 */
export function breakAtPlan(c: LiftCase): { tC: number; chance: number; safe: boolean } {
  const kept = { ...c, keepCover: true };
  const { easyC, safeC } = liftThresholds(kept);
  const tC = safeC ?? easyC ?? upperC(kept);
  return { tC, chance: wedgeState(kept, tC, cutSpeed.value).breakChance, safe: safeC !== null };
}
