import { commonPractice, judgement } from '../source';
import { wickBelowC } from './liquid';

export const airAwayS = judgement(60, 'the element of a gun stays hot longer than a minute after it is off');
export const bondBelowC = judgement(60, 'alcohol boils away at once above; no flammability limit');
export const cameraWithinMm = judgement(10, 'nearer than this to a camera only with a mask on it');
export const cleanCoolC = commonPractice(35, 'cleaning and tape on a cool device');
export const movingAirTimes = judgement(10, 'moving air thins what hangs at the bench at least so many times');
export const interlockRule = commonPractice(
  0,
  'no flame, no running gun, no spark near; a device that is warm and off its heater is no source; not near open cameras',
);

export interface Surroundings {
  /** the device lies on a heater that is on, or in its air; its name */
  heatOn: string | null;
  /** air heaters within arm's reach that run, or whose element may still glow, by name */
  airNear: readonly string[];
  /** contact heaters that are on for other devices, by label; they drive vapour off and light nothing */
  contactNear: readonly string[];
  /** hottest that the face may be now; null: never heated here */
  faceC: number | null;
  /** limit for what is done: 60 °C for a drop in the gap, 35 °C for wiping */
  belowC: number;
  /** nearest camera that the liquid can get to; Infinity: none */
  cameraMm: number;
  masked: boolean;
  /** extraction on or a window open */
  ventilated: boolean;
  /** most that may hang in still air near the bench; what is asked for; what is still there of the last half hour, ml */
  mostMl: number;
  ml: number;
  recentMl: number;
}

export type AlcoholStop = 'unknown' | 'heatOn' | 'airNear' | 'faceTooHot' | 'camera' | 'tooMuch';
export type AlcoholCaution = 'contactNear';

/**
 * What has to be put right before a drop is given. Its vapour counts as flammable at every temperature (law 8); what lights
 * it is a flame, a spark or a glowing element. A guard fails closed: a figure that is no number is a stop.
 */
export function alcoholStops(s: Surroundings): AlcoholStop[] {
  const out: AlcoholStop[] = [];
  const figure = (v: number) => Number.isFinite(v) && v >= 0;
  const known =
    figure(s.mostMl) &&
    figure(s.ml) &&
    figure(s.recentMl) &&
    figure(s.belowC) &&
    s.cameraMm >= 0 &&
    (s.faceC === null || Number.isFinite(s.faceC) || s.faceC === Infinity);
  if (!known) out.push('unknown');
  if (s.heatOn !== null) out.push('heatOn');
  if (s.airNear.length) out.push('airNear');
  if (s.faceC !== null && !(s.faceC <= Math.min(s.belowC, wickBelowC))) out.push('faceTooHot');
  if (!(s.cameraMm >= cameraWithinMm.value) && !s.masked) out.push('camera');
  const limitMl = s.mostMl * (s.ventilated ? movingAirTimes.value : 1);
  if (!(s.ml + s.recentMl <= limitMl + 1e-9)) out.push('tooMuch');
  return out;
}

/** What is told beside, and stops nothing. */
export const alcoholCautions = (s: Surroundings): AlcoholCaution[] => (s.contactNear.length ? ['contactNear'] : []);
