import { centroid, insidePolygon, polygonOf } from '../../device/polygon';
import type { Hole, Outline, Pt } from '../../device/types';
import { CoreInputError } from '../../errors';
import { arrange, edgeKey, type Arrangement } from './arrange';

/** One piece of the cracked cover. Lengths in mm, the area net of islands. */
export interface Piece {
  id: number;
  areaMm2: number;
  centroid: Pt;
  /** a place for its number: well inside */
  labelAt: Pt;
  outer: Pt[];
  islands: Pt[][];
  /** edge on the cover's outline */
  freeMm: number;
  /** edge on a camera hole */
  cameraHoleMm: number;
  perimeterMm: number;
  /** shared edge with each neighbour, by id */
  neighbours: Map<number, number>;
  /** its sides, and what lies beyond each: the outline, a hole by number, a neighbour by id, or nothing that counts */
  sides: PieceSide[];
}

export interface PieceSide {
  a: Pt;
  b: Pt;
  beyond: 'outline' | 'hole' | number | null;
}

export interface CrackMap {
  pieces: Piece[];
  dangling: Arrangement['dangling'];
  danglingMm: number;
  counts: Arrangement['counts'];
  eulerResidual: number;
}

export const maxCracks = 200;
export const maxCrackPoints = 400;
/** Ends nearer than this to an edge or another crack meet it. */
export const crackSnapMm = 1.5;

/**
 * Pieces of a cover from its cracks.
 * @throws CoreInputError naming the crack when one has too few, too many or only equal points
 */
export function crackPieces(
  outline: Outline,
  holes: readonly Pick<Hole, 'shape' | 'role'>[],
  cracks: readonly (readonly Pt[])[],
  snapMm = crackSnapMm,
  arcSteps = 8,
): CrackMap {
  if (cracks.length > maxCracks) throw new CoreInputError('cracks', cracks.length, `up to ${maxCracks}`);
  cracks.forEach((c, i) => checkCrack(c, `crack ${i + 1}`));
  const arr = arrange(
    polygonOf(outline, arcSteps),
    holes.map((h) => polygonOf(h.shape, 6)),
    cracks,
    snapMm,
  );
  const at = (loop: readonly number[]) => loop.map((k) => arr.vertices[k]!);
  const sorted = arr.faces
    .map((f) => {
      const outer = at(f.loop);
      return { f, outer, c: centroid(outer) };
    })
    .sort((a, b) => Math.round((a.c[1] - b.c[1]) * 1e3) || a.c[0] - b.c[0]);
  const owner = new Map<string, number>();
  sorted.forEach(({ f }, i) => {
    for (const loop of [f.loop, ...f.islands])
      loop.forEach((u, k) => owner.set(`${u}>${loop[(k + 1) % loop.length]!}`, i));
  });
  const pieces = sorted.map(({ f, outer, c }, id): Piece => {
    const islands = f.islands.map(at);
    const piece: Piece = {
      id,
      areaMm2: f.areaMm2,
      centroid: c,
      labelAt: labelPoint(outer, islands, c),
      outer,
      islands,
      freeMm: 0,
      cameraHoleMm: 0,
      perimeterMm: 0,
      neighbours: new Map(),
      sides: [],
    };
    for (const loop of [f.loop, ...f.islands])
      loop.forEach((u, k) => {
        const v = loop[(k + 1) % loop.length]!;
        const [p, q] = [arr.vertices[u]!, arr.vertices[v]!];
        const length = Math.hypot(p[0] - q[0], p[1] - q[1]);
        const tags = arr.edges.get(edgeKey(u, v))!;
        piece.perimeterMm += length;
        const hole = [...tags].find((t) => t.startsWith('hole'));
        const other = owner.get(`${v}>${u}`);
        const inner = other !== undefined && other !== id ? other : null;
        piece.sides.push({ a: p, b: q, beyond: tags.has('outline') ? 'outline' : hole ? 'hole' : inner });
        if (tags.has('outline')) piece.freeMm += length;
        else if (hole) {
          if (holes[Number(hole.slice(4))]?.role === 'camera') piece.cameraHoleMm += length;
        } else if (other !== undefined && other !== id)
          piece.neighbours.set(other, (piece.neighbours.get(other) ?? 0) + length);
      });
    return piece;
  });
  return {
    pieces,
    dangling: arr.dangling.filter((d) => d.crack >= 0),
    danglingMm: arr.danglingMm,
    counts: arr.counts,
    eulerResidual: arr.eulerResidual,
  };
}

/** @throws CoreInputError for a crack has 2 to 400 points and a length */
export function checkCrack(c: readonly Pt[], field: string): void {
  if (c.length < 2) throw new CoreInputError(`${field}: points`, c.length, `2 to ${maxCrackPoints}`);
  if (c.length > maxCrackPoints) throw new CoreInputError(`${field}: points`, c.length, `2 to ${maxCrackPoints}`);
  if (c.some((p) => !p.every((v) => Number.isFinite(v) && Math.abs(v) <= 1000)))
    throw new CoreInputError(`${field}: coordinates`, 'not a place of the plan', '-1000 to 1000 mm');
  let length = 0;
  for (let i = 0; i + 1 < c.length; i++) length += Math.hypot(c[i]![0] - c[i + 1]![0], c[i]![1] - c[i + 1]![1]);
  if (length < 0.5) throw new CoreInputError(`${field}: length`, `${length.toFixed(2)} mm`, 'at least 0.5 mm');
}

/** The centroid where it lies in the piece, else the middle of the widest stretch of the line through it. */
function labelPoint(outer: readonly Pt[], islands: readonly (readonly Pt[])[], c: Pt): Pt {
  const inside = (p: Pt) => insidePolygon(p, outer) && !islands.some((h) => insidePolygon(p, h));
  if (inside(c)) return c;
  const ys = outer.map((p) => p[1]);
  const y = Math.min(Math.max(c[1], Math.min(...ys) + 1e-6), Math.max(...ys) - 1e-6);
  const xs = [outer, ...islands]
    .flatMap((l) =>
      l.flatMap((a, i) => {
        const b = l[(i + 1) % l.length]!;
        return a[1] > y === b[1] > y ? [] : [a[0] + ((y - a[1]) * (b[0] - a[0])) / (b[1] - a[1])];
      }),
    )
    .sort((a, b) => a - b);
  let best: Pt = c;
  let wide = -1;
  for (let i = 0; i + 1 < xs.length; i++) {
    const mid: Pt = [(xs[i]! + xs[i + 1]!) / 2, y];
    if (xs[i + 1]! - xs[i]! > wide && inside(mid)) {
      wide = xs[i + 1]! - xs[i]!;
      best = mid;
    }
  }
  return best;
}
