import type { Range } from '../source';
import { hConv } from './environment';
import type { AirPath } from './airPath';
import type { BackSpec, Mask } from './backPattern';
import { jetOf, type Heater } from './heater';
import { ReducedModel, Trajectory, type HeatPhase } from './reduced';

/** How a heater is used on this device. */
export interface HeatUse {
  /** way of the nozzle; a round at the edge when it is not said */
  path?: AirPath | undefined;
  /** distance of the nozzle, mm, when it is not the heater's own */
  standoffMm?: number | undefined;
  /** what is covered against the air */
  masks?: readonly Mask[] | undefined;
  /** where the face does not lie on the plate: the share of the contact that is left */
  lifted?: readonly Mask[] | undefined;
}

/** One thing that happened to the device: heated at a setpoint, or left alone. Seconds from the run's start. */
export interface HeatSwitch {
  atS: number;
  /** setpoint, or null for "no heat any more" */
  setC: number | null;
  /** the heater was at its setpoint when the heat began */
  preheated: boolean;
  /** where the heater was instead, °C (default: at ambient), and a time constant other than its own */
  fromC?: number | undefined;
  lagS?: number | undefined;
  /** the heater, when it is not the run's own */
  heater?: Heater | undefined;
  use?: HeatUse | undefined;
}

/** Grid error of the check grid, K: finer grids read the bond line up to 1.2 K colder (refinement study, own model). */
export const numericalK = { bondLow: 1.2, bondHigh: 0.3, partLow: 0.5, partHigh: 0.5 };
/** Under moving air the line also swings round its mean with every pass, ± K (4.2 K from top to bottom with the moving jet, 4 s rounds). */
export const rippleK = { bond: 2, part: 0.5 };

export const edgeLoop: AirPath = { kind: 'loop', insetMm: 2, roundS: 4 };

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
    readonly heater: Heater,
    readonly ambientC: number,
    readonly switches: readonly HeatSwitch[],
    private readonly members: readonly Trajectory[],
    private readonly build: readonly ((s: HeatSwitch, plateStartC: number) => HeatPhase)[],
  ) {}

  /** @param use how the run's own heater is used, where a switch does not say it */
  static start(
    model: ReducedModel,
    heater: Heater,
    ambientC: number,
    switches: readonly HeatSwitch[] = [],
    use: HeatUse = {},
  ): HeatRun {
    const hFree = model.modes.hFreeWm2K;
    // one member per uncertain direction: two of the heater, and free convection
    const moved = [
      { axis: null, dFree: 0 },
      { axis: 0, dFree: 0 },
      { axis: 1, dFree: 0 },
      { axis: null, dFree: hConv.u ?? 0 },
    ] as const;
    const build = moved.map((m) => (s: HeatSwitch, startC: number): HeatPhase => {
      const h = s.heater ?? heater;
      const by = m.axis === null ? { into: 0, offsetK: 0 } : uncertainAxes(h)[m.axis];
      if (s.setC === null)
        return { startS: s.atS, contactWm2K: null, targetC: ambientC, plateStartC: ambientC, lagS: 0 };
      const targetC = s.setC + h.offsetK.value;
      return {
        startS: s.atS,
        contactWm2K: backOf(h, s.use ?? (s.heater ? {} : use), targetC, by.into),
        targetC: targetC + by.offsetK,
        plateStartC: s.fromC ?? startC,
        lagS: s.preheated ? 0 : (s.lagS ?? h.lagS.value),
      };
    });
    const empty = moved.map((m) => new Trajectory(model, [], ambientC, hFree + m.dFree));
    return switches.reduce((run, s) => run.then(s), new HeatRun(model, heater, ambientC, [], empty, build));
  }

  /** The run continued with one more switch; switches at or after its instant are dropped. */
  then(s: HeatSwitch): HeatRun {
    const kept = this.switches.filter((x) => x.atS < s.atS);
    return new HeatRun(
      this.model,
      this.heater,
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
    const ripple = this.underAir(tS) ? rippleK.bond : 0;
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
      return this.cellRange(rows, coldest, states, numericalK.bondLow + ripple, numericalK.bondHigh + ripple);
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
    const ripple = this.underAir(tS) ? rippleK.part : 0;
    return this.cellRange(rows.values, hottest, states, numericalK.partLow + ripple, numericalK.partHigh + ripple);
  }

  /** Nominal temperature of every bond cell, °C. */
  bondC(tS: number): Float64Array {
    const rows = this.model.rows('bond');
    const y = this.members[0]!.state(tS);
    return Float64Array.from({ length: rows.count }, (_, i) => rowDot(rows.values, i, y) + this.ambientC);
  }

  /** Hottest place of the heated face and the mean over it, °C: what the glass itself has to stand. */
  faceC(tS: number): { hottest: number; mean: number } {
    const rows = this.model.rows('back');
    const y = this.members[0]!.state(tS);
    let hottest = -Infinity;
    let sum = 0;
    for (let c = 0; c < rows.count; c++) {
      const v = rowDot(rows.values, c, y);
      sum += v;
      if (v > hottest) hottest = v;
    }
    return { hottest: hottest + this.ambientC, mean: sum / rows.count + this.ambientC };
  }

  private underAir(tS: number): boolean {
    const on = this.onPlate(tS);
    return on !== null && (on.heater ?? this.heater).kind === 'air';
  }

  /** Mean bond-plane temperatures on the picture's raster, row after row, °C. */
  picture(tS: number): Float64Array {
    const rows = this.model.rows('picture');
    const y = this.members[0]!.state(tS);
    const out = new Float64Array(rows.count);
    for (let q = 0; q < rows.count; q++) out[q] = this.ambientC + rowDot(rows.values, q, y);
    return out;
  }

  /** The heat that is on at an instant; null when there is none. */
  onPlate(tS: number): HeatSwitch | null {
    let found: HeatSwitch | null = null;
    for (const s of this.switches) if (s.atS <= tS) found = s;
    return found && found.setC !== null ? found : null;
  }
}

