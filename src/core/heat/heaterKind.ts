import { commonPractice, judgement, type Sourced } from '../source';
import { isAir, type AirHeater, type Heater } from './heater';

/** Kinds of heater as a bench speaks of them; the two kinds of air differ in what they can do. */
export type HeaterKind = 'plate' | 'mat' | 'gun' | 'dryer' | 'lamp';

/** Everything that is asked of a kind of heater. A kind that is added here answers everywhere; nothing asks for an id. */
export interface HeaterKindAnswers {
  /** where it is usually set, °C */
  usualSetC: Sourced;
  /** it is at its setpoint before the device comes to it */
  preheated: boolean;
  /** its nozzle is narrow enough to go round outside the edge */
  outward: boolean;
  /** an element that lights vapour while it runs and for a while after */
  hotElement: boolean;
  /** the app sets it through its own instrument */
  steered: boolean;
}

export const heaterKinds: Record<HeaterKind, HeaterKindAnswers> = {
  plate: {
    usualSetC: commonPractice(110, 'hot plate under a glass back'),
    preheated: true,
    outward: false,
    hotElement: false,
    steered: true,
  },
  mat: {
    usualSetC: commonPractice(95, 'programme of a heat mat'),
    preheated: false,
    outward: false,
    hotElement: false,
    steered: false,
  },
  gun: {
    usualSetC: commonPractice(200, 'hot-air gun round the edge, always moving'),
    preheated: true,
    outward: true,
    hotElement: true,
    steered: false,
  },
  dryer: {
    usualSetC: commonPractice(120, 'a hair dryer at its hottest'),
    preheated: true,
    outward: false,
    hotElement: true,
    steered: false,
  },
  lamp: {
    usualSetC: judgement(350, 'ceramic elements over glass: slow, even and without touching'),
    preheated: true,
    outward: false,
    hotElement: true,
    steered: false,
  },
};

/** Air that is wide and never gets as hot as a gun is a dryer, whatever it is called. */
export const kindOfHeater = (h: Heater): HeaterKind =>
  !isAir(h) ? h.kind : h.maxSetC < 180 && h.nozzleMm >= 30 ? 'dryer' : 'gun';

/** What the kind of this heater answers. */
export const answersOf = (h: Heater): HeaterKindAnswers => heaterKinds[kindOfHeater(h)];

/** The air that reaches the smallest place; null: the bench has none. */
export const finestAir = (airs: readonly AirHeater[]): AirHeater | null =>
  airs.reduce<AirHeater | null>((a, h) => (a && a.nozzleMm <= h.nozzleMm ? a : h), null);
