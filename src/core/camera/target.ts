import type { Pt } from '../device/types';

/** A black square on the sheet. */
export interface TargetSquare {
  key: string;
  /** middle, mm from the upper left corner of the sheet */
  c: Pt;
  sideMm: number;
}

/** The sheet, mm: one large square in the middle, one in each corner, all turned a little so that their edges are slanted. */
export const sheetMm = { width: 277, height: 190 };
export const turnDeg = 5;
export const squares: readonly TargetSquare[] = [
  { key: 'middle', c: [138.5, 95], sideMm: 62 },
  { key: 'topLeft', c: [38, 38], sideMm: 40 },
  { key: 'topRight', c: [239, 38], sideMm: 40 },
  { key: 'bottomLeft', c: [38, 152], sideMm: 40 },
  { key: 'bottomRight', c: [239, 152], sideMm: 40 },
];

/** Corners of a square, in order round it. */
export function cornersOf(s: TargetSquare): Pt[] {
  const a = (turnDeg * Math.PI) / 180;
  const h = s.sideMm / 2;
  return (
    [
      [-h, -h],
      [h, -h],
      [h, h],
      [-h, h],
    ] as const
  ).map(([x, y]) => [s.c[0] + x * Math.cos(a) - y * Math.sin(a), s.c[1] + x * Math.sin(a) + y * Math.cos(a)]);
}
