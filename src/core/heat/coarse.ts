import { boxOf, insideDistanceMm } from '../device/shapes';
import type { ThermalStack } from '../device/thermalStack';
import type { Face } from '../device/types';
import { tuned } from '../source';
import { makeGrid } from './grid';
import { buildModes, type GridErrorK, type ModeRows, type ThermalModes } from './modes';

/** Cells of the first look; a phone's are about 6 mm wide. */
const coarseCells = 312;
/** Modes of the first look: what they leave out is far below what its cells do. */
const coarseRank = 24;

/** How far towards the ring the bond line is read, from the middle of its cell: a share of the way, along the fall from the next cell inward. */
export const fallShare = tuned(
  0.85,
  'npm run bench, 30 devices at the usual instant: all of the way is too much in the first minute, and right after four',
);

/**
 * What is left after that, about 95 % (npm run bench, 30 devices), K. A front opens within half a minute: by then a cell that holds
 * frame and display together reads its edge up to 13 K cold.
 */
export const coarseErrorK: Record<Face['side'], GridErrorK> = {
  back: { bondLow: 3, bondHigh: 3, partLow: 6, partHigh: 2 },
  front: { bondLow: 4, bondHigh: 13, partLow: 6, partHigh: 4 },
};

/** Grid of the first look: as many cells on a phone as on a tablet, square. */
export function coarseGridSize(stack: Pick<ThermalStack, 'outline'>): { nx: number; ny: number } {
  const { min, max } = boxOf(stack.outline);
  const [w, h] = [max[0] - min[0], max[1] - min[1]];
  const cell = Math.sqrt((w * h) / coarseCells);
  return { nx: Math.max(4, Math.round(w / cell)), ny: Math.max(4, Math.round(h / cell)) };
}

/**
 * Modes for a first answer within seconds: a coarse grid, its warm reading of the bond line taken off and what is left in the
 * range. The check grid's answer lies within it.
 * @throws Cancelled: cancelled
 */
export function coarseModes(
  stack: ThermalStack,
  side: Face['side'],
  onProgress: (share: number) => boolean | void = () => true,
): ThermalModes {
  const size = coarseGridSize(stack);
  const modes = buildModes(stack, onProgress, size, coarseRank, true);
  const fall = fallToTheRing(stack, modes, size);
  return {
    ...modes,
    unsureK: coarseErrorK[side],
    rows: modes.rows.map((r) =>
      r.id === 'bond' ? { ...r, values: r.values.map((v, i) => v + fall[i % modes.rank]!) } : r,
    ),
  };
}

/** What the ring reads below the cells that it lies in, mode by mode: the mean over its outermost cells. */
function fallToTheRing(stack: ThermalStack, modes: ThermalModes, size: { nx: number; ny: number }): Float64Array {
  const grid = makeGrid(stack, size);
  const { nx, ny } = grid;
  const plane = modes.rows.find((r: ModeRows) => r.id === 'picture')!.values;
  const inside = (column: number) => insideDistanceMm(stack.pathOutline, grid.center(column));
  const out = new Float64Array(modes.rank);
  let counted = 0;
  for (const column of grid.bondCells) {
    const from = inside(column);
    // only the outermost cells: a ring as wide as a cell, or glue all over, is read where it is
    if (from <= 0 || from >= Math.max(grid.dxMm, grid.dyMm)) continue;
    let next = column;
    for (let dj = -1; dj <= 1; dj++)
      for (let di = -1; di <= 1; di++) {
        const [x, y] = [(column % nx) + di, Math.floor(column / nx) + dj];
        if (x < 0 || y < 0 || x >= nx || y >= ny || !grid.active[y * nx + x]) continue;
        if (inside(y * nx + x) > inside(next)) next = y * nx + x;
      }
    const step = inside(next) - from;
    if (step <= 0) continue;
    const reach = fallShare.value * Math.min(1, from / step);
    for (let m = 0; m < modes.rank; m++)
      out[m] = out[m]! + reach * (plane[column * modes.rank + m]! - plane[next * modes.rank + m]!);
    counted++;
  }
  return counted ? out.map((v) => v / counted) : out;
}