interface Axis {
  /** moves the contact conductance, W/m²K, or the jet's scale */
  into: number;
  offsetK: number;
}

/**
 * Two independent directions in which a heater is uncertain, one standard uncertainty each. Calibrated figures correlate
 * (a hotter plate with a worse contact looks the same), so there the axes of their covariance are taken (one law 18).
 */
export function uncertainAxes(h: Heater): readonly [Axis, Axis] {
  const into = h.kind === 'air' ? h.hScale.u : h.conductanceWm2K.u;
  const plain = [
    { into: into ?? 0, offsetK: 0 },
    { into: 0, offsetK: h.offsetK.u ?? 0 },
  ] as const;
  const cov = h.kind === 'air' ? undefined : h.calibration?.covariance;
  if (!cov) return plain;
  // in standard units the two-by-two correlation matrix has its axes on the diagonals
  const [sa, sb] = [Math.sqrt(Math.max(0, cov[0]!)), Math.sqrt(Math.max(0, cov[4]!))];
  if (!(sa > 0 && sb > 0)) return plain;
  const r = Math.max(-1, Math.min(1, cov[1]! / (sa * sb)));
  const [plus, minus] = [Math.sqrt((1 + r) / 2), Math.sqrt((1 - r) / 2)];
  return [
    { into: sa * plus, offsetK: sb * plus },
    { into: sa * minus, offsetK: -sb * minus },
  ];
}

/** What a heater puts over the face; `into` moves how well its heat gets in. */
export function backOf(h: Heater, use: HeatUse, airC: number, into: number): number | BackSpec {
  if (h.kind === 'air') {
    const scale = h.hScale.value + into;
    return {
      kind: 'jet',
      jet: jetOf(h, airC, scale, use.standoffMm ?? h.standoffMm),
      path: use.path ?? edgeLoop,
      masks: use.masks ?? [],
    };
  }
  const hWm2K = Math.max(5, h.conductanceWm2K.value + into);
  return use.lifted?.length ? { kind: 'contact', hWm2K, lifted: use.lifted } : hWm2K;
}

function rowDot(values: Float32Array, row: number, y: Float64Array): number {
  const r = y.length;
  let sum = 0;
  for (let i = 0, at = row * r; i < r; i++, at++) sum += values[at]! * y[i]!;
  return sum;
}
