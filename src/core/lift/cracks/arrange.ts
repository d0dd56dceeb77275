import { insidePolygon, nearSegment } from '../../device/polygon';
import type { Pt } from '../../device/types';
import { walk, endsOf } from './arrangeFaces';

/** What an edge of the arrangement comes from: the outline, a hole by number, a crack by number. */
export type EdgeTag = 'outline' | `hole${number}` | `crack${number}`;

interface Segment {
  a: Pt;
  b: Pt;
  tag: EdgeTag;
}

export interface Face {
  areaMm2: number;
  /** outer loop and the loops of islands in it, as vertex numbers */
  loop: number[];
  islands: number[][];
  /** a point just inside */
  inside: Pt;
}

export interface Arrangement {
  vertices: Pt[];
  /** edge tags by "low,high" vertex numbers */
  edges: Map<string, Set<EdgeTag>>;
  /** faces of the cover; what lies in a hole is left out */
  faces: Face[];
  /** after pruning; `faces` counts the outer one and those in holes too */
  counts: { vertices: number; edges: number; faces: number; components: number };
  /** V - E + F - (1 + C): 0 in every sound arrangement (Euler) */
  eulerResidual: number;
  /** ends inside: these bits free no piece */
  dangling: { from: Pt; to: Pt; crack: number }[];
  danglingMm: number;
}

const epsMm = 1e-6;

const weldMm = 1e-4;

/** Name of the edge between two corners, whichever comes first. */
export const edgeKey = (u: number, v: number) => (u < v ? `${u},${v}` : `${v},${u}`);

/**
 * Planar arrangement of a cover's outline, its holes and its cracks: ends of cracks snap, all lines are split where they
 * meet, what dangles is pruned, and the faces are walked by half edges. Runs in the numbers of the plan frame, mm.
 * @param snapMm a crack's end nearer than this to the outline or a hole, else to another crack, is moved onto it
 */
export function arrange(
  outline: readonly Pt[],
  holes: readonly (readonly Pt[])[],
  cracks: readonly (readonly Pt[])[],
  snapMm: number,
): Arrangement {
  const boundary: Segment[] = [...sides(outline, 'outline'), ...holes.flatMap((h, i) => sides(h, `hole${i}`))];
  const snapped = snapEnds(boundary, cracks, snapMm);
  const segments = [...boundary];
  snapped.forEach((c, i) => {
    for (let k = 0; k + 1 < c.length; k++)
      if (Math.hypot(c[k]![0] - c[k + 1]![0], c[k]![1] - c[k + 1]![1]) > epsMm)
        segments.push({ a: c[k]!, b: c[k + 1]!, tag: `crack${i}` });
  });
  const { vertices, edges } = weld(segments, splitPoints(segments), (mid) => {
    const onBoundary = boundary.some((s) => nearSegment(mid, s.a, s.b).d <= 10 * weldMm);
    return onBoundary || (insidePolygon(mid, outline) && !holes.some((h) => insidePolygon(mid, h)));
  });
  const dangling = prune(vertices, edges);
  const { faces, counts } = walk(vertices, edges);
  return {
    vertices,
    edges,
    faces: faces.filter((f) => !holes.some((h) => insidePolygon(f.inside, h))),
    counts,
    eulerResidual: counts.vertices - counts.edges + counts.faces - (1 + counts.components),
    dangling,
    danglingMm: dangling.reduce((m, d) => m + Math.hypot(d.from[0] - d.to[0], d.from[1] - d.to[1]), 0),
  };
}

const sides = (pts: readonly Pt[], tag: EdgeTag): Segment[] =>
  pts.map((a, i) => ({ a, b: pts[(i + 1) % pts.length]!, tag }));

/** Only ends snap: first to the boundary, failing that to another crack (its vertex when that is near enough too). */
function snapEnds(boundary: readonly Segment[], cracks: readonly (readonly Pt[])[], snapMm: number): Pt[][] {
  const out = cracks.map((c) => [...c]);
  out.forEach((c, ci) => {
    if (c.length < 2) return;
    for (const e of [0, c.length - 1]) {
      let best: Pt | null = null;
      let d = snapMm;
      const end = c[e]!;
      for (const s of boundary) {
        const near = nearSegment(end, s.a, s.b);
        if (near.d < d - 1e-12) {
          d = near.d;
          best = near.at;
        }
      }
      if (!best)
        out.forEach((other, cj) => {
          if (cj === ci) return;
          for (let k = 0; k + 1 < other.length; k++) {
            const [p, q] = [other[k]!, other[k + 1]!];
            const near = nearSegment(end, p, q);
            if (near.d >= d - 1e-12) continue;
            d = near.d;
            best = [p, q].findLast((v) => Math.hypot(v[0] - end[0], v[1] - end[1]) < snapMm) ?? near.at;
          }
        });
      if (best) c[e] = best;
    }
  });
  return out;
}

