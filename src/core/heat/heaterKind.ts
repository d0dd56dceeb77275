import { commonPractice, type Sourced } from '../source';
import type { AirHeater, Heater } from './heater';

/** Kinds of heater as a bench speaks of them; the two kinds of air differ in what they can do. */
export type HeaterKind = 'plate' | 'mat' | 'gun' | 'dryer';

/** Everything that is asked of a kind of heater. A kind that is added here answers everywhere; nothing asks for an id. */
export interface HeaterKindAnswers {
  /** it lies under the device, or blows over it */
  contact: boolean;
  /** where it is usually set, °C */
  usualSetC: Sourced;
  /** it is at its setpoint before the device comes to it */
  preheated: boolean;
  /** its nozzle is narrow enough to go round outside the edge */
  outward: boolean;
  /** an element that lights vapour while it runs and for a while after */
  hotElement: boolean;
}

export const heaterKinds: Record<HeaterKind, HeaterKindAnswers> = {
  plate: {
    contact: true,
    usualSetC: commonPractice(110, 'hot plate under a glass back'),
    preheated: true,
    outward: false,
    hotElement: false,
  },
  mat: {
    contact: true,
    usualSetC: commonPractice(95, 'programme of a heat mat'),
    preheated: false,
    outward: false,
    hotElement: false,
  },
  gun: {
    contact: false,
    usualSetC: commonPractice(200, 'hot-air gun round the edge, always moving'),
    preheated: true,
    outward: true,
    hotElement: true,
  },
  dryer: {
    contact: false,
    usualSetC: commonPractice(120, 'a hair dryer at its hottest'),
    preheated: true,
    outward: false,
    hotElement: true,
  },
};

/** Air that is wide and never gets as hot as a gun is a dryer, whatever it is called. */
export const kindOfHeater = (h: Heater): HeaterKind =>
  h.kind !== 'air' ? h.kind : h.maxSetC < 180 && h.nozzleMm >= 30 ? 'dryer' : 'gun';

export const answersOf = (h: Heater): HeaterKindAnswers => heaterKinds[kindOfHeater(h)];

/** The air that reaches the smallest place; null: the bench has none. */
export const finestAir = (airs: readonly AirHeater[]): AirHeater | null =>
  airs.reduce<AirHeater | null>((a, h) => (a && a.nozzleMm <= h.nozzleMm ? a : h), null);
