import { commonPractice, judgement, tuned, type Sourced } from '../source';
import { jetScale, type JetInput } from './jet';

interface AnyHeater {
  id: string;
  name: string;
  dialUnit: 'C' | 'F';
  minSetC: number;
  maxSetC: number;
  offsetK: Sourced;
  lagS: Sourced;
  /** switches itself off after this long, s; null: it stays on */
  autoOffS: number | null;
}

/** A hot plate or mat under the device. Conductance, offset and lag carry the uncertainty that the forecast's range comes from. */
export interface ContactHeater extends AnyHeater {
  kind: 'plate' | 'mat';
  conductanceWm2K: Sourced;
  calibration?:
    | {
        at: number;
        device: string;
        setC: number;
        count: number;
        durationS: number;
        residualSdK: number;
        covariance: number[];
      }
    | undefined;
}

/** Hot air: a station's gun, its small nozzle, or a dryer. */
export interface AirHeater extends AnyHeater {
  kind: 'air';
  nozzleMm: number;
  flowLpm: number;
  standoffMm: number;
  entrainMm: number;
  hScale: Sourced;
}

/** Hot elements over the glass that touch nothing and blow nothing: the face gets what it sees of them. Its dial is theirs. */
export interface LampHeater extends AnyHeater {
  kind: 'lamp';
  /** share of what the face sees that is elements */
  viewShare: Sourced;
}

export type Heater = ContactHeater | AirHeater | LampHeater;

/** Does the device lie on it. */
export const isContact = (h: Heater): h is ContactHeater => h.kind === 'plate' || h.kind === 'mat';
/** Is it a jet of hot air. */
export const isAir = (h: Heater): h is AirHeater => h.kind === 'air';

export const defaultPlate: ContactHeater = {
  kind: 'plate',
  id: 'plate',
  name: 'Hot plate',
  dialUnit: 'C',
  minSetC: 50,
  maxSetC: 260,
  conductanceWm2K: tuned(350, 'metal hot plate under glass, 100-700; not calibrated on this bench', 40),
  offsetK: judgement(0, 'dial taken as true; a surface probe on the plate would settle it', 1.5),
  lagS: judgement(45, 'time constant of a small plate warming up'),
  autoOffS: null,
};

export const defaultMat: ContactHeater = {
  kind: 'mat',
  id: 'mat',
  name: 'Heat mat',
  dialUnit: 'C',
  minSetC: 40,
  maxSetC: 120,
  conductanceWm2K: tuned(150, 'soft mat under glass, 60-300; not calibrated on this bench', 25),
  offsetK: judgement(0, 'dial taken as true; a surface probe on the mat would settle it', 2),
  lagS: tuned(180, 'a mat warms up slowly; fitted to ten minutes of common practice'),
  autoOffS: 900,
};

const airOffset = judgement(0, 'the station shows the air at its sensor, not at the nozzle; assumed', 10);

export const defaultGun: AirHeater = {
  kind: 'air',
  id: 'gun',
  name: 'Hot-air gun',
  dialUnit: 'C',
  minSetC: 80,
  maxSetC: 350,
  offsetK: airOffset,
  lagS: judgement(8, 'time for the air to settle'),
  autoOffS: null,
  nozzleMm: 20,
  flowLpm: 450,
  standoffMm: 50,
  entrainMm: 60,
  hScale: jetScale,
};

export const defaultNozzle: AirHeater = {
  ...defaultGun,
  id: 'nozzle',
  name: 'Small nozzle',
  nozzleMm: 10,
  flowLpm: 120,
  standoffMm: 30,
  entrainMm: 30,
};

const dryerDistance = commonPractice(115, 'a dryer is held 10 to 13 cm away');

export const defaultDryer: AirHeater = {
  ...defaultGun,
  id: 'dryer',
  name: 'Hair dryer',
  minSetC: 60,
  maxSetC: 140,
  nozzleMm: 45,
  flowLpm: 860,
  standoffMm: dryerDistance.value,
  entrainMm: 135,
  offsetK: judgement(0, 'temperature at the outlet, assumed', 15),
};

/** Not on every bench: none ships in the demo, a shop adds its own. */
export const defaultLamp: LampHeater = {
  kind: 'lamp',
  id: 'lamp',
  name: 'Infrared lamp',
  dialUnit: 'C',
  minSetC: 100,
  maxSetC: 400,
  offsetK: judgement(0, 'the dial is taken as the temperature of the elements, assumed', 15),
  lagS: judgement(60, 'time constant of ceramic elements warming up, assumed'),
  autoOffS: null,
  viewShare: judgement(
    0.4,
    'elements of the size of the device, half its width above it; calibrate by the probe',
    0.06,
  ),
};

/** The jet of a heater at a setpoint. */
export const jetOf = (h: AirHeater, airC: number, hScale = h.hScale.value, standoffMm = h.standoffMm): JetInput => ({
  nozzleMm: h.nozzleMm,
  flowLpm: h.flowLpm,
  airC,
  standoffMm,
  entrainMm: h.entrainMm,
  hScale,
});
