import type { Range } from '../source';
import { hConv } from './environment';
import type { Plate } from './heater';
import { ReducedModel, Trajectory, type HeatPhase } from './reduced';

/** One thing that happened to the device: laid on a plate at a setpoint, or taken off it. Seconds from the run's start. */
export interface HeatSwitch {
  atS: number;
  /** setpoint, or null for "off the plate" */
  setC: number | null;
  /** the plate was at its setpoint when the device was laid on */
  preheated: boolean;
}

/** Grid error of the check grid, K: finer grids read the bond line up to 1.2 K colder (refinement study, own model). */
export const numericalK = { bondLow: 1.2, bondHigh: 0.3, partLow: 0.5, partHigh: 0.5 };

export interface ArcCells {
  fromMm: number;
  toMm: number;
  cells: Int32Array;
}

/** The bond's perimeter in n equal arcs centred on s = 0, with the grid cells of each. Cells go to the nearest arc. */
export function arcCells(model: ReducedModel, perimeterMm: number, n = 24): ArcCells[] {
  const step = perimeterMm / n;
  const lists: number[][] = Array.from({ length: n }, () => []);
  model.modes.bondSMm.forEach((s, cell) => lists[Math.floor((s + step / 2) / step) % n]!.push(cell));
  return lists.map((cells, i) => ({
    fromMm: (i - 0.5) * step,
    toMm: (i + 0.5) * step,
    // an arc without a cell of its own (coarse grids) borrows its neighbour's
    cells: Int32Array.from(cells.length ? cells : (lists[(i + 1) % n] ?? [])),
  }));
}

/**
 * A run of heating and cooling with its uncertainty: the nominal trajectory and one per uncertain parameter moved by one
 * standard uncertainty (contact conductance, plate offset, free convection). Ranges are about 95 % plus the grid error.
 */
export class HeatRun {
  private constructor(
    readonly model: ReducedModel,
    readonly plate: Plate,
    readonly ambientC: number,
    readonly switches: readonly HeatSwitch[],
    private readonly members: readonly Trajectory[],
    private readonly build: readonly ((s: HeatSwitch, plateStartC: number) => HeatPhase)[],
  ) {}

  static start(model: ReducedModel, plate: Plate, ambientC: number, switches: readonly HeatSwitch[] = []): HeatRun {
    const hFree = model.modes.hFreeWm2K;
    const moved = [
      { dh: 0, dOffset: 0, dFree: 0 },
      { dh: plate.conductanceWm2K.u ?? 0, dOffset: 0, dFree: 0 },
      { dh: 0, dOffset: plate.offsetK.u ?? 0, dFree: 0 },
      { dh: 0, dOffset: 0, dFree: hConv.u ?? 0 },
    ];
    const build = moved.map((m) => (s: HeatSwitch, plateStartC: number): HeatPhase => ({
      startS: s.atS,
      contactWm2K: s.setC === null ? null : plate.conductanceWm2K.value + m.dh,
      targetC: s.setC === null ? ambientC : s.setC + plate.offsetK.value + m.dOffset,
      plateStartC,
      lagS: s.setC === null || s.preheated ? 0 : plate.lagS.value,
    }));
    const empty = moved.map((m) => new Trajectory(model, [], ambientC, hFree + m.dFree));
    return switches.reduce((run, s) => run.then(s), new HeatRun(model, plate, ambientC, [], empty, build));
  }

  /** The run continued with one more switch; switches at or after its instant are dropped. */
  then(s: HeatSwitch): HeatRun {
    const kept = this.switches.filter((x) => x.atS < s.atS);
    return new HeatRun(
      this.model,
      this.plate,
      this.ambientC,
      [...kept, s],
      this.members.map((m, i) => m.with(this.build[i]!(s, this.ambientC))),
      this.build,
    );
  }

  private states(tS: number): Float64Array[] {
    return this.members.map((m) => m.state(tS));
  }

  /** Range of one cell: nominal value and the root sum of squares of what each parameter moves it by. */
  private cellRange(values: Float32Array, row: number, states: Float64Array[], low: number, high: number): Range {
    const mean = rowDot(values, row, states[0]!) + this.ambientC;
    let u2 = 0;
    for (let i = 1; i < states.length; i++) u2 += (rowDot(values, row, states[i]!) + this.ambientC - mean) ** 2;
    const u = Math.sqrt(u2);
    return { low: mean - 2 * u - low, mean, high: mean + 2 * u + high };
  }

  /** Coldest bond-line temperature of each arc, °C; the range is that of its coldest cell. */
  arcsC(tS: number, arcs: readonly ArcCells[]): Range[] {
    const rows = this.model.rows('bond').values;
    const states = this.states(tS);
    return arcs.map((a) => {
      let coldest = a.cells[0]!;
      let least = Infinity;
      for (const cell of a.cells) {
        const v = rowDot(rows, cell, states[0]!);
        if (v < least) {
          least = v;
          coldest = cell;
        }
      }
      return this.cellRange(rows, coldest, states, numericalK.bondLow, numericalK.bondHigh);
    });
  }

  arcC(tS: number, arc: ArcCells): Range {
    return this.arcsC(tS, [arc])[0]!;
  }

  /** Hottest face temperature of a watched kind of part, °C, or null when the device has none. */
  partC(tS: number, id: 'battery' | 'camera' | 'display'): Range | null {
    const rows = this.model.rows(id);
    if (!rows.count) return null;
    const states = this.states(tS);
    let hottest = 0;
    let most = -Infinity;
    for (let cell = 0; cell < rows.count; cell++) {
      const v = rowDot(rows.values, cell, states[0]!);
      if (v > most) {
        most = v;
        hottest = cell;
      }
    }
    return this.cellRange(rows.values, hottest, states, numericalK.partLow, numericalK.partHigh);
  }

  /** Mean bond-plane temperatures on the picture's raster, row after row, °C. */
  picture(tS: number): Float64Array {
    const rows = this.model.rows('picture');
    const y = this.members[0]!.state(tS);
    const out = new Float64Array(rows.count);
    for (let q = 0; q < rows.count; q++) out[q] = this.ambientC + rowDot(rows.values, q, y);
    return out;
  }

  /** Plate temperature the run assumes at an instant while on the plate; null when off. */
  onPlate(tS: number): HeatSwitch | null {
    let found: HeatSwitch | null = null;
    for (const s of this.switches) if (s.atS <= tS) found = s;
    return found && found.setC !== null ? found : null;
  }
}

function rowDot(values: Float32Array, row: number, y: Float64Array): number {
  const r = y.length;
  let sum = 0;
  for (let i = 0, at = row * r; i < r; i++, at++) sum += values[at]! * y[i]!;
  return sum;
}
