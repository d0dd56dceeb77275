/** Cells that a finger has to reach: 6 × 12 over the whole panel, and the four corners on their own. */
export const columns = 6;
export const rows = 12;
/** a corner cell: this share of the shorter side */
const cornerShare = 0.06;

export const cellCount = columns * rows + 4;

/**
 * Cells at a place of the panel: the one of the grid, and the corner when it is in one. Nothing between two readings of the
 * finger is filled in: a dead stripe would be.
 */
export function cellsAt(x: number, y: number, width: number, height: number): number[] {
  if (!(x >= 0 && y >= 0 && x <= width && y <= height)) return [];
  const col = Math.min(columns - 1, Math.floor((x / width) * columns));
  const row = Math.min(rows - 1, Math.floor((y / height) * rows));
  const out = [row * columns + col];
  const c = cornerShare * Math.min(width, height);
  const right = x >= width - c;
  const bottom = y >= height - c;
  if ((x <= c || right) && (y <= c || bottom)) out.push(columns * rows + (bottom ? 2 : 0) + (right ? 1 : 0));
  return out;
}

/** Where a cell is drawn. */
export function cellBox(i: number, width: number, height: number): { x: number; y: number; w: number; h: number } {
  if (i < columns * rows) {
    const [w, h] = [width / columns, height / rows];
    return { x: (i % columns) * w, y: Math.floor(i / columns) * h, w, h };
  }
  const c = cornerShare * Math.min(width, height);
  const k = i - columns * rows;
  return { x: k % 2 ? width - c : 0, y: k > 1 ? height - c : 0, w: c, h: c };
}
