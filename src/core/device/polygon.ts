import { polygonArea, polygonCentroid, polygonContains } from 'd3-polygon';

import type { Outline, Pt } from './types';

/** As the package asks for points; it changes none of them. */
const plain = (pts: readonly Pt[]) => pts as [number, number][];

/** Signed area of a closed polygon, mm²; positive counter-clockwise in the (x, y) of its own numbers. */
export const signedArea = (pts: readonly Pt[]): number => -polygonArea(plain(pts));

/** Centroid of a closed polygon, mm. */
export const centroid = (pts: readonly Pt[]): Pt => polygonCentroid(plain(pts));

/** Even-odd test; a point on the edge may fall either way. */
export const insidePolygon = (p: Pt, pts: readonly Pt[]): boolean => polygonContains(plain(pts), p as [number, number]);

export interface Near {
  d: number;
  at: Pt;
  /** share along the segment, 0 to 1 */
  t: number;
}

/** Nearest point of a segment. */
export function nearSegment([x, y]: Pt, [ax, ay]: Pt, [bx, by]: Pt): Near {
  const dx = bx - ax;
  const dy = by - ay;
  const l2 = dx * dx + dy * dy;
  const t = l2 > 0 ? Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / l2)) : 0;
  const at: Pt = [ax + t * dx, ay + t * dy];
  return { d: Math.hypot(x - at[0], y - at[1]), at, t };
}

/**
 * An outline as a polygon. Corners of a rounded rectangle become `arcSteps` equal arcs each, a disc 4 × arcSteps sides;
 * vertices lie on the outline, so the area is a little small.
 */
export function polygonOf(o: Outline, arcSteps = 8): Pt[] {
  if (o.kind === 'polygon') return [...o.pts];
  if (o.kind === 'disc')
    return Array.from({ length: 4 * arcSteps }, (_, i): Pt => {
      const a = (Math.PI * i) / (2 * arcSteps);
      return [o.c[0] + o.rMm * Math.cos(a), o.c[1] + o.rMm * Math.sin(a)];
    });
  const [x0, y0] = o.min;
  const [x1, y1] = o.max;
  const r = o.rMm;
  if (r <= 0)
    return [
      [x0, y0],
      [x1, y0],
      [x1, y1],
      [x0, y1],
    ];
  const corners: [number, number, number][] = [
    [x1 - r, y0 + r, -90],
    [x1 - r, y1 - r, 0],
    [x0 + r, y1 - r, 90],
    [x0 + r, y0 + r, 180],
  ];
  const out = corners.flatMap(([cx, cy, from]) =>
    Array.from({ length: arcSteps + 1 }, (_, i): Pt => {
      const a = ((from + (90 * i) / arcSteps) * Math.PI) / 180;
      return [cx + r * Math.cos(a), cy + r * Math.sin(a)];
    }),
  );
  // a corner radius of half a side leaves no straight between two corners
  return out.filter((p, i) => {
    const q = out[(i + 1) % out.length]!;
    return Math.hypot(p[0] - q[0], p[1] - q[1]) > 1e-9;
  });
}

const cross = (o: Pt, a: Pt, b: Pt) => (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);

/** Do two segments share a point? Touching counts. */
export function segmentsMeet(a: Pt, b: Pt, c: Pt, d: Pt): boolean {
  const on = (p: Pt, q: Pt, r: Pt) => nearSegment(p, q, r).d < 1e-9;
  if (on(a, c, d) || on(b, c, d) || on(c, a, b) || on(d, a, b)) return true;
  return cross(a, b, c) * cross(a, b, d) < 0 && cross(c, d, a) * cross(c, d, b) < 0;
}

