import { linearBackWm2K, linearFrontWm2K, trueFilmWm2K, type Environment } from './environment';
import type { HeatGrid } from './grid';
import { LineSystem } from './lineSystem';

const gamma = 1 - Math.SQRT1_2;

/**
 * What heats the back: a plate with its contact conductance (one figure, or by column with 0 where nothing touches), or an
 * air jet that adds to the free film. Columns are numbered as in the grid.
 */
export interface Contact {
  conductanceWm2K: number | Float64Array;
  /** temperature of the plate, or of the air at the nozzle, over time */
  plateC: (tS: number) => number;
  /** film coefficient that the jet adds, W/m²K, and the share of (air − ambient) that reaches the wall */
  jet?: { hWm2K: Float64Array; share: Float64Array };
  /** rays: a flux of this film times (what drives it − ambient), W/m²K, whatever the face gives off itself */
  raysWm2K?: number;
}

/**
 * Fully coupled transient conduction: L-stable SDIRK2 (γ = 1 − 1/√2), each stage solved by conjugate gradients on the
 * red-black reduced system, preconditioned by line solves through the thickness and, in longer steps, by blocks of columns. A step freezes the film coefficients and
 * takes the plate at the stage times. Splitting schemes were left out: they are unstable or wrong on air gaps beside metal.
 */
export class HeatSolver {
  readonly T: Float64Array;
  /** heat that has entered through all faces, J */
  heatInJ = 0;
  /** CG iterations of the last step, both stages */
  get iterations(): number {
    return this.system.iterations;
  }
  private readonly red: number[] = [];
  private readonly black: number[] = [];
  private readonly pad: number;
  private readonly east: Float64Array;
  private readonly south: Float64Array;
  private readonly base: Float64Array;
  private readonly uBack: Float64Array;
  private readonly uFront: Float64Array;
  /** share of (drive − ambient) that a column's back face sees */
  private readonly backShare: Float64Array;
  private readonly system: LineSystem;
  private readonly work: Record<'k1' | 'k2' | 'rhs' | 'y' | 't', Float64Array>;

  constructor(
    readonly grid: HeatGrid,
    readonly env: Environment,
    initialC = env.ambientC,
    tolerance = 1e-5,
  ) {
    const { nx, ny, nz } = grid;
    // one row of zeros at both ends lets every neighbour be read without a test
    this.pad = nx * nz;
    const n = nx * ny * nz;
    const make = () => new Float64Array(n + 2 * this.pad);
    this.T = make();
    this.T.fill(initialC);
    this.east = make();
    this.south = make();
    this.east.set(grid.east, this.pad);
    this.south.set(grid.south, this.pad);
    this.uBack = new Float64Array(nx * ny);
    this.uFront = new Float64Array(nx * ny);
    this.backShare = new Float64Array(nx * ny);
    this.work = {
      k1: make(),
      k2: make(),
      rhs: make(),
      y: make(),
      t: make(),
    };
    // sum of all conductances leaving a cell, the films of back and front apart
    this.base = new Float64Array(n);
    for (let j = 0; j < ny; j++)
      for (let i = 0; i < nx; i++) {
        const col = j * nx + i;
        if (!grid.active[col]) continue;
        ((i + j) % 2 ? this.black : this.red).push(col);
        for (let k = 0; k < nz; k++) {
          const c = col * nz + k;
          const e = this.pad + c;
          this.base[c] =
            this.east[e]! +
            this.east[e - nz]! +
            this.south[e]! +
            this.south[e - nx * nz]! +
            grid.inward[c]! +
            (k ? grid.inward[c - 1]! : 0) +
            grid.sideX[c]! +
            grid.sideY[c]!;
        }
      }
    const firstCells = (columns: number[]) => Int32Array.from(columns, (col) => this.pad + col * nz);
    this.system = new LineSystem(
      grid,
      this.pad,
      this.east,
      this.south,
      this.base,
      firstCells(this.red),
      firstCells(this.black),
      tolerance,
    );
  }

  /** As new, at one temperature: the arrays are used again. */
  restart(initialC: number): void {
    this.T.fill(initialC);
    for (const a of [this.work.k1, this.work.k2, this.uBack, this.uFront]) a.fill(0);
    this.heatInJ = 0;
  }

  /** Temperature of a cell, °C. */
  at(column: number, k: number): number {
    return this.T[this.pad + column * this.grid.nz + k]!;
  }

  /** Copies the temperatures of all cells (inactive ones hold the start value) into `out`. */
  copyTo(out: Float64Array): void {
    out.set(this.T.subarray(this.pad, this.pad + out.length));
  }

  /** Steps of dt/8, dt/8, dt/4, dt/2, then dt after a switch of heater. */
  run(
    contact: Contact | null,
    durationS: number,
    dtS: number,
    onStep?: (tS: number) => void,
    /** moves what heats, before each step */
    before?: (tS: number, dtS: number) => void,
  ): void {
    let t = 0;
    const first = [dtS / 8, dtS / 8, dtS / 4, dtS / 2];
    for (let i = 0; t < durationS - 1e-9; i++) {
      const dt = Math.min(first[i] ?? dtS, durationS - t);
      before?.(t, dt);
      this.step(contact, t, dt);
      t += dt;
      onStep?.(t);
    }
  }

  /**
   * out := −K x for the linear problem with the back face closed, front and sides at ambient 0: what the reduced model
   * projects. Both arrays hold all cells without padding. Needs linearised radiation.
   */
  applyClosedBack(x: Float64Array, out: Float64Array): void {
    const { rhs, y } = this.work;
    this.setFilms(null);
    this.uBack.fill(0);
    y.set(x, this.pad);
    this.rate(y, 0, rhs);
    out.set(rhs.subarray(this.pad, this.pad + out.length));
  }

