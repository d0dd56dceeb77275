import type { HeatGrid } from './grid';

/** A temperature that is read off the grid as a fixed mean of one or two cells of a column. */
export interface Reading {
  column: number;
  ka: number;
  kb: number;
  weightA: number;
}

/** Bond line: the middle cell of the bond layer. */
export function bondReadings(grid: HeatGrid, columns: ArrayLike<number> = grid.bondCells): Reading[] {
  return Array.from(columns, (column) => ({ column, ka: grid.bondK[0], kb: grid.bondK[1], weightA: 0.5 }));
}

/** Outer face of a watched part: the two cells at the face, weighted with their half-cell conductances. */
export function faceReadings(grid: HeatGrid, columns: ArrayLike<number>, k: number): Reading[] {
  return Array.from(columns, (column) => {
    const g = (kk: number) => grid.kz[column * grid.nz + kk]! / (grid.dzM[kk]! / 2);
    if (k === 0) return { column, ka: 0, kb: 0, weightA: 0.5 };
    const up = g(k - 1);
    return { column, ka: k - 1, kb: k, weightA: up / (up + g(k)) };
  });
}

/** A reading out of a field of the grid, °C: the mean over its cells. */
export const readOff = (at: (column: number, k: number) => number, r: Reading): number =>
  r.weightA * at(r.column, r.ka) + (1 - r.weightA) * at(r.column, r.kb);
