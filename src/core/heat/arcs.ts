import type { ReducedModel } from './reduced';

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
    // an arc without a cell of its own (coarse grids) borrows its nearest neighbour's
    cells: Int32Array.from(cells.length ? cells : nearestOf(lists, i)),
  }));
}

/** Cells of the nearest arc that has some. */
function nearestOf(lists: readonly number[][], i: number): number[] {
  const n = lists.length;
  for (let by = 1; by <= n / 2; by++)
    for (const at of [(i + by) % n, (i - by + n) % n]) if (lists[at]!.length) return lists[at]!;
  return [];
}