  step(contact: Contact | null, tS: number, dtS: number): void {
    const { T, work, pad } = this;
    this.setFilms(contact);
    const w = gamma * dtS;
    this.system.factor(w, this.uBack, this.uFront);
    this.system.iterations = 0;
    const back1 = contact ? contact.plateC(tS + gamma * dtS) : this.env.ambientC;
    const back2 = contact ? contact.plateC(tS + dtS) : this.env.ambientC;
    const n = pad + this.base.length;
    this.rate(T, back1, work.rhs);
    work.k1.set(work.k2);
    this.system.solve(w, work.rhs, work.k1);
    for (let c = pad; c < n; c++) work.y[c] = T[c]! + (1 - gamma) * dtS * work.k1[c]!;
    this.rate(work.y, back2, work.rhs);
    work.k2.set(work.k1);
    this.system.solve(w, work.rhs, work.k2);
    // heat through the faces at the two stage states, so that the balance closes to the solver's tolerance
    for (let c = pad; c < n; c++) work.t[c] = T[c]! + gamma * dtS * work.k1[c]!;
    this.heatInJ += (1 - gamma) * dtS * this.inflow(work.t, back1);
    for (let c = pad; c < n; c++) work.t[c] = work.y[c]! + gamma * dtS * work.k2[c]!;
    this.heatInJ += gamma * dtS * this.inflow(work.t, back2);
    for (let c = pad; c < n; c++) T[c] = T[c]! + dtS * ((1 - gamma) * work.k1[c]! + gamma * work.k2[c]!);
  }

  private setFilms(contact: Contact | null): void {
    const { grid, env } = this;
    for (const list of [this.red, this.black])
      for (const col of list) {
        const first = this.pad + col * grid.nz;
        const g0 = grid.toBack[col]!;
        const g1 = grid.toFront[col]!;
        const free = (u: number, g: number, cell: number, side: 'back' | 'front') => {
          // surface temperature at the end of the previous step from the conductance u (W/K) used then
          const h = u / grid.cellAreaM2;
          const film = h > 0 && h < g ? 1 / (1 / h - 1 / g) : 0;
          const surface = (film * env.ambientC + g * cell) / (film + g);
          return trueFilmWm2K(env, surface, side);
        };
        const touch = contact
          ? typeof contact.conductanceWm2K === 'number'
            ? contact.conductanceWm2K
            : contact.conductanceWm2K[col]!
          : 0;
        let hb = linearBackWm2K(env);
        let hf = linearFrontWm2K(env);
        if (env.radiation === 'true') {
          const cellF = this.T[first + grid.nz - 1]!;
          hf = free(this.uFront[col]!, g1, cellF, 'front');
          // under a jet the surface is taken as cool as its cell, not by the film of the step before
          if (!touch)
            hb = contact?.jet ? trueFilmWm2K(env, this.T[first]!) : free(this.uBack[col]!, g0, this.T[first]!, 'back');
        }
        this.backShare[col] = touch ? 1 : 0;
        if (touch) hb = touch;
        else if (contact?.jet) {
          const h = contact.jet.hWm2K[col]!;
          hb += h;
          this.backShare[col] = (h * contact.jet.share[col]!) / hb;
        } else if (contact?.raysWm2K) this.backShare[col] = contact.raysWm2K / hb;
        this.uBack[col] = grid.cellAreaM2 / (1 / hb + 1 / g0);
        this.uFront[col] = grid.cellAreaM2 / (1 / hf + 1 / g1);
      }
  }

  /** Net heat flow into each cell at state x, W. */
  private rate(x: Float64Array, backC: number, out: Float64Array): void {
    const { grid, pad, east, south } = this;
    const { nz, nx } = grid;
    const row = nx * nz;
    const amb = this.env.ambientC;
    for (const list of [this.red, this.black])
      for (const col of list) {
        const first = pad + col * nz;
        for (let k = 0; k < nz; k++) {
          const e = first + k;
          const c = e - pad;
          const v = x[e]!;
          let q =
            east[e]! * (x[e + nz]! - v) +
            east[e - nz]! * (x[e - nz]! - v) +
            south[e]! * (x[e + row]! - v) +
            south[e - row]! * (x[e - row]! - v) +
            (grid.sideX[c]! + grid.sideY[c]!) * (amb - v);
          if (k + 1 < nz) q += grid.inward[c]! * (x[e + 1]! - v);
          if (k) q += grid.inward[c - 1]! * (x[e - 1]! - v);
          out[e] = q;
        }
        out[first] = out[first]! + this.uBack[col]! * (amb + this.backShare[col]! * (backC - amb) - x[first]!);
        out[first + nz - 1] = out[first + nz - 1]! + this.uFront[col]! * (amb - x[first + nz - 1]!);
      }
  }

  private inflow(x: Float64Array, backC: number): number {
    const { grid, pad } = this;
    const { nz } = grid;
    const amb = this.env.ambientC;
    let q = 0;
    for (const list of [this.red, this.black])
      for (const col of list) {
        const first = pad + col * nz;
        q +=
          this.uBack[col]! * (amb + this.backShare[col]! * (backC - amb) - x[first]!) +
          this.uFront[col]! * (amb - x[first + nz - 1]!);
        for (let k = 0; k < nz; k++) {
          const c = col * nz + k;
          q += (grid.sideX[c]! + grid.sideY[c]!) * (amb - x[pad + c]!);
        }
      }
    return q;
  }
}
