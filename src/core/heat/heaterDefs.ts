import type { Outline } from '../device/types';
import { judgement, type Sourced } from '../source';
import { edgeLoop } from './airPath';
import type { BackSpec } from './backPattern';
import { radiationWm2K } from './environment';
import { jetOf, type AirHeater, type ContactHeater, type Heater, type LampHeater } from './heater';
import type { HeatUse } from './member';
import { swing, swingOf } from './ripple';

/** From leaving the plate to the pick in the gap. Lifting must still be easy then. */
export const handlingS = judgement(20, 'time from the plate to the first cut; set it to your own');
/** Hot air is laid aside on the spot, with the pick at hand. */
export const airHandlingS = judgement(3, 'time from laying the nozzle aside to the first cut');
/** A lamp is swung away; the device stays where it lies. */
export const lampHandlingS = judgement(5, 'time from swinging the lamp away to the first cut');

/** One direction in which a heater is uncertain: moves how well its heat gets in, and its temperature, K. */
export interface Axis {
  /** W/m²K of a contact, or share of a jet's scale or of a lamp's view */
  into: number;
  offsetK: number;
}

export const unmoved: Axis = { into: 0, offsetK: 0 };

/** A figure of a heater and the range in which anything is computed with it. */
type Limit = readonly [field: string, value: number, low: number, high: number, unit?: string];

/** How a heater is set and used when it heats. */
interface Setting {
  use: HeatUse;
  setC: number;
  moved: Axis;
  ambientC: number;
  outline: Outline;
}

/** What lies over the face, and the temperature that drives it, °C. */
interface Over {
  back: number | BackSpec;
  targetC: number;
}

/** Everything that heat asks of a form of heater. A form that is added here is computed everywhere; what is missing does not compile. */
export interface HeaterDef<H extends Heater> {
  /** the device lies on it: it stays under it when it is off, and its setpoint is what the glue can come to */
  under: boolean;
  /** it is led over the face: rounds, strips and spots are its ways, and places swing under it */
  led: boolean;
  /** a thermocouple's log says what its figures are (law 18) */
  calibrates: boolean;
  /** from its end to the first cut */
  leadS: Sourced;
  limits(h: H): readonly Limit[];
  over(h: H, at: Setting): Over;
  /** two independent directions, one standard uncertainty each */
  uncertain(h: H): readonly [Axis, Axis];
  /** the same heater with its figures moved: how one of its kind may really be */
  moved(h: H, by: Axis): H;
}

const axesOf = (into: Sourced, offset: Sourced): readonly [Axis, Axis] => [
  { into: into.u ?? 0, offsetK: 0 },
  { into: 0, offsetK: offset.u ?? 0 },
];

/** A figure moved by so much, never under what can be computed with. */
const plus = (s: Sourced, by: number, least = -Infinity): Sourced => ({ ...s, value: Math.max(least, s.value + by) });

const contact: HeaterDef<ContactHeater> = {
  under: true,
  led: false,
  calibrates: true,
  leadS: handlingS,
  limits: (h) => [['heater.conductanceWm2K', h.conductanceWm2K.value, 1, 20_000, 'W/m²K']],
  over: (h, { use, setC, moved }) => {
    const hWm2K = Math.max(5, h.conductanceWm2K.value + moved.into);
    return {
      back: use.lifted?.length ? { kind: 'contact', hWm2K, lifted: use.lifted } : hWm2K,
      targetC: setC + h.offsetK.value + moved.offsetK,
    };
  },
  uncertain: (h) => {
    const cov = h.calibration?.covariance;
    const plain = axesOf(h.conductanceWm2K, h.offsetK);
    if (!cov) return plain;
    // calibrated figures correlate (a hotter plate with a worse contact looks the same), so the axes of their covariance are
    // taken (law 18): in standard units the two-by-two correlation matrix has them on the diagonals
    const [sa, sb] = [Math.sqrt(Math.max(0, cov[0]!)), Math.sqrt(Math.max(0, cov[4]!))];
    if (!(sa > 0 && sb > 0)) return plain;
    const r = Math.max(-1, Math.min(1, cov[1]! / (sa * sb)));
    const [plus, minus] = [Math.sqrt((1 + r) / 2), Math.sqrt((1 - r) / 2)];
    return [
      { into: sa * plus, offsetK: sb * plus },
      { into: sa * minus, offsetK: -sb * minus },
    ];
  },
  moved: (h, by) => ({
    ...h,
    conductanceWm2K: plus(h.conductanceWm2K, by.into, 5),
    offsetK: plus(h.offsetK, by.offsetK),
  }),
};

