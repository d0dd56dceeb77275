import { centroid, insidePolygon } from '../../device/polygon';
import { contains } from '../../device/shapes';
import type { Pt } from '../../device/types';
import { commonPractice, judgement } from '../../source';
import type { CrackKeepOut } from './liftOrder';
import type { Piece, PieceSide } from './pieces';

export interface BladeEntry {
  /** middle of the side that the blade enters at, and its unit direction into the piece */
  at: Pt;
  into: Pt;
  /** how far it may go before a part lies under it, mm */
  depthMm: number;
  stoppedBy: string | null;
  side: 'outline' | 'freed';
}

/** A blade stops this far before a part, mm. */
export const bladeClearMm = judgement(1, 'room that a blade keeps from a part');
export const edgeOverCoil = commonPractice(0, 'over the coil the blade stays flat and at the edge');
const searchMm = 30;

/**
 * Where the blade enters a piece: among its free sides the one from which it can go deepest before a part lies under it;
 * among equals the longest. Over a coil that is the side away from it.
 * @param gone pieces that are off before this one
 */
export function bladeEntry(
  piece: Piece,
  gone: ReadonlySet<number>,
  keepOuts: readonly CrackKeepOut[],
): BladeEntry | null {
  const open = piece.sides.filter(
    (s) => s.beyond === 'outline' || (typeof s.beyond === 'number' && gone.has(s.beyond)),
  );
  let best: (BladeEntry & { length: number }) | null = null;
  for (const s of runs(open)) {
    const length = Math.hypot(s.b[0] - s.a[0], s.b[1] - s.a[1]);
    if (length < 0.8) continue;
    const at: Pt = [(s.a[0] + s.b[0]) / 2, (s.a[1] + s.b[1]) / 2];
    const n: Pt = [-(s.b[1] - s.a[1]) / length, (s.b[0] - s.a[0]) / length];
    const probe: Pt = [at[0] + n[0] * 0.05, at[1] + n[1] * 0.05];
    const into: Pt = insidePolygon(probe, piece.outer) ? n : [-n[0], -n[1]];
    const hit = depthAt(at, into, piece, keepOuts);
    const better =
      !best || hit.depthMm > best.depthMm + 0.5 || (hit.depthMm > best.depthMm - 0.5 && length > best.length);
    if (better) best = { at, into, ...hit, side: s.beyond === 'outline' ? 'outline' : 'freed', length };
  }
  if (!best) return null;
  const { length: _, ...entry } = best;
  return entry;
}

function depthAt(at: Pt, into: Pt, piece: Piece, keepOuts: readonly CrackKeepOut[]) {
  for (let d = 0; d <= searchMm; d += 0.5) {
    const p: Pt = [at[0] + into[0] * d, at[1] + into[1] * d];
    for (const k of keepOuts)
      if (contains(k.shape, p, bladeClearMm.value)) return { depthMm: Math.max(0, d - 0.5), stoppedBy: k.name };
    // the far side of the piece
    if (d > 1 && !insidePolygon(p, piece.outer)) return { depthMm: d, stoppedBy: null };
  }
  return { depthMm: searchMm, stoppedBy: null };
}

/** Neighbouring sides of the same kind that run on nearly straight, as one: a crack drawn by hand has many short sides. */
function runs(sides: readonly PieceSide[]): PieceSide[] {
  const out: PieceSide[] = [];
  for (const s of sides) {
    const last = out[out.length - 1];
    const joins = last && Math.hypot(last.b[0] - s.a[0], last.b[1] - s.a[1]) < 1e-6 && last.beyond === s.beyond;
    const straight = joins && last && cos(last, s) > 0.94;
    if (last && straight) out[out.length - 1] = { ...last, b: s.b };
    else out.push(s);
  }
  return out;
}

function cos(p: PieceSide, q: PieceSide): number {
  const u = [p.b[0] - p.a[0], p.b[1] - p.a[1]] as const;
  const v = [q.b[0] - q.a[0], q.b[1] - q.a[1]] as const;
  return (u[0] * v[0] + u[1] * v[1]) / (Math.hypot(...u) * Math.hypot(...v) || 1);
}

/**
 * Two lines along which glass round a camera opening is broken on purpose, so that it comes away in two parts round the
 * ring and nobody bends the camera frame up: from the opening to the piece's edge, the shortest pair on roughly opposite
 * sides that does not run over another opening. Null when the piece is open there already.
 */
export function breakAtCamera(
  piece: Piece,
  rings: readonly { shape: CrackKeepOut['shape'] }[],
): { lines: [Pt, Pt][] } | null {
  if (!rings.length || piece.cameraHoleMm <= 0) return null;
  const pts = rings.map((r) => centreOf(r.shape));
  const c: Pt = [pts.reduce((m, p) => m + p[0], 0) / pts.length, pts.reduce((m, p) => m + p[1], 0) / pts.length];
  const ray = (deg: number): { from: Pt; to: Pt; mm: number } | null => {
    const a = (deg * Math.PI) / 180;
    const u: Pt = [Math.cos(a), Math.sin(a)];
    let from: Pt | null = null;
    for (let d = 0; d < 200; d += 0.5) {
      const p: Pt = [c[0] + u[0] * d, c[1] + u[1] * d];
      const inside = insidePolygon(p, piece.outer);
      if (rings.some((r) => contains(r.shape, p, 0.2))) from = null;
      else if (inside) from ??= p;
      else if (from) return { from, to: p, mm: Math.hypot(p[0] - from[0], p[1] - from[1]) };
    }
    return null;
  };
  const rays = Array.from({ length: 72 }, (_, i) => ({ deg: i * 5, hit: ray(i * 5) }));
  let best: { lines: [Pt, Pt][]; mm: number } | null = null;
  for (const x of rays)
    for (const y of rays) {
      const apart = Math.abs(((y.deg - x.deg + 540) % 360) - 180);
      if (x.deg >= y.deg || apart < 120 || !x.hit || !y.hit) continue;
      const mm = x.hit.mm + y.hit.mm;
      if (!best || mm < best.mm - 1e-9)
        best = {
          lines: [
            [x.hit.from, x.hit.to],
            [y.hit.from, y.hit.to],
          ],
          mm,
        };
    }
  return best ? { lines: best.lines } : null;
}

function centreOf(s: CrackKeepOut['shape']): Pt {
  if (s.kind === 'disc') return s.c;
  if (s.kind === 'roundRect') return [(s.min[0] + s.max[0]) / 2, (s.min[1] + s.max[1]) / 2];
  return centroid(s.pts);
}

/** Where along a piece's edge spot heat is aimed: a third of the way from the blade's entry to the middle of the piece. */
export function heatAt(piece: Piece, entry: BladeEntry | null): Pt {
  if (!entry) return piece.labelAt;
  const p: Pt = [
    entry.at[0] + (piece.labelAt[0] - entry.at[0]) / 3,
    entry.at[1] + (piece.labelAt[1] - entry.at[1]) / 3,
  ];
  if (insidePolygon(p, piece.outer)) return p;
  return piece.labelAt;
}
