import type { ReducedModel } from '../heat/reduced';
import type { HeatPhase } from '../heat/trajectory';
import { Trajectory } from '../heat/trajectory';

export type SimulatedFault = 'none' | 'loose' | 'drift' | 'dropout' | 'open' | 'frozen';
export const simulatedFaults: readonly SimulatedFault[] = ['none', 'loose', 'drift', 'dropout', 'open', 'frozen'];

/** What the simulated bench really is; the app never sees it. */
export interface HiddenTruth {
  conductanceWm2K: number;
  offsetK: number;
  lagS: number;
  noiseK: number;
}

export interface SimulatedReading {
  atS: number;
  /** thermocouple at the bond line, °C; null: no probe; undefined: no reading comes */
  probeC: number | null | undefined;
  /** what the plate's own display says */
  plateC: number;
  setC: number;
  heating: boolean;
  deviceOn: boolean;
}

/** Repeatable noise: linear congruential generator and Box-Muller. */
function noiseOf(seed: number): () => number {
  let state = Math.max(1, seed % 2147483647);
  const uniform = () => (state = (state * 16807) % 2147483647) / 2147483647;
  return () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
}

/**
 * A plate with a controller and a thermocouple at the bond line of a device, driven by the device's own reduced model with
 * hidden figures, noise, and faults that can be switched on. Pure: time is told from outside.
 */
export class SimulatedBench {
  private run: Trajectory;
  private setC = 20;
  private heating = false;
  private deviceOn = false;
  /** plate temperature when the setpoint last changed, and when */
  private plateFromC: number;
  private plateSinceS = 0;
  private fault: SimulatedFault = 'none';
  private faultSinceS = 0;
  private held: number | null = null;
  private readonly noise: () => number;

  constructor(
    private readonly model: ReducedModel,
    private readonly truth: HiddenTruth,
    private readonly cell: number,
    private readonly ambientC: number,
    seed = 11,
  ) {
    this.run = new Trajectory(model, [], ambientC, model.modes.hFreeWm2K);
    this.plateFromC = ambientC;
    this.noise = noiseOf(seed);
  }

  /** Setpoint and switch of the plate. */
  /** the plate is switched on */
  get isHeating(): boolean {
    return this.heating;
  }

  control(atS: number, to: { setC?: number; heating?: boolean }): void {
    this.plateFromC = this.plateAt(atS);
    this.plateSinceS = atS;
    this.setC = to.setC ?? this.setC;
    this.heating = to.heating ?? this.heating;
    if (this.deviceOn) this.lay(atS);
  }

  /** The device is laid on the plate, or taken off. */
  device(atS: number, on: boolean): void {
    this.deviceOn = on;
    if (on) this.lay(atS);
    else this.phase({ startS: atS, contactWm2K: null, targetC: this.ambientC, plateStartC: this.ambientC, lagS: 0 });
  }

  setFault(atS: number, fault: SimulatedFault): void {
    this.fault = fault;
    this.faultSinceS = atS;
    this.held = null;
  }

  read(atS: number): SimulatedReading {
    const line = this.lineC(atS) + this.truth.noiseK * this.noise();
    return {
      atS,
      probeC: this.spoilt(atS, line),
      // the display shows what its own sensor sees: the plate less the hidden offset
      plateC: Math.round(this.plateAt(atS) - this.truth.offsetK),
      setC: this.setC,
      heating: this.heating,
      deviceOn: this.deviceOn,
    };
  }

  private spoilt(atS: number, line: number): number | null | undefined {
    const since = atS - this.faultSinceS;
    const tenth = (v: number) => Math.round(v * 10) / 10;
    switch (this.fault) {
      case 'dropout':
        return undefined;
      case 'open':
        return null;
      case 'frozen':
        this.held ??= tenth(line);
        return this.held;
      case 'loose':
        // a bead that came off sits in warm air and cools within seconds
        return tenth(this.ambientC + 5 + (line - this.ambientC - 5) * Math.exp(-since / 4));
      case 'drift':
        return tenth(line - (8 * since) / 60);
      default:
        return tenth(line);
    }
  }

  private lineC(atS: number): number {
    const y = this.run.state(atS);
    const { values } = this.model.rows('bond');
    let x = this.ambientC;
    for (let m = 0; m < y.length; m++) x += values[this.cell * y.length + m]! * y[m]!;
    return x;
  }

  private target(): number {
    return this.heating ? this.setC + this.truth.offsetK : this.ambientC;
  }

  private plateAt(atS: number): number {
    const target = this.target();
    return target + (this.plateFromC - target) * Math.exp(-(atS - this.plateSinceS) / this.truth.lagS);
  }

  private lay(atS: number): void {
    this.phase({
      startS: atS,
      contactWm2K: this.truth.conductanceWm2K,
      targetC: this.target(),
      plateStartC: this.plateAt(atS),
      lagS: this.truth.lagS,
    });
  }

  private phase(p: HeatPhase): void {
    this.run = this.run.with(p);
  }
}
