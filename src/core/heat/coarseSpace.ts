import type { HeatGrid } from './grid';

/** Columns of the grid along one side of a block. */
const blockColumns = 8;
/** Layers of the grid that are one in a block. */
const blockLayers = 2;

/**
 * Second level of the solver's preconditioner: the device in blocks of columns, every two layers of a block at one temperature
 * (additive two-level Schwarz with piecewise constant coarse functions; Toselli & Widlund 2005, chapter 2). What the lines
 * through the thickness do not see is heat that goes a long way in the plane; the blocks carry it in one solve, so that the
 * number of iterations hardly grows with the length of a step. The blocks' own system (C + w K summed over each block) is
 * banded and is solved directly.
 */
export class CoarseSpace {
  /** first unknown of each column of the grid */
  private readonly first: Int32Array;
  private readonly n: number;
  /** layers of a block */
  private readonly deep: number;
  /** half bandwidth: one row of blocks */
  private readonly band: number;
  private readonly capacity: Float64Array;
  private readonly side: Float64Array;
  private readonly across: Float64Array;
  private readonly along: Float64Array;
  private readonly inward: Float64Array;
  private readonly films: Float64Array;
  private readonly factors: Float64Array;
  private readonly rhs: Float64Array;

  constructor(private readonly grid: HeatGrid) {
    const { nx, ny, nz } = grid;
    const wide = Math.ceil(nx / blockColumns);
    this.deep = Math.ceil(nz / blockLayers);
    this.n = wide * Math.ceil(ny / blockColumns) * this.deep;
    this.band = wide * this.deep;
    const make = () => new Float64Array(this.n);
    [this.capacity, this.side, this.across, this.along, this.inward, this.films, this.rhs] = [
      make(),
      make(),
      make(),
      make(),
      make(),
      make(),
      make(),
    ];
    this.factors = new Float64Array(this.n * (this.band + 1));
    this.first = Int32Array.from(
      { length: nx * ny },
      (_, col) =>
        (Math.floor(Math.floor(col / nx) / blockColumns) * wide + Math.floor((col % nx) / blockColumns)) * this.deep,
    );
    for (let col = 0; col < nx * ny; col++) {
      if (!grid.active[col]) continue;
      const at = this.first[col]!;
      for (let k = 0; k < nz; k++) {
        const c = col * nz + k;
        const i = (at + k / blockLayers) | 0;
        this.capacity[i] = this.capacity[i]! + grid.capacity[c]!;
        this.side[i] = this.side[i]! + grid.sideX[c]! + grid.sideY[c]!;
        if (k % blockLayers === blockLayers - 1 && k + 1 < nz) this.inward[i] = this.inward[i]! + grid.inward[c]!;
        // only what leaves the block couples it to the next one
        if (col % nx < nx - 1 && this.first[col + 1] !== at) this.across[i] = this.across[i]! + grid.east[c]!;
        if (col + nx < nx * ny && this.first[col + nx] !== at) this.along[i] = this.along[i]! + grid.south[c]!;
      }
    }
  }

  /**
   * LDLᵀ of the blocks' C + w K.
   * @param w seconds
   * @param uBack film of each column to what heats it or to the room, W/K; uFront that of the other face
   */
  factor(w: number, uBack: Float64Array, uFront: Float64Array): void {
    const { n, band, grid, factors: f, films, deep } = this;
    films.fill(0);
    for (let col = 0; col < this.first.length; col++) {
      if (!grid.active[col]) continue;
      const at = this.first[col]!;
      films[at] = films[at]! + uBack[col]!;
      const end = at + this.deep - 1;
      films[end] = films[end]! + uFront[col]!;
    }
    const width = band + 1;
    f.fill(0);
    // row i holds its own column j at place j − i + band
    for (let i = 0; i < n; i++) {
      let out = this.side[i]! + films[i]! + this.inward[i]! + this.across[i]! + this.along[i]!;
      if (i % deep) {
        out += this.inward[i - 1]!;
        f[i * width + band - 1] = -w * this.inward[i - 1]!;
      }
      if (i >= deep) {
        out += this.across[i - deep]!;
        f[i * width + band - deep] = f[i * width + band - deep]! - w * this.across[i - deep]!;
      }
      if (i >= band) {
        out += this.along[i - band]!;
        f[i * width] = f[i * width]! - w * this.along[i - band]!;
      }
      const d = this.capacity[i]! + w * out;
      f[i * width + band] = d > 0 ? d : 1;
    }
    for (let i = 0; i < n; i++) {
      const row = i * width + band - i;
      const from = Math.max(0, i - band);
      let d = f[row + i]!;
      for (let j = from; j < i; j++) {
        const other = j * width + band - j;
        let v = f[row + j]!;
        for (let k = Math.max(from, j - band); k < j; k++) v -= f[row + k]! * f[other + k]!;
        f[row + j] = v;
      }
      // the row holds L·D so far
      for (let j = from; j < i; j++) {
        const l = f[row + j]! / f[j * width + band]!;
        d -= l * f[row + j]!;
        f[row + j] = l;
      }
      f[row + i] = d;
    }
  }

  /**
   * Adds the blocks' answer to what is left of the right side.
   * @param list first cells of some columns in padded arrays, `pad` before the first column
   * @returns what it adds to b·x
   */
  add(list: Int32Array, pad: number, b: Float64Array, x: Float64Array): number {
    const { n, band, rhs, first, factors: f } = this;
    const { nz } = this.grid;
    rhs.fill(0);
    for (let m = 0; m < list.length; m++) {
      const e = list[m]!;
      const at = first[(e - pad) / nz]!;
      for (let k = 0; k < nz; k++) {
        const i = (at + k / blockLayers) | 0;
        rhs[i] = rhs[i]! + b[e + k]!;
      }
    }
    const width = band + 1;
    for (let i = 0; i < n; i++) {
      const row = i * width + band - i;
      let v = rhs[i]!;
      for (let j = Math.max(0, i - band); j < i; j++) v -= f[row + j]! * rhs[j]!;
      rhs[i] = v;
    }
    let sum = 0;
    for (let i = 0; i < n; i++) {
      const v = rhs[i]!;
      const z = v / f[i * width + band]!;
      sum += v * z;
      rhs[i] = z;
    }
    for (let i = n - 1; i >= 0; i--) {
      const row = i * width + band - i;
      const v = rhs[i]!;
      for (let j = Math.max(0, i - band); j < i; j++) rhs[j] = rhs[j]! - f[row + j]! * v;
    }
    for (let m = 0; m < list.length; m++) {
      const e = list[m]!;
      const at = first[(e - pad) / nz]!;
      for (let k = 0; k < nz; k++) x[e + k] = x[e + k]! + rhs[(at + k / blockLayers) | 0]!;
    }
    return sum;
  }
}