/** Shares along each segment where it meets others. A sweep over x keeps the pairs few. */
function splitPoints(segments: readonly Segment[]): number[][] {
  const cuts = segments.map(() => [0, 1]);
  const box = segments.map(({ a, b }) => [
    Math.min(a[0], b[0]),
    Math.max(a[0], b[0]),
    Math.min(a[1], b[1]),
    Math.max(a[1], b[1]),
  ]);
  const order = segments.map((_, i) => i).sort((i, j) => box[i]![0]! - box[j]![0]!);
  for (let oi = 0; oi < order.length; oi++) {
    const i = order[oi]!;
    const bi = box[i]!;
    for (let oj = oi + 1; oj < order.length; oj++) {
      const j = order[oj]!;
      const bj = box[j]!;
      if (bj[0]! > bi[1]! + epsMm) break;
      if (bj[2]! > bi[3]! + epsMm || bi[2]! > bj[3]! + epsMm) continue;
      meet(segments[i]!, segments[j]!, cuts[i]!, cuts[j]!);
    }
  }
  return cuts;
}

function meet(s: Segment, r: Segment, cutS: number[], cutR: number[]): void {
  for (const p of [r.a, r.b]) {
    const n = nearSegment(p, s.a, s.b);
    if (n.d <= epsMm) cutS.push(n.t);
  }
  for (const p of [s.a, s.b]) {
    const n = nearSegment(p, r.a, r.b);
    if (n.d <= epsMm) cutR.push(n.t);
  }
  const ux = s.b[0] - s.a[0];
  const uy = s.b[1] - s.a[1];
  const vx = r.b[0] - r.a[0];
  const vy = r.b[1] - r.a[1];
  const den = ux * vy - uy * vx;
  if (Math.abs(den) <= 1e-12 * Math.hypot(ux, uy) * Math.hypot(vx, vy)) return;
  const wx = r.a[0] - s.a[0];
  const wy = r.a[1] - s.a[1];
  const t = (wx * vy - wy * vx) / den;
  const u = (wx * uy - wy * ux) / den;
  if (t < -1e-9 || t > 1 + 1e-9 || u < -1e-9 || u > 1 + 1e-9) return;
  cutS.push(Math.min(1, Math.max(0, t)));
  cutR.push(Math.min(1, Math.max(0, u)));
}

/** Vertices nearer than 0.1 µm are one; an edge that stands twice is one with both tags. */
function weld(
  segments: readonly Segment[],
  cuts: readonly number[][],
  keeps: (mid: Pt) => boolean,
): Pick<Arrangement, 'vertices' | 'edges'> {
  const vertices: Pt[] = [];
  const grid = new Map<string, number[]>();
  const vertex = (p: Pt): number => {
    const gx = Math.floor(p[0] / weldMm);
    const gy = Math.floor(p[1] / weldMm);
    for (let ix = gx - 1; ix <= gx + 1; ix++)
      for (let iy = gy - 1; iy <= gy + 1; iy++)
        for (const k of grid.get(`${ix},${iy}`) ?? [])
          if (Math.hypot(vertices[k]![0] - p[0], vertices[k]![1] - p[1]) <= weldMm) return k;
    vertices.push(p);
    const key = `${gx},${gy}`;
    grid.set(key, [...(grid.get(key) ?? []), vertices.length - 1]);
    return vertices.length - 1;
  };
  const edges: Arrangement['edges'] = new Map();
  segments.forEach(({ a, b, tag }, i) => {
    let last = -1;
    for (const t of [...new Set(cuts[i]!)].sort((p, q) => p - q)) {
      const v = vertex([a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])]);
      if (last >= 0 && v !== last) {
        const [p, q] = [vertices[last]!, vertices[v]!];
        if (!tag.startsWith('crack') || keeps([(p[0] + q[0]) / 2, (p[1] + q[1]) / 2])) {
          const key = edgeKey(last, v);
          edges.set(key, (edges.get(key) ?? new Set()).add(tag));
        }
      }
      last = v;
    }
  });
  return { vertices, edges };
}

/** Takes out edges with a loose end until none is left; returns them. */
function prune(vertices: readonly Pt[], edges: Arrangement['edges']): Arrangement['dangling'] {
  const at = new Map<number, Set<string>>();
  for (const key of edges.keys()) for (const v of endsOf(key)) at.set(v, (at.get(v) ?? new Set()).add(key));
  const out: Arrangement['dangling'] = [];
  const loose = [...at].filter(([, e]) => e.size === 1).map(([v]) => v);
  while (loose.length) {
    const key = [...at.get(loose.pop()!)!][0];
    if (key === undefined) continue;
    const [u, v] = endsOf(key);
    const tag = [...edges.get(key)!].find((t) => t.startsWith('crack'));
    out.push({ from: vertices[u]!, to: vertices[v]!, crack: Number(tag?.slice(5) ?? -1) });
    edges.delete(key);
    for (const w of [u, v]) {
      at.get(w)!.delete(key);
      if (at.get(w)!.size === 1) loose.push(w);
    }
  }
  return out;
}
