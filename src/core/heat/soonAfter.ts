import { dot } from '../numeric/dot';
import { backGainW, frontGainW, radiates, type Surfaces } from './faceRadiation';
import type { Patches, Spectrum } from './spectrum';

/**
 * Cells of the bond a fixed time after the heat ended, as one linear map of the state at that instant: what the search for
 * an instant asks some dozen times. Radiation is that of the beginning, as the seconds to the first cut are few.
 */
export class SoonAfter {
  /** cell × rank: what the state makes of it; cell × patch, of both faces: what a watt of each patch does */
  private readonly direct: Float64Array;
  private readonly byPatch: Float64Array;
  private readonly gains: Float64Array;

  /**
   * @param s spectrum of free cooling
   * @param rows rows of the bond, cell × rank, of which `cells` are asked for
   */
  constructor(
    private readonly s: Spectrum,
    private readonly surfaces: Surfaces,
    private readonly front: Patches,
    rows: Float32Array,
    private readonly cells: Int32Array,
    forS: number,
  ) {
    const r = s.lambda.length;
    const back = s.face.patches;
    this.direct = new Float64Array(cells.length * r);
    const patches = back.areaM2.length + front.areaM2.length;
    this.byPatch = new Float64Array(cells.length * patches);
    this.gains = new Float64Array(patches);
    const turned = new Float64Array(r);
    cells.forEach((cell, n) => {
      turned.fill(0);
      for (let i = 0; i < r; i++)
        for (let m = 0; m < r; m++) turned[m] = turned[m]! + rows[cell * r + i]! * s.q[i * r + m]!;
      for (let i = 0; i < r; i++) {
        let sum = 0;
        for (let m = 0; m < r; m++) sum += turned[m]! * Math.exp(-s.lambda[m]! * forS) * s.q[i * r + m]!;
        this.direct[n * r + i] = sum;
      }
      const gained = turned.map((v, m) => (v * (1 - Math.exp(-s.lambda[m]! * forS))) / s.lambda[m]!);
      const through = (patchRows: Float64Array, count: number, from: number) => {
        for (let p = 0; p < count; p++) this.byPatch[n * patches + from + p] = dot(patchRows, p * r, gained, r);
      };
      through(s.back, back.areaM2.length, 0);
      through(s.front, front.areaM2.length, back.areaM2.length);
    });
  }

  /** Coldest of the cells, K above ambient, from the modes' state when the heat ends. */
  coldestK(y: Float64Array, ambientC: number): number {
    const r = y.length;
    const { s, surfaces, front, gains } = this;
    const back = s.face.patches;
    const n = back.areaM2.length;
    const cellK = (rows: Float64Array, p: number) => dot(rows, p * r, y, r);
    for (let p = 0; p < n; p++)
      gains[p] = radiates(s, p) ? backGainW(s, surfaces, p, cellK(back.rows, p), 0, ambientC) : 0;
    for (let p = 0; p < front.areaM2.length; p++)
      gains[n + p] = front.areaM2[p] === 0 ? 0 : frontGainW(s, surfaces, front, p, cellK(front.rows, p), ambientC);
    let least = Infinity;
    for (let c = 0; c < this.cells.length; c++) {
      const v = dot(this.direct, c * r, y, r) + dot(this.byPatch, c * gains.length, gains, gains.length);
      if (v < least) least = v;
    }
    return least;
  }
}
