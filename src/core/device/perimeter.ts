import { CoreInputError } from '../errors';
import { signedArea } from './polygon';
import { boxOf, inset } from './shapes';
import type { Bond, Device, EdgeId, Outline, Pt } from './types';

export interface PerimeterPoint {
  at: Pt;
  /** outward unit normal in the plan frame */
  normal: Pt;
  edge: EdgeId;
  corner: boolean;
}

interface Piece {
  fromMm: number;
  lengthMm: number;
  edge: EdgeId;
  corner: boolean;
  at: (u: number) => { at: Pt; normal: Pt };
}

/**
 * The centre line of a ring bond as a path: s = 0 at bottom middle, growing clockwise as looked at from behind
 * (bottom middle, left corner, left side upward, top, right side downward, back to bottom middle).
 * A corner belongs to the edge that it leaves. A disc is a rounded rectangle of four corners; a convex polygon's sides
 * belong to the edge that they face.
 */
export class Perimeter {
  readonly lengthMm: number;
  private readonly pieces: Piece[] = [];

  constructor(outline: Outline) {
    const { min, max } = boxOf(outline);
    const [x0, y0] = min;
    const [x1, y1] = max;
    const mid = (x0 + x1) / 2;
    let s = 0;
    const add = (lengthMm: number, edge: EdgeId, corner: boolean, at: Piece['at']) => {
      if (lengthMm <= 1e-9) return;
      this.pieces.push({ fromMm: s, lengthMm, edge, corner, at });
      s += lengthMm;
    };
    const line = (from: Pt, to: Pt, normal: Pt, edge: EdgeId) =>
      add(Math.hypot(to[0] - from[0], to[1] - from[1]), edge, false, (u) => ({
        at: [from[0] + u * (to[0] - from[0]), from[1] + u * (to[1] - from[1])],
        normal,
      }));
    if (outline.kind === 'polygon') {
      for (const [a, b] of polygonSides(outline.pts, mid)) {
        const l = Math.hypot(b[0] - a[0], b[1] - a[1]);
        const normal: Pt = [(b[1] - a[1]) / l, -(b[0] - a[0]) / l];
        const edge: EdgeId =
          Math.abs(normal[1]) >= Math.abs(normal[0])
            ? normal[1] > 0
              ? 'bottom'
              : 'top'
            : normal[0] > 0
              ? 'right'
              : 'left';
        line(a, b, normal, edge);
      }
      this.lengthMm = s;
      return;
    }
    const r = outline.rMm;
    // angles grow clockwise on screen because y points down
    const arc = (c: Pt, startDeg: number, edge: EdgeId) =>
      add((Math.PI / 2) * r, edge, true, (u) => {
        const a = ((startDeg + 90 * u) * Math.PI) / 180;
        const normal: Pt = [Math.cos(a), Math.sin(a)];
        return { at: [c[0] + r * normal[0], c[1] + r * normal[1]], normal };
      });
    line([mid, y1], [x0 + r, y1], [0, 1], 'bottom');
    arc([x0 + r, y1 - r], 90, 'bottom');
    line([x0, y1 - r], [x0, y0 + r], [-1, 0], 'left');
    arc([x0 + r, y0 + r], 180, 'left');
    line([x0 + r, y0], [x1 - r, y0], [0, -1], 'top');
    arc([x1 - r, y0 + r], 270, 'top');
    line([x1, y0 + r], [x1, y1 - r], [1, 0], 'right');
    arc([x1 - r, y1 - r], 0, 'right');
    line([x1 - r, y1], [mid, y1], [0, 1], 'bottom');
    this.lengthMm = s;
  }

  /** s brought into [0, length). */
  wrap(sMm: number): number {
    return ((sMm % this.lengthMm) + this.lengthMm) % this.lengthMm;
  }

  point(sMm: number): PerimeterPoint {
    const s = this.wrap(sMm);
    const piece = this.pieces.find((p) => s <= p.fromMm + p.lengthMm) ?? this.pieces[this.pieces.length - 1]!;
    return {
      ...piece.at((s - piece.fromMm) / piece.lengthMm),
      edge: piece.edge,
      corner: piece.corner,
    };
  }