/** First pair of sides that cross or touch where they should not, by number from 1; null when the polygon is simple. */
export function selfCrossing(pts: readonly Pt[]): [number, number] | null {
  const n = pts.length;
  for (let i = 0; i < n; i++)
    for (let j = i + 1; j < n; j++) {
      const next = (j + 1) % n === i || (i + 1) % n === j;
      const [a, b, c, d] = [pts[i]!, pts[(i + 1) % n]!, pts[j]!, pts[(j + 1) % n]!];
      if (next) {
        // neighbours share one point; folding back onto each other is a crossing too
        const [p, shared, q] = (i + 1) % n === j ? [a, b, d] : [c, a, b];
        const back =
          cross(shared, p, q) === 0 &&
          (p[0] - shared[0]) * (q[0] - shared[0]) + (p[1] - shared[1]) * (q[1] - shared[1]) > 0;
        if (back) return [i + 1, j + 1];
      } else if (segmentsMeet(a, b, c, d)) return [i + 1, j + 1];
    }
  return null;
}

/** Number (from 1) of the first corner that turns inward; null when the polygon is convex. */
export function inwardCorner(pts: readonly Pt[]): number | null {
  const sign = Math.sign(signedArea(pts));
  const n = pts.length;
  for (let i = 0; i < n; i++)
    if (sign * cross(pts[i]!, pts[(i + 1) % n]!, pts[(i + 2) % n]!) < -1e-9) return ((i + 1) % n) + 1;
  return null;
}

/** A convex polygon moved inward by a distance (mitred corners). Sides that vanish leave the polygon too small: null then. */
export function insetConvex(pts: readonly Pt[], byMm: number): Pt[] | null {
  const sign = Math.sign(signedArea(pts));
  const n = pts.length;
  const line = (i: number) => {
    const [a, b] = [pts[i]!, pts[(i + 1) % n]!];
    const l = Math.hypot(b[0] - a[0], b[1] - a[1]);
    // inward normal
    const nx = (-sign * (b[1] - a[1])) / l;
    const ny = (sign * (b[0] - a[0])) / l;
    return { px: a[0] + nx * byMm, py: a[1] + ny * byMm, dx: (b[0] - a[0]) / l, dy: (b[1] - a[1]) / l };
  };
  const out: Pt[] = [];
  for (let i = 0; i < n; i++) {
    const p = line((i + n - 1) % n);
    const q = line(i);
    const den = p.dx * q.dy - p.dy * q.dx;
    if (Math.abs(den) < 1e-12) {
      out.push([q.px, q.py]);
      continue;
    }
    const t = ((q.px - p.px) * q.dy - (q.py - p.py) * q.dx) / den;
    out.push([p.px + t * p.dx, p.py + t * p.dy]);
  }
  for (let i = 0; i < n; i++) {
    const [a, b] = [pts[i]!, pts[(i + 1) % n]!];
    const [c, d] = [out[i]!, out[(i + 1) % n]!];
    if ((b[0] - a[0]) * (d[0] - c[0]) + (b[1] - a[1]) * (d[1] - c[1]) <= 0) return null;
  }
  return out;
}

/** Least distance between an outline and a set of closed loops, mm; 0 where they overlap. */
export function distanceToLoops(loops: readonly (readonly Pt[])[], o: Outline): number {
  const [outer, ...inner] = loops;
  const inside = (p: Pt) => insidePolygon(p, outer!) && !inner.some((h) => insidePolygon(p, h));
  const sides = loops.flatMap((l) => l.map((a, i) => [a, l[(i + 1) % l.length]!] as const));
  const least = (p: Pt) => sides.reduce((m, [a, b]) => Math.min(m, nearSegment(p, a, b).d), Infinity);
  if (o.kind === 'disc') return inside(o.c) ? 0 : Math.max(0, least(o.c) - o.rMm);
  const q = polygonOf(o);
  if (q.some(inside) || outer!.some((p) => insidePolygon(p, q))) return 0;
  if (sides.some(([a, b]) => q.some((c, i) => segmentsMeet(a, b, c, q[(i + 1) % q.length]!)))) return 0;
  let d = Infinity;
  for (const c of q) d = Math.min(d, least(c));
  for (const l of loops)
    for (const p of l)
      for (let i = 0; i < q.length; i++) d = Math.min(d, nearSegment(p, q[i]!, q[(i + 1) % q.length]!).d);
  return d;
}
