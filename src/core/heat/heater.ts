import { judgement, tuned, type Sourced } from '../source';

/** A hot plate of the bench. Conductance, offset and lag carry the uncertainty that the forecast's range comes from. */
export interface Plate {
  id: string;
  name: string;
  dialUnit: 'C' | 'F';
  maxSetC: number;
  conductanceWm2K: Sourced;
  offsetK: Sourced;
  lagS: Sourced;
}

export const defaultPlate: Plate = {
  id: 'plate',
  name: 'Hot plate',
  dialUnit: 'C',
  maxSetC: 160,
  conductanceWm2K: tuned(350, 'metal hot plate under glass, 100-700; not calibrated on this bench', 40),
  offsetK: judgement(0, 'dial taken as true; a surface probe on the plate would settle it', 1.5),
  lagS: judgement(45, 'time constant of a small plate warming up'),
};

/** Lowest setpoint offered, °C. */
export const minSetC = 50;
