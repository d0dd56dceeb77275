import { commonPractice, judgement } from '../source';
import { wickBelowC } from './liquid';

export const airAwayS = judgement(60, 'the element of a gun stays hot longer than a minute after it is off');
export const bondBelowC = judgement(60, 'alcohol boils away at once above; no flammability limit');
export const cameraWithinMm = judgement(10, 'nearer than this to a camera only with a mask on it');
export const cleanCoolC = commonPractice(35, 'cleaning and tape on a cool device');
export const interlockRule = commonPractice(
  0,
  'no hot air, plate or spark while anything is wet; not near open cameras',
);

export interface Surroundings {
  /** heat of this job now: on, and what; s since it was taken off */
  heatOn: string | null;
  heatOffS: number | null;
  lastWasAir: boolean;
  /** other jobs of the shop that are being heated now, by their label */
  othersOnHeat: readonly string[];
  /** somebody has said: every plate, gun, dryer and mat is off and away */
  sourcesAway: boolean;
  ventilated: boolean;
  /** bond line, high bound; null: never heated here */
  bondC: number | null;
  /** limit for what is done: 60 °C for a drop in the gap, 35 °C for wiping */
  belowC: number;
  cameraMm: number;
  masked: boolean;
  /** most that may be out at once near the bench, and what is asked for, ml */
  mostMl: number;
  ml: number;
}

export type AlcoholStop =
  'heatOn' | 'airStillHot' | 'othersHeat' | 'sourcesNear' | 'ventilate' | 'bondTooHot' | 'camera' | 'tooMuch';

/** What has to be put right before a drop is given. Its vapour counts as flammable at every temperature (one law 8). */
export function alcoholStops(s: Surroundings): AlcoholStop[] {
  const out: AlcoholStop[] = [];
  if (s.heatOn !== null) out.push('heatOn');
  else if (s.lastWasAir && s.heatOffS !== null && s.heatOffS < airAwayS.value) out.push('airStillHot');
  if (s.othersOnHeat.length) out.push('othersHeat');
  if (!s.sourcesAway) out.push('sourcesNear');
  if (!s.ventilated) out.push('ventilate');
  if (s.bondC !== null && s.bondC > Math.min(s.belowC, wickBelowC)) out.push('bondTooHot');
  if (s.cameraMm < cameraWithinMm.value && !s.masked) out.push('camera');
  if (s.ml > s.mostMl + 1e-9) out.push('tooMuch');
  return out;
}
