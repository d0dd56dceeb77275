import type { Pt } from '../device/types';
import { snapCorner, snapEdge, type Grey } from './snap';
import { upright } from './straighten';

/** A straight line: a point on it and its direction, of length 1. */
interface Line {
  at: Pt;
  along: Pt;
}

/** Share of a side at either end that is left out: the corners of cards and devices are rounded. */
const cornerShare = 0.14;
const samples = 25;

/** A line through points by total least squares, those far off left out, three times over; null: too few are left. */
function lineThrough(points: readonly Pt[], least: number): Line | null {
  let list = points;
  for (let round = 0; round < 3; round++) {
    if (list.length < least) return null;
    const n = list.length;
    const cx = list.reduce((s, p) => s + p[0], 0) / n;
    const cy = list.reduce((s, p) => s + p[1], 0) / n;
    let [xx, xy, yy] = [0, 0, 0];
    for (const [x, y] of list) {
      xx += (x - cx) ** 2;
      xy += (x - cx) * (y - cy);
      yy += (y - cy) ** 2;
    }
    const a = Math.atan2(2 * xy, xx - yy) / 2;
    const line: Line = { at: [cx, cy], along: [Math.cos(a), Math.sin(a)] };
    const off = (p: Pt) => Math.abs((p[0] - cx) * line.along[1] - (p[1] - cy) * line.along[0]);
    const usual = list.map(off).sort((p, q) => p - q)[Math.floor(n / 2)]!;
    const kept = list.filter((p) => off(p) <= Math.max(1, 3 * usual));
    if (kept.length === list.length) return line;
    list = kept;
  }
  return null;
}

function meet(p: Line, q: Line): Pt | null {
  const det = p.along[0] * q.along[1] - p.along[1] * q.along[0];
  if (Math.abs(det) < 0.1) return null;
  const [dx, dy] = [q.at[0] - p.at[0], q.at[1] - p.at[1]];
  const t = (dx * q.along[1] - dy * q.along[0]) / det;
  return [p.at[0] + t * p.along[0], p.at[1] + t * p.along[1]];
}

/**
 * Four corners made exact: each side is followed in the picture, and a corner is where two sides would meet, which a rounded
 * corner does not show. Null: a side does not stand out along its length.
 * @param corners in the order in which they go round, px
 * @param reachPx how far off a side may be
 */
export function exactCorners(g: Grey, corners: readonly Pt[], reachPx = 8): Pt[] | null {
  const lines: Line[] = [];
  for (let i = 0; i < 4; i++) {
    const [a, b] = [corners[i]!, corners[(i + 1) % 4]!];
    const across: Pt = [b[1] - a[1], a[0] - b[0]];
    const found: Pt[] = [];
    for (let k = 0; k < samples; k++) {
      const t = cornerShare + (1 - 2 * cornerShare) * (k / (samples - 1));
      const p = snapEdge(g, [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])], across, reachPx);
      if (p) found.push(p);
    }
    const line = lineThrough(found, 0.6 * samples);
    if (!line) return null;
    lines.push(line);
  }
  const out: Pt[] = [];
  for (let i = 0; i < 4; i++) {
    const p = meet(lines[(i + 3) % 4]!, lines[i]!);
    // a side that was led astray by another edge beside it
    if (!p || Math.hypot(p[0] - corners[i]![0], p[1] - corners[i]![1]) > 3 * reachPx) return null;
    out.push(p);
  }
  return out;
}

/** Corners of a card as they were tapped: each found near its tap, then all four made exact by the sides between them. */
export function cardCorners(g: Grey, taps: readonly Pt[]): { corners: Pt[]; found: boolean } {
  const near = taps.map((p) => snapCorner(g, p));
  const round = upright(near.map((p, i) => p ?? taps[i]!));
  const exact = exactCorners(g, round);
  return exact ? { corners: exact, found: true } : { corners: round, found: near.every((p) => p !== null) };
}
