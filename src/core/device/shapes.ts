import { insetConvex } from './polygon';
import type { Outline, Pt, Shape } from './types';

/**
 * Signed distance from a point to an outline, mm: positive inside, negative outside.
 * Rounded rectangle by the usual formula (distance to the inner box of half sizes minus r).
 */
export function insideDistanceMm(o: Outline, [x, y]: Pt): number {
  if (o.kind === 'disc') return o.rMm - Math.hypot(x - o.c[0], y - o.c[1]);
  if (o.kind === 'roundRect') {
    const hx = (o.max[0] - o.min[0]) / 2;
    const hy = (o.max[1] - o.min[1]) / 2;
    const qx = Math.abs(x - (o.min[0] + hx)) - (hx - o.rMm);
    const qy = Math.abs(y - (o.min[1] + hy)) - (hy - o.rMm);
    const outside = Math.hypot(Math.max(qx, 0), Math.max(qy, 0));
    return o.rMm - outside - Math.min(Math.max(qx, qy), 0);
  }
  return polygonDistanceMm(o.pts, x, y);
}

function polygonDistanceMm(pts: readonly Pt[], x: number, y: number): number {
  let nearest = Infinity;
  let inside = false;
  for (let i = 0, j = pts.length - 1; i < pts.length; j = i++) {
    const [ax, ay] = pts[j]!;
    const [bx, by] = pts[i]!;
    const dx = bx - ax;
    const dy = by - ay;
    const t = Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)));
    nearest = Math.min(nearest, Math.hypot(x - ax - t * dx, y - ay - t * dy));
    if (by > y !== ay > y && x < ((ax - bx) * (y - by)) / (ay - by) + bx) inside = !inside;
  }
  return inside ? nearest : -nearest;
}

/** Is the point in the shape, grown by `growMm`? */
export function contains(shape: Shape, p: Pt, growMm = 0): boolean {
  if (shape.kind === 'band') {
    const d = insideDistanceMm(shape.of, p);
    return d >= shape.fromMm - growMm && d <= shape.toMm + growMm;
  }
  return insideDistanceMm(shape, p) >= -growMm;
}

/**
 * How a disc round a point lies to a shape: all of it inside, all outside, or perhaps cut. A signed distance changes no
 * faster than the way walked, so the one at the middle settles it.
 */
export function discLies(shape: Shape, middle: Pt, rMm: number): 'in' | 'out' | 'cut' {
  const band = shape.kind === 'band';
  const d = insideDistanceMm(band ? shape.of : shape, middle);
  // a distance is rounded: what nearly touches is looked at point by point
  const r = rMm + 1e-6;
  const [from, to] = band ? [shape.fromMm, shape.toMm] : [0, Infinity];
  if (d - r >= from && d + r <= to) return 'in';
  return d + r < from || d - r > to ? 'out' : 'cut';
}

export interface Box {
  min: Pt;
  max: Pt;
}

/** Smallest upright rectangle round a shape, mm. */
export function boxOf(shape: Shape): Box {
  if (shape.kind === 'band') return boxOf(shape.of);
  if (shape.kind === 'disc')
    return {
      min: [shape.c[0] - shape.rMm, shape.c[1] - shape.rMm],
      max: [shape.c[0] + shape.rMm, shape.c[1] + shape.rMm],
    };
  if (shape.kind === 'roundRect') return { min: shape.min, max: shape.max };
  const xs = shape.pts.map((p) => p[0]);
  const ys = shape.pts.map((p) => p[1]);
  return { min: [Math.min(...xs), Math.min(...ys)], max: [Math.max(...xs), Math.max(...ys)] };
}

/** The outline moved inward (positive) or outward (negative) by a distance, mm. A polygon has to be convex. */
export function inset(o: Outline, byMm: number): Outline {
  if (o.kind === 'disc') return { ...o, rMm: o.rMm - byMm };
  if (o.kind === 'roundRect')
    return {
      kind: 'roundRect',
      min: [o.min[0] + byMm, o.min[1] + byMm],
      max: [o.max[0] - byMm, o.max[1] - byMm],
      rMm: Math.max(0, o.rMm - byMm),
    };
  const pts = insetConvex(o.pts, byMm);
  return pts ? { kind: 'polygon', pts } : o;
}

/** The shape turned over left to right within a width: as somebody sees it who looks at the other face. */
export function mirrorX<S extends Shape>(shape: S, widthMm: number): S;
export function mirrorX(s: Shape, widthMm: number): Shape {
  if (s.kind === 'band') return { ...s, of: mirrorX(s.of, widthMm) };
  if (s.kind === 'disc') return { ...s, c: [widthMm - s.c[0], s.c[1]] };
  if (s.kind === 'roundRect') return { ...s, min: [widthMm - s.max[0], s.min[1]], max: [widthMm - s.min[0], s.max[1]] };
  return { kind: 'polygon', pts: s.pts.map((p): Pt => [widthMm - p[0], p[1]]).reverse() };
}
