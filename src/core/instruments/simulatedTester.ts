import { airPressurePa } from '../seal/decay';

export const testerFaults = ['none', 'leaky', 'warm', 'noisy', 'silent'] as const;
export type TesterFault = (typeof testerFaults)[number];

/** What the device under the tester really is; the app never sees it. */
export interface HiddenDevice {
  /** time constant of the leak, s */
  tauS: number;
  noisePa: number;
  roomC: number;
}

export interface HoldReadings {
  t: number[];
  /** difference to the room, Pa */
  p: number[];
  /** temperature of the air inside, °C; only of a tester that has a probe there */
  gasC: number[] | null;
}

/** Warmth that is left in a device which comes from the plate, K, and how fast it goes, s. */
const warmK = 14;
const coolS = 70;
const gross = 6;

/**
 * A tester that holds a pressure difference: ideal gas in a leaky volume that may cool meanwhile, d(p/T)/dt = −(p − room)/(τ T),
 * integrated finely (classical Runge-Kutta). Pure: the noise comes from outside.
 */
export class SimulatedTester {
  private fault: TesterFault = 'none';

  constructor(
    private readonly hidden: HiddenDevice,
    private readonly normal: () => number,
  ) {}

  setFault(fault: TesterFault): void {
    this.fault = fault;
  }

  /** @returns null when the tester says nothing */
  hold(startPa: number, seconds: number): HoldReadings | null {
    if (this.fault === 'silent') return null;
    const tau = this.hidden.tauS / (this.fault === 'leaky' ? gross : 1);
    const warm = this.fault === 'warm' ? warmK : 0;
    const noise = this.hidden.noisePa * (this.fault === 'noisy' ? 15 : 1);
    const room = airPressurePa.value;
    const kelvin = (t: number) => this.hidden.roomC + 273.15 + warm * Math.exp(-t / coolS);
    let m = (room + startPa) / kelvin(0);
    const rate = (t: number, x: number) => -(x * kelvin(t) - room) / (tau * kelvin(t));
    const out: HoldReadings = { t: [], p: [], gasC: warm ? [] : null };
    const every = Math.max(1, Math.round(seconds / 60));
    const h = 0.05;
    const steps = Math.round(every / h);
    for (let t = 0; t <= seconds + 1e-9; t += every) {
      out.t.push(t);
      out.p.push(Math.round((m * kelvin(t) - room + noise * this.normal()) * 10) / 10);
      out.gasC?.push(Math.round((kelvin(t) - 273.15) * 10) / 10);
      for (let k = 0; k < steps; k++) {
        const at = t + k * h;
        const a = rate(at, m);
        const b = rate(at + h / 2, m + (h / 2) * a);
        const c = rate(at + h / 2, m + (h / 2) * b);
        const d = rate(at + h, m + h * c);
        m += (h / 6) * (a + 2 * b + 2 * c + d);
      }
    }
    return out;
  }
}
