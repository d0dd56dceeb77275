import type { Pt } from '../device/types';

/** A picture in shades of grey, row after row. */
export interface Grey {
  width: number;
  height: number;
  values: Float32Array;
}

/** Grey of the usual weights (ITU-R BT.601) from red, green, blue and a fourth. */
export function greyOf(rgba: Uint8ClampedArray, width: number, height: number): Grey {
  const values = new Float32Array(width * height);
  for (let i = 0; i < values.length; i++)
    values[i] = 0.299 * rgba[4 * i]! + 0.587 * rgba[4 * i + 1]! + 0.114 * rgba[4 * i + 2]!;
  return { width, height, values };
}

const at = (g: Grey, x: number, y: number): number => g.values[y * g.width + x]!;

/** Between four pixels. */
export function sample(g: Grey, x: number, y: number): number {
  const cx = Math.min(Math.max(x, 0), g.width - 1.001);
  const cy = Math.min(Math.max(y, 0), g.height - 1.001);
  const [i, j] = [Math.floor(cx), Math.floor(cy)];
  const [u, v] = [cx - i, cy - j];
  return (
    (1 - u) * (1 - v) * at(g, i, j) +
    u * (1 - v) * at(g, i + 1, j) +
    (1 - u) * v * at(g, i, j + 1) +
    u * v * at(g, i + 1, j + 1)
  );
}

/** Sums over a window that a corner is found by: how strongly edges run in both directions, and where they all point through. */
function windowAt(g: Grey, [px, py]: Pt, r: number): { at: Pt; round: number; strength: number } | null {
  let [xx, xy, yy, bx, by] = [0, 0, 0, 0, 0];
  const [x0, y0] = [Math.round(px), Math.round(py)];
  for (let y = y0 - r; y <= y0 + r; y++)
    for (let x = x0 - r; x <= x0 + r; x++) {
      if (x < 1 || y < 1 || x >= g.width - 1 || y >= g.height - 1) continue;
      const gx = at(g, x + 1, y) - at(g, x - 1, y);
      const gy = at(g, x, y + 1) - at(g, x, y - 1);
      xx += gx * gx;
      xy += gx * gy;
      yy += gy * gy;
      bx += gx * gx * x + gx * gy * y;
      by += gx * gy * x + gy * gy * y;
    }
  const det = xx * yy - xy * xy;
  const trace = xx + yy;
  // an edge alone has one strong direction: its corner lies anywhere
  if (!(trace > 0) || (4 * det) / (trace * trace) < 0.02) return null;
  return {
    at: [(yy * bx - xy * by) / det, (xx * by - xy * bx) / det],
    round: (4 * det) / (trace * trace),
    strength: det / trace,
  };
}

/** Windows that a corner is looked for in, px: a wide one reaches far, a narrow one is not led astray by another edge beside it. */
const windowsPx = [12, 8, 5];

/**
 * The corner nearest to a tap: the place that all edges round it point through (Förstner & Gülch 1987), looked for again from
 * where it was found, in wide and in narrow windows; of what they find the one that most looks like a corner from close by.
 * Null: no corner there.
 */
export function snapCorner(g: Grey, tap: Pt): Pt | null {
  const found = windowsPx.flatMap((window) => {
    let p: Pt = tap;
    for (let round = 0; round < 6; round++) {
      const next = windowAt(g, p, round < 2 ? window : Math.max(4, Math.round(window / 2)))?.at;
      if (!next || Math.hypot(next[0] - tap[0], next[1] - tap[1]) > 1.3 * windowsPx[0]!) return [];
      const moved = Math.hypot(next[0] - p[0], next[1] - p[1]);
      p = next;
      if (moved < 0.02) break;
    }
    const near = windowAt(g, p, 4);
    return near ? [{ p, strength: near.strength * near.round }] : [];
  });
  return (
    found.reduce<(typeof found)[number] | null>((best, x) => (best && best.strength >= x.strength ? best : x), null)
      ?.p ?? null
  );
}

/** Places along an edge that are looked at beside a tap, px, and how far off its line they may lie. */
const besidePx = [-60, -30, 30, 60];
const besideReachPx = 5;

/** Direction across an edge: the way in which it gets lighter, over a few pixels round a place on it. */
function normalAt(g: Grey, [x, y]: Pt, r = 5): Pt {
  let [gx, gy] = [0, 0];
  for (let dy = -r; dy <= r; dy++)
    for (let dx = -r; dx <= r; dx++) {
      gx += sample(g, x + dx + 1, y + dy) - sample(g, x + dx - 1, y + dy);
      gy += sample(g, x + dx, y + dy + 1) - sample(g, x + dx, y + dy - 1);
    }
  return [gx, gy];
}

/** The edge at a tap and to both sides of it, as many of the places as stand out; the tap itself where none does. */
export function edgePoints(g: Grey, tap: Pt, towards: Pt): { points: Pt[]; found: boolean } {
  const here = snapEdge(g, tap, [towards[0] - tap[0], towards[1] - tap[1]]);
  if (!here) return { points: [tap], found: false };
  const across = normalAt(g, here);
  const l = Math.hypot(across[0], across[1]);
  if (!(l > 0)) return { points: [here], found: true };
  const beside = besidePx.map((d) =>
    snapEdge(g, [here[0] - (d * across[1]) / l, here[1] + (d * across[0]) / l], across, besideReachPx),
  );
  const [a, b, c, d] = beside;
  return { points: [a, b, here, c, d].filter((p): p is Pt => p != null), found: true };
}

/** The strongest edge across a line through a tap, px; null: nothing stands out. */
export function snapEdge(g: Grey, tap: Pt, across: Pt, reachPx = 14): Pt | null {
  const l = Math.hypot(across[0], across[1]);
  if (!(l > 0)) return null;
  const [ux, uy] = [across[0] / l, across[1] / l];
  const step = 0.5;
  const n = Math.round(reachPx / step);
  const slope = (i: number) => {
    // a few pixels to either side along the edge: noise is no edge
    let sum = 0;
    for (let k = -3; k <= 3; k++) {
      const [x, y] = [tap[0] + ux * i * step - uy * 2 * k, tap[1] + uy * i * step + ux * 2 * k];
      sum += sample(g, x + ux, y + uy) - sample(g, x - ux, y - uy);
    }
    return sum / 7;
  };
  const s = Array.from({ length: 2 * n + 1 }, (_, i) => Math.abs(slope(i - n)));
  const most = Math.max(...s);
  const usual = [...s].sort((a, b) => a - b)[Math.floor(s.length / 2)]!;
  if (!(most > 6 && most > 2.5 * usual)) return null;
  // the middle of the peak, by its own weight
  const top = s.indexOf(most);
  let [w, m] = [0, 0];
  for (let i = Math.max(0, top - 3); i <= Math.min(s.length - 1, top + 3); i++) {
    w += s[i]!;
    m += s[i]! * i;
  }
  const d = (m / w - n) * step;
  return [tap[0] + ux * d, tap[1] + uy * d];
}