const air: HeaterDef<AirHeater> = {
  under: false,
  led: true,
  calibrates: false,
  leadS: airHandlingS,
  limits: (h) => [['heater.hScale', h.hScale.value, 0.01, 50]],
  over: (h, { use, setC, moved, outline }) => {
    const path = use.path ?? edgeLoop;
    // a moving jet brings less than its mean
    const lost = Math.min(0.5, swing.lostShare.value * swingOf(outline, path));
    const scale = Math.max(0.05, (h.hScale.value + moved.into) * (1 - lost));
    const airC = setC + h.offsetK.value;
    return {
      back: {
        kind: 'jet',
        jet: jetOf(h, airC, scale, use.standoffMm ?? h.standoffMm),
        path,
        masks: use.masks ?? [],
      },
      targetC: airC + moved.offsetK,
    };
  },
  uncertain: (h) => axesOf(h.hScale, h.offsetK),
  moved: (h, by) => ({ ...h, hScale: plus(h.hScale, by.into, 0.05), offsetK: plus(h.offsetK, by.offsetK) }),
};

/** The film that a lamp's flux is told by, W/m²K: it stands for no loss, the face's own films take those. */
const solAirFilmWm2K = 15;

const lamp: HeaterDef<LampHeater> = {
  under: false,
  led: false,
  calibrates: false,
  leadS: lampHandlingS,
  limits: (h) => [['heater.viewShare', h.viewShare.value, 0.01, 1]],
  /**
   * Grey exchange between hot elements and a face that sees them with a share of its view (Incropera & DeWitt ch. 13), told
   * as the air temperature that would bring the same heat through a film (sol-air temperature, ASHRAE Fundamentals).
   */
  over: (h, { setC, moved, ambientC }) => {
    const elementC = setC + h.offsetK.value + moved.offsetK;
    const share = Math.min(1, Math.max(0, h.viewShare.value + moved.into));
    const fluxWm2 = share * radiationWm2K(elementC, ambientC) * (elementC - ambientC);
    return { back: { kind: 'rays', filmWm2K: solAirFilmWm2K }, targetC: ambientC + fluxWm2 / solAirFilmWm2K };
  },
  uncertain: (h) => axesOf(h.viewShare, h.offsetK),
  moved: (h, by) => ({ ...h, viewShare: plus(h.viewShare, by.into, 0.01), offsetK: plus(h.offsetK, by.offsetK) }),
};

/** The heater that a form belongs to. */
type OfKind<K, H extends Heater = Heater> = H extends Heater ? (K extends H['kind'] ? H : never) : never;

const defs: { [K in Heater['kind']]: HeaterDef<OfKind<K>> } = { plate: contact, mat: contact, air, lamp };

/** The definition of a heater's form; its calls take this heater. */
export const defOf = (h: Pick<Heater, 'kind'>): HeaterDef<Heater> => defs[h.kind] as unknown as HeaterDef<Heater>;

/** The heat of a heater ends this long before the first cut, s. */
export const leadOf = (h: Pick<Heater, 'kind'>): number => defOf(h).leadS.value;

/** Two independent directions in which a heater is uncertain, one standard uncertainty each. */
export const uncertainAxes = (h: Heater): readonly [Axis, Axis] => defOf(h).uncertain(h);