  /** The s of the point of the path nearest to p (exact on straights, by angle on corners). */
  locate(p: Pt): number {
    let best = { d: Infinity, s: 0 };
    for (const piece of this.pieces) {
      const a = piece.at(0).at;
      const b = piece.at(1).at;
      let u: number;
      if (!piece.corner) {
        const dx = b[0] - a[0];
        const dy = b[1] - a[1];
        u = ((p[0] - a[0]) * dx + (p[1] - a[1]) * dy) / (dx * dx + dy * dy);
      } else {
        const n0 = piece.at(0).normal;
        const r = piece.lengthMm / (Math.PI / 2);
        const c: Pt = [a[0] - r * n0[0], a[1] - r * n0[1]];
        const turn = Math.atan2(p[1] - c[1], p[0] - c[0]) - Math.atan2(n0[1], n0[0]);
        u = Math.atan2(Math.sin(turn), Math.cos(turn)) / (Math.PI / 2);
      }
      u = Math.min(1, Math.max(0, u));
      const q = piece.at(u).at;
      const d = Math.hypot(q[0] - p[0], q[1] - p[1]);
      if (d < best.d - 1e-12) best = { d, s: piece.fromMm + u * piece.lengthMm };
    }
    return best.s;
  }

  /** Where an edge begins and ends along s (its straight and the corner after it). The bottom wraps over s = 0. */
  edgeSpan(edge: EdgeId): { fromMm: number; toMm: number } {
    const own = this.pieces.filter((p) => p.edge === edge);
    const last = this.pieces[this.pieces.length - 1]!;
    if (edge === 'bottom') {
      const firstEnd = own
        .filter((p) => p.fromMm < this.lengthMm / 2)
        .reduce((m, p) => Math.max(m, p.fromMm + p.lengthMm), 0);
      return { fromMm: last.edge === 'bottom' ? last.fromMm - this.lengthMm : 0, toMm: firstEnd };
    }
    if (!own.length) throw new CoreInputError('outline', edge, 'an outline with four sides');
    return { fromMm: own[0]!.fromMm, toMm: own[own.length - 1]!.fromMm + own[own.length - 1]!.lengthMm };
  }

  /** n points at equal spacing, the first half a spacing after `startMm`. */
  spread(n: number, startMm = 0): { sMm: number; point: PerimeterPoint }[] {
    return Array.from({ length: n }, (_, i) => {
      const sMm = this.wrap(startMm + ((i + 0.5) * this.lengthMm) / n);
      return { sMm, point: this.point(sMm) };
    });
  }
}

/** Sides of a convex polygon from bottom middle on, clockwise as looked at. */
function polygonSides(pts: readonly Pt[], midX: number): [Pt, Pt][] {
  const ring = signedArea(pts) > 0 ? pts : [...pts].reverse();
  const n = ring.length;
  let start: { at: Pt; i: number } | null = null;
  for (let i = 0; i < n; i++) {
    const [a, b] = [ring[i]!, ring[(i + 1) % n]!];
    if (a[0] === b[0] || (a[0] - midX) * (b[0] - midX) > 0) continue;
    const at: Pt = [midX, a[1] + ((midX - a[0]) * (b[1] - a[1])) / (b[0] - a[0])];
    if (!start || at[1] > start.at[1]) start = { at, i };
  }
  if (!start) throw new CoreInputError('outline', 'polygon', 'a convex outline');
  const first = start;
  const corners = Array.from({ length: n }, (_, k) => ring[(first.i + 1 + k) % n]!);
  const path = [first.at, ...corners, first.at];
  return path.slice(1).map((b, i): [Pt, Pt] => [path[i]!, b]);
}

/** The face that a bond holds. @throws CoreInputError where the device has none such. */
export function faceOf(device: Device, bond: Bond) {
  const face = device.faces.find((f) => f.id === bond.onFace);
  if (!face) throw new CoreInputError('bond.onFace', bond.onFace, 'a face of this device');
  return face;
}

/** The cover that a bond holds. */
export const coverOf = (device: Device, bond: Bond) => faceOf(device, bond).cover;

/** Centre line of the bond: the cover's outline moved in by inset + half the width. */
export function bondPerimeter(device: Device, bond: Bond): Perimeter {
  return new Perimeter(inset(coverOf(device, bond).outline, bond.insetMm + bond.widthMm / 2));
}

/** Which third of an edge: looked at with the top up. */
export type Third = 'left' | 'middle' | 'right' | 'lower' | 'upper';

const thirds: Record<EdgeId, [Third, Third, Third]> = {
  bottom: ['right', 'middle', 'left'],
  left: ['lower', 'middle', 'upper'],
  top: ['left', 'middle', 'right'],
  right: ['upper', 'middle', 'lower'],
};

/** Plain place of a point of the path: edge, third of the edge, corner or not. Words are made above the core. */
export function describePlace(path: Perimeter, sMm: number): { edge: EdgeId; corner: boolean; third: Third } {
  const p = path.point(sMm);
  const span = path.edgeSpan(p.edge);
  const s = path.wrap(sMm);
  const along = p.edge === 'bottom' && s > span.toMm ? s - path.lengthMm : s;
  const share = (along - span.fromMm) / (span.toMm - span.fromMm);
  return { edge: p.edge, corner: p.corner, third: thirds[p.edge][share < 1 / 3 ? 0 : share < 2 / 3 ? 1 : 2] };
}
