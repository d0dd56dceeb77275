import { dotShort } from '../numeric/dot';
import type { AirPath } from './airPath';
import type { Mask } from './backPattern';
import type { Heater } from './heater';
import type { ReducedModel } from './reduced';
import type { HeatPhase, Trajectory } from './trajectory';

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

/** What is watched: parts inside by their outer face, the cover by its own hottest surface. */
export type Watched = 'battery' | 'camera' | 'display' | 'cover';

export const watchedKinds: readonly Watched[] = ['battery', 'camera', 'display', 'cover'];

/** Columns of the face between two first looks for its hottest place: 7 mm on the check grid, a third of the smallest jet's band. */
const coverStride = 3;

/** The hottest place of something, and where it was found: cell of its rows. */
export interface Hottest {
  cell: number;
  atC: number;
}

/** One world of the ensemble: nominal, or one uncertain direction moved by one standard uncertainty. */
export class Member {
  /** the last instant at which the whole face was looked over */
  private cover: { tS: number; top: Hottest } | null = null;

  constructor(
    private readonly model: ReducedModel,
    readonly trajectory: Trajectory,
    private readonly ambientC: number,
    private readonly phase: (s: HeatSwitch) => HeatPhase,
  ) {}

  then(s: HeatSwitch): Member {
    return new Member(this.model, this.trajectory.with(this.phase(s)), this.ambientC, this.phase);
  }

  /** Coldest of the cells when the heat ends at `leaveS` and `leadS` have gone by. */
  lineAfterC(leaveS: number, leadS: number, cells: Int32Array): number {
    const off = this.phase({ atS: leaveS, setC: null, preheated: false });
    return this.trajectory.coldestSoonAfterK(off, leadS, cells) + this.ambientC;
  }

  /** Coldest of the cells, °C. */
  lineC(tS: number, cells: Int32Array): number {
    return this.trajectory.coldestK(tS, cells) + this.ambientC;
  }

  /** Coldest cell of each arc, °C. */
  linesC(tS: number, arcs: readonly Int32Array[]): number[] {
    const y = this.trajectory.state(tS);
    const rows = this.model.rows('bond').values;
    return arcs.map((cells) => cells.reduce((m, c) => Math.min(m, rowDot(rows, c, y)), Infinity) + this.ambientC);
  }

  /** The heated face by its cells: at the hottest place of its surface, and its mean, °C. */
  faceC(tS: number): { hottest: number; mean: number } {
    const y = this.trajectory.state(tS);
    const { cell } = this.hottest(tS, 'cover')!;
    return {
      hottest: rowDot(this.model.rows('back').values, cell, y) + this.ambientC,
      mean: this.model.faceMeanK(y) + this.ambientC,
    };
  }

  /** Hottest cell of the bond line, °C. */
  hottestLine(tS: number): Hottest {
    return this.top('bond', this.trajectory.state(tS));
  }

  /** A cell of the bond line as it was found on another member, °C. */
  bondCellC(tS: number, cell: number): number {
    return rowDot(this.model.rows('bond').values, cell, this.trajectory.state(tS)) + this.ambientC;
  }

  /** Hottest place of a watched thing; null when the device has none. */
  hottest(tS: number, id: Watched): Hottest | null {
    if (id === 'cover') {
      if (this.cover?.tS !== tS) this.cover = { tS, top: this.coverTop(tS) };
      return this.cover.top;
    }
    return this.model.rows(id).count ? this.top(id, this.trajectory.state(tS)) : null;
  }

  /** The same place as it was found on another member. */
  atCell(tS: number, id: Watched, cell: number): number {
    if (id === 'cover') return this.surfaceC(tS, cell, this.trajectory.state(tS));
    return rowDot(this.model.rows(id).values, cell, this.trajectory.state(tS)) + this.ambientC;
  }

  private top(id: 'bond' | 'battery' | 'camera' | 'display', y: Float64Array): Hottest {
    const rows = this.model.rows(id);
    let cell = 0;
    let most = -Infinity;
    for (let c = 0; c < rows.count; c++) {
      const v = rowDot(rows.values, c, y);
      if (v > most) {
        most = v;
        cell = c;
      }
    }
    return { cell, atC: most + this.ambientC };
  }

  /**
   * Hottest place of the cover's own surface: its cell, and the half cell between, towards what heats. Looked over in
   * strides first: the face is smooth from one column to the next.
   */
  private coverTop(tS: number): Hottest {
    const y = this.trajectory.state(tS);
    const heating = this.trajectory.heating(tS);
    const g = this.model.modes.firstHalfCellWm2K;
    const rows = this.model.rows('back');
    const at = (c: number) => {
      const v = rowDot(rows.values, c, y);
      if (!heating) return v;
      const film = heating.columns ? heating.columns.film[c]! : heating.film;
      const share = heating.columns ? heating.columns.share[c]! : heating.share;
      return (film * share * heating.driveK + g * v) / (film + g);
    };
    let cell = 0;
    let most = -Infinity;
    const look = (c: number) => {
      const v = at(c);
      if (v > most) {
        most = v;
        cell = c;
      }
    };
    for (let c = 0; c < rows.count; c += coverStride) look(c);
    const found = cell;
    for (let c = Math.max(0, found - coverStride); c <= Math.min(rows.count - 1, found + coverStride); c++) look(c);
    return { cell, atC: most + this.ambientC };
  }

  private surfaceC(tS: number, cell: number, y: Float64Array): number {
    const heating = this.trajectory.heating(tS);
    const v = rowDot(this.model.rows('back').values, cell, y);
    if (!heating) return v + this.ambientC;
    const g = this.model.modes.firstHalfCellWm2K;
    const film = heating.columns ? heating.columns.film[cell]! : heating.film;
    const share = heating.columns ? heating.columns.share[cell]! : heating.share;
    return (film * share * heating.driveK + g * v) / (film + g) + this.ambientC;
  }
}

/** Product of one row of a matrix, kept row by row, with a vector. */
export function rowDot(values: Float32Array, row: number, y: Float64Array): number {
  return dotShort(values, row * y.length, y, y.length);
}
