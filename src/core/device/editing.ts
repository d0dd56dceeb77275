import { coverKindOf } from './coverKinds';
import { boxOf, mirrorX } from './shapes';
import type { Device, Outline, Part, Pt, Shape } from './types';

/** A finger sets to this grid, and is drawn to lines nearer than `pullMm`. */
export const gridMm = 0.5;
export const pullMm = 1;

/** The value on the nearest line when one is near, else on the grid, mm. */
export function snap(value: number, lines: readonly number[], grid = gridMm, pull = pullMm): number {
  const near = lines.reduce<number | null>(
    (best, l) =>
      Math.abs(l - value) <= pull && (best === null || Math.abs(l - value) < Math.abs(best - value)) ? l : best,
    null,
  );
  return Math.round((near ?? Math.round(value / grid) * grid) * 1e3) / 1e3;
}

/** Middle of a shape, mm. */
export const centreOf = (s: Shape): Pt => {
  const b = boxOf(s);
  return [(b.min[0] + b.max[0]) / 2, (b.min[1] + b.max[1]) / 2];
};

/** The shape moved by a step, mm. */
export function shifted<S extends Shape>(shape: S, dx: number, dy: number): S;
export function shifted(s: Shape, dx: number, dy: number): Shape {
  const move = ([x, y]: Pt): Pt => [Math.round((x + dx) * 1e3) / 1e3, Math.round((y + dy) * 1e3) / 1e3];
  if (s.kind === 'band') return { ...s, of: shifted(s.of, dx, dy) };
  if (s.kind === 'disc') return { ...s, c: move(s.c) };
  if (s.kind === 'roundRect') return { ...s, min: move(s.min), max: move(s.max) };
  return { kind: 'polygon', pts: s.pts.map(move) };
}

/**
 * A shape dragged so that its centre comes to a place: the centre snaps to the middle line and to the centres of its
 * neighbours, else to the grid.
 */
export function dragTo<S extends Outline>(shape: S, to: Pt, midX: number, neighbours: readonly Shape[]): S {
  const c = centreOf(shape);
  const others = neighbours.map(centreOf);
  const x = snap(to[0], [midX, ...others.map((o) => o[0])]);
  const y = snap(
    to[1],
    others.map((o) => o[1]),
  );
  return shifted(shape, x - c[0], y - c[1]);
}

/** The twin of a shape on the other side of the middle line; null when it lies on the line itself. */
export function twinOf<S extends Outline>(shape: S, widthMm: number): S | null {
  return Math.abs(centreOf(shape)[0] - widthMm / 2) < 0.01 ? null : mirrorX(shape, widthMm);
}

/** A free id from a word: part2, part3 … */
export function freshId(word: string, taken: readonly string[]): string {
  const base = word.replace(/[^A-Za-z0-9]/g, '').slice(0, 40) || 'item';
  if (!taken.includes(base)) return base;
  for (let i = 2; ; i++) if (!taken.includes(`${base}${i}`)) return `${base}${i}`;
}

/**
 * Another outline for the first leaf and everything that follows it: covers, plate, rim and display that had the old
 * outline get the new one; what lies inside keeps its place from the top-left corner.
 */
export function withOutline(d: Device, outline: Outline): Device {
  const leaf = d.leaves[0]!;
  const old = JSON.stringify(leaf.outline);
  const same = (o: Outline) => JSON.stringify(o) === old;
  const shape = (s: Shape): Shape =>
    s.kind === 'band' ? (same(s.of) ? { ...s, of: outline } : s) : same(s) ? outline : s;
  return {
    ...d,
    leaves: [{ ...leaf, outline }, ...d.leaves.slice(1)],
    faces: d.faces.map((f) =>
      f.leaf === leaf.id && same(f.cover.outline) ? { ...f, cover: { ...f.cover, outline } } : f,
    ),
    parts: d.parts.map((p) => ({ ...p, shape: shape(p.shape) })),
  };
}

/** Another thickness of the back cover: everything below it moves, and the device grows or shrinks with it. */
export function withCoverThickness(d: Device, faceKey: string, hMm: number): Device {
  const face = d.faces.find((f) => f.id === faceKey);
  if (!face) return d;
  const by = hMm - face.cover.hMm;
  const faces = d.faces.map((f) => (f.id === faceKey ? { ...f, cover: { ...f.cover, hMm } } : f));
  const round = (v: number) => Math.round(v * 1e3) / 1e3;
  if (face.side === 'front') return { ...d, faces };
  const own = (leaf: string | undefined) => (leaf ?? d.leaves[0]!.id) === face.leaf;
  // lens covers lie in the back glass and push nothing down
  if (coverKindOf(face).lens) return { ...d, faces };
  return {
    ...d,
    faces,
    leaves: d.leaves.map((l) => (l.id === face.leaf ? { ...l, thicknessMm: round(l.thicknessMm + by) } : l)),
    parts: d.parts.map((p): Part =>
      own(p.leaf) ? { ...p, fromDepthMm: round(p.fromDepthMm + by), toDepthMm: round(p.toDepthMm + by) } : p,
    ),
  };
}

/** A copy under a new id and name, version 1. */
export const duplicateDevice = (d: Device, id: string, name: string): Device => ({ ...d, id, name, version: 1 });
