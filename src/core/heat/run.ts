import { contains } from '../device/shapes';
import type { Shape } from '../device/types';
import { judgement, type Range } from '../source';
import { hConv, fanConv } from './environment';
import { edgeLoop } from './airPath';
import type { Heater } from './heater';
import { defOf, uncertainAxes, unmoved } from './heaterDefs';
import { requireIn } from '../errors';
import { Trajectory, type Films, type HeatPhase } from './trajectory';
import type { GridErrorK } from './modes';
import type { ReducedModel } from './reduced';
import { Member, rowDot, type HeatSwitch, type HeatUse, type Watched } from './member';
import { swing, swingOf } from './ripple';
import { type ArcCells } from './arcs';

/** Grid error of the check grid, K: finer grids read the bond line up to 1.2 K colder (refinement study, own model). */
const numericalK: GridErrorK = { bondLow: 1.2, bondHigh: 0.3, partLow: 0.5, partHigh: 0.5 };

/** Air over the bench: still, or a fan or draught over it. It passes the face that lies open (law 26). */
export type BenchAir = 'still' | 'draught';

/** Ranges that a person's figure may lie in; outside them nothing is computed (°C, W/m²K, K, s). */
export const heatLimits = {
  ambientC: [-30, 60],
  setC: [-100, 600],
  atS: [-1e7, 1e7],
  offsetK: [-100, 100],
  lagS: [0, 7200],
} as const;

