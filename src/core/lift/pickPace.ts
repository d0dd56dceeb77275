import { judgement } from '../source';
import {
  cutSpeed,
  liftThresholds,
  paceMmS,
  picksFor,
  slowShare,
  wedgeState,
  type LiftCase,
  type LiftThresholds,
} from './verdict';

/**
 * Speed of the pick at a place, mm/s: what the line's heat lets it have. Where glue showed itself stronger than plain and the
 * cover is to be saved, no faster than its glass stands: slower is less energy in the bond and less stress in the cover.
 * Where even a tenth of full speed is over the shop's limit, that is what is left. 0: it has gripped.
 */
export function pickPaceMmS(c: LiftCase, th: Pick<LiftThresholds, 'easyC' | 'workC'>, tC: number): number {
  const most = paceMmS(tC, th.easyC, th.workC);
  const least = cutSpeed.value * slowShare;
  if (!c.keepCover || c.adhesive.debond.scale.value <= 1 || most <= least) return most;
  const step = (most / least) ** (1 / 6);
  for (let v = most; v > least * 1.001; v /= step) if (wedgeState(c, tC, v).ok) return v;
  return least;
}

/** The same by temperature for a plan that asks some hundred times: where each answer takes a solve, to the half degree. */
export function pickPacer(c: LiftCase, th: Pick<LiftThresholds, 'easyC' | 'workC'>): (tC: number) => number {
  if (c.adhesive.debond.scale.value <= 1) return (tC) => pickPaceMmS(c, th, tC);
  const found = new Map<number, number>();
  return (tC) => {
    const half = Math.round(tC * 2) / 2;
    const mmS = found.get(half) ?? pickPaceMmS(c, th, half);
    found.set(half, mmS);
    return mmS;
  };
}

export const easierK = judgement(5, 'a pick that needs so much less heat is worth changing to, K');

/** The nearest thicker pick that goes slowly at clearly less heat than the one in hand does; null: none of them does. */
export function easierPick(c: LiftCase, picks: readonly number[] = picksFor(c.fullArea)): number | null {
  const workC = (pickMm: number) => liftThresholds({ ...c, pickMm }).workC ?? Infinity;
  const now = workC(c.pickMm);
  const thicker = picks.filter((p) => p > c.pickMm).sort((a, b) => a - b);
  return thicker.find((p) => now - workC(p) >= easierK.value) ?? null;
}
