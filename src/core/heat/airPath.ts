import { CoreInputError } from '../errors';
import { Perimeter } from '../device/perimeter';
import { inset } from '../device/shapes';
import type { Outline, Pt } from '../device/types';

/** How the nozzle moves over the face, in the frame of somebody who looks at it. */
export type AirPath =
  /** round the edge, `insetMm` inside the outline (negative: outside it) */
  | { kind: 'loop'; insetMm: number; roundS: number; shares?: readonly number[] | undefined }
  /** to and fro along a stretch of the edge, given as shares of the way round (bottom middle = 0, clockwise) */
  | { kind: 'strip'; insetMm: number; from: number; to: number; speedMmS: number }
  /** small circles over one place */
  | { kind: 'spot'; at: Pt; radiusMm: number };

/** A round at the edge: the way of a nozzle when nothing else is said. */
export const edgeLoop: AirPath = { kind: 'loop', insetMm: 2, roundS: 4 };

/** Number of segments into which a loop is divided for its dwell times. */
export const loopSegments = 24;

export interface PathPoint {
  at: Pt;
  /** share of the time of one round that is spent near it */
  weight: number;
}

const stepMm = 2.5;

/** The way of a nozzle that is led round, so far inside the outline, mm; negative: outside it. */
export const loopPerimeter = (outline: Outline, insetMm: number) => new Perimeter(inset(outline, insetMm));

/**
 * One round of the path as points with their share of the round's time; what a fast round looks like to the glass.
 * @throws CoreInputError for path.shares
 */
export function pathPoints(outline: Outline, path: AirPath): PathPoint[] {
  if (path.kind === 'spot') {
    const n = 8;
    const ring = Array.from({ length: n }, (_, i): PathPoint => {
      const a = (2 * Math.PI * i) / n;
      return {
        at: [path.at[0] + path.radiusMm * Math.cos(a), path.at[1] + path.radiusMm * Math.sin(a)],
        weight: 1 / n,
      };
    });
    return path.radiusMm > 0 ? ring : [{ at: path.at, weight: 1 }];
  }
  const line = loopPerimeter(outline, path.insetMm);
  if (path.kind === 'strip') {
    const n = Math.max(4, Math.ceil(((path.to - path.from) * line.lengthMm) / stepMm));
    return Array.from({ length: n }, (_, i): PathPoint => {
      const share = path.from + ((i + 0.5) / n) * (path.to - path.from);
      return { at: line.point(share * line.lengthMm).at, weight: 1 / n };
    });
  }
  const shares = path.shares ?? new Array<number>(loopSegments).fill(1);
  const total = shares.reduce((m, v) => m + v, 0);
  if (shares.length !== loopSegments || !(total > 0))
    throw new CoreInputError('path.shares', shares.length, `${loopSegments} times of one round`);
  const per = Math.max(2, Math.ceil(line.lengthMm / loopSegments / stepMm));
  const out: PathPoint[] = [];
  for (let q = 0; q < loopSegments; q++)
    for (let i = 0; i < per; i++) {
      // segment q is centred on its share of the way, as the arcs of the bond are
      const s = ((q - 0.5 + (i + 0.5) / per) / loopSegments) * line.lengthMm;
      out.push({ at: line.point(s).at, weight: shares[q]! / total / per });
    }
  return out;
}

/** Where the nozzle is at an instant, s from the start of the path. */
export function pathAt(outline: Outline, path: AirPath, tS: number): Pt {
  if (path.kind === 'spot') {
    const a = (2 * Math.PI * tS) / 2;
    return [path.at[0] + path.radiusMm * Math.cos(a), path.at[1] + path.radiusMm * Math.sin(a)];
  }
  const line = loopPerimeter(outline, path.insetMm);
  if (path.kind === 'strip') {
    const l = (path.to - path.from) * line.lengthMm;
    const u = ((path.speedMmS * tS) / l) % 2;
    return line.point(path.from * line.lengthMm + l * (u < 1 ? u : 2 - u)).at;
  }
  const shares = path.shares ?? new Array<number>(loopSegments).fill(1);
  const total = shares.reduce((m, v) => m + v, 0);
  let left = ((((tS / path.roundS) % 1) + 1) % 1) * total;
  for (let q = 0; q < loopSegments; q++) {
    if (left <= shares[q]!) return line.point(((q - 0.5 + left / shares[q]!) / loopSegments) * line.lengthMm).at;
    left -= shares[q]!;
  }
  return line.point(-0.5 * (line.lengthMm / loopSegments)).at;
}

/** Mean and greatest speed of a loop's segments, mm/s. */
export function loopSpeeds(outline: Outline, path: Extract<AirPath, { kind: 'loop' }>): number[] {
  const line = loopPerimeter(outline, path.insetMm);
  const shares = path.shares ?? new Array<number>(loopSegments).fill(1);
  const total = shares.reduce((m, v) => m + v, 0);
  return shares.map((v) => line.lengthMm / loopSegments / ((v / total) * path.roundS));
}