function checkHeater(h: Heater): void {
  for (const [field, value, low, high, unit] of defOf(h).limits(h)) requireIn(field, value, low, high, unit);
  requireIn('heater.offsetK', h.offsetK.value, ...heatLimits.offsetK, 'K');
  requireIn('heater.lagS', h.lagS.value, ...heatLimits.lagS, 's');
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
    readonly members: readonly Member[],
    private readonly use: HeatUse,
  ) {}

  /**
   * @param use how the run's own heater is used, where a switch does not say it
   * @throws CoreInputError when room, setpoint, instant or a figure of the heater is no number or out of range
   */
  static start(
    model: ReducedModel,
    heater: Heater,
    ambientC: number,
    switches: readonly HeatSwitch[] = [],
    use: HeatUse = {},
    air: BenchAir = 'still',
  ): HeatRun {
    requireIn('ambientC', ambientC, ...heatLimits.ambientC, '°C');
    checkHeater(heater);
    const still = model.stillAir;
    const blown = fanConv.value - hConv.value;
    // one member per uncertain direction: two of the heater, and convection
    const moved = [
      { axis: null, dFree: 0 },
      { axis: 0, dFree: 0 },
      { axis: 1, dFree: 0 },
      { axis: null, dFree: air === 'draught' ? (fanConv.u ?? 0) : (hConv.u ?? 0) },
    ] as const;
    // on a plate the display side lies open, off it the cover does
    const films = (heated: 'contact' | 'open' | null, dFree: number): Films =>
      air === 'draught'
        ? heated === 'contact'
          ? { back: still.back, front: still.front + blown + dFree }
          : { back: still.back + blown + dFree, front: still.front }
        : { back: still.back + dFree, front: still.front + dFree };
    const members = moved.map((m, n) => {
      const phase = (s: HeatSwitch): HeatPhase => {
        const h = s.heater ?? heater;
        const moved = m.axis === null ? unmoved : uncertainAxes(h)[m.axis];
        if (s.setC === null)
          return {
            startS: s.atS,
            contactWm2K: null,
            targetC: ambientC,
            plateStartC: ambientC,
            lagS: 0,
            films: films(null, m.dFree),
          };
        const def = defOf(h);
        const { back, targetC } = def.over(h, {
          use: s.use ?? (s.heater ? {} : use),
          setC: s.setC,
          moved,
          ambientC,
          outline: model.modes.outline,
        });
        return {
          startS: s.atS,
          contactWm2K: back,
          targetC,
          plateStartC: s.fromC ?? ambientC,
          lagS: s.preheated ? 0 : (s.lagS ?? h.lagS.value),
          films: films(def.under ? 'contact' : 'open', m.dFree),
        };
      };
      return new Member(
        model,
        new Trajectory(model, [], ambientC, films(null, m.dFree), { wide: n > 0 }),
        ambientC,
        phase,
      );
    });
    return switches.reduce((run, s) => run.then(s), new HeatRun(model, heater, ambientC, [], members, use));
  }

  /** How far this run's grid may be off, and what is not known of the device, K. */
  get errorK(): GridErrorK {
    const more = this.model.modes.unsureK;
    if (!more) return numericalK;
    return {
      bondLow: numericalK.bondLow + more.bondLow,
      bondHigh: numericalK.bondHigh + more.bondHigh,
      partLow: numericalK.partLow + more.partLow,
      partHigh: numericalK.partHigh + more.partHigh,
    };
  }

  /** The run continued with one more switch; switches at or after its instant are dropped. */
  then(s: HeatSwitch): HeatRun {
    requireIn('atS', s.atS, ...heatLimits.atS, 's');
    if (s.setC !== null) requireIn('setC', s.setC, ...heatLimits.setC, '°C');
    if (s.heater) checkHeater(s.heater);
    const kept = this.switches.filter((x) => x.atS < s.atS);
    return new HeatRun(
      this.model,
      this.heater,
      this.ambientC,
      [...kept, s],
      this.members.map((m) => m.then(s)),
      this.use,
    );
  }

  private states(tS: number): Float64Array[] {
    return this.members.map((m) => m.trajectory.state(tS));
  }

  /** Range of one cell: nominal value and the root sum of squares of what each parameter moves it by. */
  private cellRange(values: Float32Array, row: number, states: Float64Array[], low: number, high: number): Range {
    const mean = rowDot(values, row, states[0]!) + this.ambientC;
    let u2 = 0;
    for (let i = 1; i < states.length; i++) u2 += (rowDot(values, row, states[i]!) + this.ambientC - mean) ** 2;
    const u = Math.sqrt(u2);
    return { low: mean - 2 * u - low, mean, high: mean + 2 * u + high };
  }

  private endOfArcs(tS: number, arcs: readonly ArcCells[], end: 'coldest' | 'hottest'): Range[] {
    const rows = this.model.rows('bond').values;
    const states = this.states(tS);
    const ripple = this.swingK(tS).bond;
    const sign = end === 'coldest' ? 1 : -1;
    return arcs.map((a) => {
      let at = a.cells[0]!;
      let least = Infinity;
      for (const cell of a.cells) {
        const v = sign * rowDot(rows, cell, states[0]!);
        if (v < least) {
          least = v;
          at = cell;
        }
      }
      return this.cellRange(rows, at, states, this.errorK.bondLow + ripple, this.errorK.bondHigh + ripple);
    });
  }

  /** Coldest bond-line temperature of each arc, °C; the range is that of its coldest cell. */
  arcsC(tS: number, arcs: readonly ArcCells[]): Range[] {
    return this.endOfArcs(tS, arcs, 'coldest');
  }

  /** Hottest bond-line temperature of each arc, °C: what a limit of the glue is held against. */
  hotArcsC(tS: number, arcs: readonly ArcCells[]): Range[] {
    return this.endOfArcs(tS, arcs, 'hottest');
  }

  arcC(tS: number, arc: ArcCells): Range {
    return this.arcsC(tS, [arc])[0]!;
  }

  /** Hottest face temperature of a watched thing, °C, or null when the device has none. */
  partC(tS: number, id: Watched): Range | null {
    const top = this.members[0]!.hottest(tS, id);
    if (!top) return null;
    let u2 = 0;
    for (const m of this.members.slice(1)) u2 += (m.atCell(tS, id, top.cell) - top.atC) ** 2;
    const u = Math.sqrt(u2);
    const ripple = this.swingK(tS)[id === 'cover' ? 'cover' : 'part'];
    return {
      low: top.atC - 2 * u - this.errorK.partLow - ripple,
      mean: top.atC,
      high: top.atC + 2 * u + this.errorK.partHigh + ripple,
    };
  }

  /** Nominal temperature of every bond cell, °C. */
  bondC(tS: number): Float64Array {
    const rows = this.model.rows('bond');
    const y = this.members[0]!.trajectory.state(tS);
    return Float64Array.from({ length: rows.count }, (_, i) => rowDot(rows.values, i, y) + this.ambientC);
  }

  /** Hottest place of the heated face and the mean over it, °C: what the glass itself has to stand. */
  faceC(tS: number): { hottest: number; mean: number } {
    return this.members[0]!.faceC(tS);
  }

  /** How much a place swings under the air that is on, ± K; zero without moving air. */
  swingK(tS: number): { bond: number; part: number; cover: number } {
    const on = this.onPlate(tS);
    const heater = on?.heater ?? this.heater;
    if (!on || on.setC === null || !defOf(heater).led) return { bond: 0, part: 0, cover: 0 };
    const use = on.use ?? (on.heater ? {} : this.use);
    const times =
      swingOf(this.model.modes.outline, use.path ?? edgeLoop) * Math.max(0, (on.setC - this.ambientC) / (200 - 22));
    return {
      bond: swing.bondK.value * times,
      part: swing.partK.value * times,
      cover: swing.coverK.value * times,
    };
  }

  /** Mean bond-plane temperatures on the picture's raster, row after row, °C. */
  picture(tS: number): Float64Array {
    const rows = this.model.rows('picture');
    const y = this.members[0]!.trajectory.state(tS);
    const out = new Float64Array(rows.count);
    for (let q = 0; q < rows.count; q++) out[q] = this.ambientC + rowDot(rows.values, q, y);
    return out;
  }

  /** Hottest of the bond plane under some places of the cover, usual value, °C; null where the picture has no cell. */
  hottestUnderC(tS: number, shapes: readonly Shape[]): number | null {
    const { nx, ny, originMm, stepMm } = this.model.modes.picture;
    const { values } = this.model.rows('picture');
    const y = this.members[0]!.trajectory.state(tS);
    let most: number | null = null;
    for (let j = 0; j < ny; j++)
      for (let i = 0; i < nx; i++) {
        const at = [originMm[0] + i * stepMm[0], originMm[1] + j * stepMm[1]] as const;
        if (!shapes.some((s) => contains(s, at))) continue;
        most = Math.max(most ?? -Infinity, rowDot(values, j * nx + i, y) + this.ambientC);
      }
    return most;
  }

  /** The heat that is on at an instant; null when there is none. */
  onPlate(tS: number): HeatSwitch | null {
    let found: HeatSwitch | null = null;
    for (const s of this.switches) if (s.atS <= tS) found = s;
    return found && found.setC !== null ? found : null;
  }
}

/** A limit's hot end over the usual value in the same world as the bond, K (1 to 3 K on the shipped models). */
export const sameWorldK = judgement(2, 'found 1 to 3 K on the shipped models, over plates, mats and air');

/** Usual and hot end of a watched thing at an instant of a run; null when the device has none. */
export function hotOf(run: HeatRun, id: Watched, tS: number): { usualC: number; hotC: number } | null {
  const top = run.members[0]!.hottest(tS, id);
  return top && { usualC: top.atC, hotC: top.atC + sameWorldK.value };
}
