import { CoarseSpace } from './coarseSpace';
import type { HeatGrid } from './grid';

/** Below this the lines alone are done in a dozen iterations, s. */
const blocksFromS = 0.5;

/**
 * C + w K of a grid, ready to be solved: columns in two colours, each solved as a line through the thickness, the coupling of one
 * colour to the other by conjugate gradients on the black one's Schur complement, with blocks of columns beside the lines where a
 * step is long. All arrays have a row of zeros at both ends, so that every neighbour is read without a test.
 */
export class LineSystem {
  /** of conjugate gradients, since it was set to 0 */
  iterations = 0;
  private readonly pivot: Float64Array;
  private readonly lower: Float64Array;
  private readonly diag: Float64Array;
  private readonly off: Float64Array;
  private readonly blocks: CoarseSpace;
  private blocked = false;
  private readonly work: Record<'r' | 'z' | 'p' | 'q' | 't', Float64Array>;

  /**
   * @param base sum of all conductances that leave a cell but for the films of back and front, W/K
   * @param redAt first cell of every column of a colour, in the padded arrays
   * @param tolerance of the residual in the energy norm, relative
   */
  constructor(
    private readonly grid: HeatGrid,
    private readonly pad: number,
    private readonly east: Float64Array,
    private readonly south: Float64Array,
    private readonly base: Float64Array,
    private readonly redAt: Int32Array,
    private readonly blackAt: Int32Array,
    private readonly tolerance: number,
  ) {
    const make = () => new Float64Array(east.length);
    this.pivot = make();
    this.lower = make();
    this.diag = make();
    this.off = make();
    this.work = { r: make(), z: make(), p: make(), q: make(), t: make() };
    this.blocks = new CoarseSpace(grid);
  }

  /** Diagonal, off-diagonal and tridiagonal factors of every column of C + w K. */
  factor(w: number, uBack: Float64Array, uFront: Float64Array): void {
    const { grid, pad, pivot, lower, diag, off } = this;
    const { nz } = grid;
    for (const list of [this.redAt, this.blackAt])
      for (const first of list) {
        const col = (first - pad) / nz;
        let previous = 0;
        for (let k = 0; k < nz; k++) {
          const c = col * nz + k;
          const e = first + k;
          let d = grid.capacity[c]! + w * this.base[c]!;
          if (k === 0) d += w * uBack[col]!;
          if (k === nz - 1) d += w * uFront[col]!;
          const up = k ? -off[e - 1]! : 0;
          const l = up * previous;
          diag[e] = d;
          off[e] = k + 1 < nz ? w * grid.inward[c]! : 0;
          lower[e] = l;
          previous = 1 / (d - l * up);
          pivot[e] = previous;
        }
      }
    this.blocked = w >= blocksFromS;
    if (this.blocked) this.blocks.factor(w, uBack, uFront);
  }

  /** z := M⁻¹ r on the black columns; returns r·z. */
  private precondition(r: Float64Array, z: Float64Array): number {
    const rz = this.lineSolve(this.blackAt, r, z);
    return this.blocked ? rz + this.blocks.add(this.blackAt, this.pad, r, z) : rz;
  }

  /** x := D⁻¹ b on the listed columns (line solves through the thickness); returns b·x. */
  private lineSolve(list: Int32Array, b: Float64Array, x: Float64Array): number {
    const { pivot, lower, off } = this;
    const nz = this.grid.nz;
    let dot = 0;
    for (let n = 0; n < list.length; n++) {
      const first = list[n]!;
      const end = first + nz - 1;
      let last = b[first]!;
      x[first] = last;
      for (let e = first + 1; e <= end; e++) {
        last = b[e]! - lower[e]! * last;
        x[e] = last;
      }
      last *= pivot[end]!;
      x[end] = last;
      dot += last * b[end]!;
      for (let e = end - 1; e >= first; e--) {
        last = (x[e]! + off[e]! * last) * pivot[e]!;
        x[e] = last;
        dot += last * b[e]!;
      }
    }
    return dot;
  }

  /** out := N x on the listed columns, N the in-plane couplings to the other colour. */
  private couple(list: Int32Array, x: Float64Array, out: Float64Array): void {
    const { east, south } = this;
    const { nz, nx } = this.grid;
    const row = nx * nz;
    for (let n = 0; n < list.length; n++) {
      const first = list[n]!;
      const end = first + nz;
      for (let e = first; e < end; e++)
        out[e] =
          east[e]! * x[e + nz]! + east[e - nz]! * x[e - nz]! + south[e]! * x[e + row]! + south[e - row]! * x[e - row]!;
    }
  }

  /** out := S v = D v − w² N D⁻¹ N v on the black columns; returns v·S v. */
  private schur(v: Float64Array, out: Float64Array, w: number): number {
    const { diag, off, redAt, blackAt, work } = this;
    const nz = this.grid.nz;
    this.couple(redAt, v, work.t);
    this.lineSolve(redAt, work.t, work.t);
    this.couple(blackAt, work.t, out);
    const w2 = w * w;
    let dot = 0;
    for (let n = 0; n < blackAt.length; n++) {
      const first = blackAt[n]!;
      const end = first + nz;
      // off[] is zero at a column's last cell, and v is zero just before a column's first one or belongs to no coupling
      for (let e = first; e < end; e++) {
        const before = e > first ? off[e - 1]! * v[e - 1]! : 0;
        const s = diag[e]! * v[e]! - before - off[e]! * v[e + 1]! - w2 * out[e]!;
        out[e] = s;
        dot += s * v[e]!;
      }
    }
    return dot;
  }

  /** Solves (C + w K) x = rhs, starting from x. */
  solve(w: number, rhs: Float64Array, x: Float64Array): void {
    const { redAt, blackAt } = this;
    const nz = this.grid.nz;
    const { r, z, p, q, t } = this.work;
    this.lineSolve(redAt, rhs, t);
    this.couple(blackAt, t, r);
    for (let n = 0; n < blackAt.length; n++)
      for (let e = blackAt[n]!, end = e + nz; e < end; e++) r[e] = rhs[e]! + w * r[e]!;
    const norm0 = this.precondition(r, z);
    if (blackAt.length && norm0 > 0) {
      this.schur(x, q, w);
      for (let n = 0; n < blackAt.length; n++)
        for (let e = blackAt[n]!, end = e + nz; e < end; e++) r[e] = r[e]! - q[e]!;
      let rz = this.precondition(r, z);
      for (let n = 0; n < blackAt.length; n++) for (let e = blackAt[n]!, end = e + nz; e < end; e++) p[e] = z[e]!;
      const stop = norm0 * this.tolerance * this.tolerance;
      for (let it = 0; it < 400 && rz > stop; it++) {
        this.iterations++;
        const a = rz / this.schur(p, q, w);
        for (let n = 0; n < blackAt.length; n++)
          for (let e = blackAt[n]!, end = e + nz; e < end; e++) {
            x[e] = x[e]! + a * p[e]!;
            r[e] = r[e]! - a * q[e]!;
          }
        const next = this.precondition(r, z);
        const b = next / rz;
        rz = next;
        for (let n = 0; n < blackAt.length; n++)
          for (let e = blackAt[n]!, end = e + nz; e < end; e++) p[e] = z[e]! + b * p[e]!;
      }
    }
    this.couple(redAt, x, t);
    for (let n = 0; n < redAt.length; n++)
      for (let e = redAt[n]!, end = e + nz; e < end; e++) t[e] = rhs[e]! + w * t[e]!;
    this.lineSolve(redAt, t, x);
  }
}
