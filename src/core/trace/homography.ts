import { Matrix, SingularValueDecomposition } from 'ml-matrix';

import type { Pt } from '../device/types';
import { CoreInputError } from '../errors';

/** A plane seen by a camera: nine numbers, row after row, that take a place to another up to scale. */
export type Homography = readonly number[];

/** Moves points to their middle and scales them to a mean distance of √2: what makes the sums well conditioned (Hartley 1997). */
function conditioned(pts: readonly Pt[]): { to: Matrix; pts: Pt[] } {
  const n = pts.length;
  const cx = pts.reduce((s, p) => s + p[0], 0) / n;
  const cy = pts.reduce((s, p) => s + p[1], 0) / n;
  const mean = pts.reduce((s, p) => s + Math.hypot(p[0] - cx, p[1] - cy), 0) / n;
  const k = mean > 0 ? Math.SQRT2 / mean : 1;
  return {
    to: new Matrix([
      [k, 0, -k * cx],
      [0, k, -k * cy],
      [0, 0, 1],
    ]),
    pts: pts.map(([x, y]): Pt => [k * (x - cx), k * (y - cy)]),
  };
}

/** Do three points lie on one line: their triangle has next to no area beside points that are √2 away. */
const flat = (p: readonly Pt[]): boolean =>
  Math.abs((p[1]![0] - p[0]![0]) * (p[2]![1] - p[0]![1]) - (p[1]![1] - p[0]![1]) * (p[2]![0] - p[0]![0])) < 1e-6;

/** A 3 × 3 similarity of the form [k 0 a; 0 k b; 0 0 1], turned round. */
function undone(t: Matrix): Matrix {
  const k = t.get(0, 0);
  return new Matrix([
    [1 / k, 0, -t.get(0, 2) / k],
    [0, 1 / k, -t.get(1, 2) / k],
    [0, 0, 1],
  ]);
}

/**
 * Homography that takes `from` to `to` by the normalised direct linear transform (Hartley & Zisserman, Multiple View Geometry,
 * 2nd edition, algorithm 4.2): exact for four points, least squares of the algebraic error for more.
 * @throws CoreInputError that names points: fewer than four, or three of four on one line
 */
export function homography(from: readonly Pt[], to: readonly Pt[]): Homography {
  if (from.length < 4 || from.length !== to.length)
    throw new CoreInputError('points', `${from.length} and ${to.length}`, 'four or more, as many on both sides');
  const a = conditioned(from);
  const b = conditioned(to);
  const rows = a.pts.flatMap(([x, y], i) => {
    const [u, v] = b.pts[i]!;
    return [
      [-x, -y, -1, 0, 0, 0, u * x, u * y, u],
      [0, 0, 0, -x, -y, -1, v * x, v * y, v],
    ];
  });
  // a square system keeps the vector that belongs to no row
  while (rows.length < 9) rows.push(new Array<number>(9).fill(0));
  for (const set of [a.pts, b.pts])
    if (set.length === 4 && set.some((_, i) => flat(set.filter((__, k) => k !== i))))
      throw new CoreInputError('points', 'three on one line', 'four corners of a shape with an area');
  const svd = new SingularValueDecomposition(new Matrix(rows), { autoTranspose: true });
  const s = svd.diagonal;
  if (!(s[7]! > 1e-9 * s[0]!))
    throw new CoreInputError('points', 'three on one line', 'four corners of a shape with an area');
  const h = svd.rightSingularVectors.getColumn(8);
  const m = undone(b.to)
    .mmul(Matrix.from1DArray(3, 3, h))
    .mmul(a.to)
    .to1DArray();
  const last = m[8]!;
  return Math.abs(last) > 1e-12 ? m.map((v) => v / last) : m;
}

/** Where a homography takes a place. */
export function project(h: Homography, [x, y]: Pt): Pt {
  const w = h[6]! * x + h[7]! * y + h[8]!;
  return [(h[0]! * x + h[1]! * y + h[2]!) / w, (h[3]! * x + h[4]! * y + h[5]!) / w];
}
