import type { Pt } from '../device/types';
import { CoreInputError } from '../errors';
import { judgement } from '../source';
import { linearLight, type Patch } from './compare';
import { sfr, type Grey } from './sfr';

/** A picture as the browser gives it: four bytes a pixel, sRGB. */
export interface Pixels {
  width: number;
  height: number;
  data: Uint8ClampedArray;
}

export interface ShotEdge {
  key: string;
  mtf50: number;
  slopeDeg: number;
  /** middle of the edge in the picture, pixels */
  at: Pt;
}

export interface Shot {
  edges: ShotEdge[];
  /** black in white; null when the middle square was not found */
  patch: Patch | null;
  /** edges that could not be measured, and why */
  left: { key: string; why: string }[];
}

export const shotFigures = {
  clipped: judgement(0.98, 'white that is brighter than this has no detail left, share of full'),
  cropPx: judgement(120, 'half width of a crop at most, pixels'),
};

const light = Float64Array.from({ length: 256 }, (_, i) => linearLight(i));

/** Linear grey of a rectangle of a picture (Rec. 709 weights, published). */
export function greyOf(p: Pixels, x0: number, y0: number, w: number, h: number): Grey {
  const values = new Float64Array(w * h);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const i = 4 * ((y0 + y) * p.width + x0 + x);
      values[y * w + x] =
        0.2126 * light[p.data[i]!]! + 0.7152 * light[p.data[i + 1]!]! + 0.0722 * light[p.data[i + 2]!]!;
    }
  return { width: w, height: h, values };
}

/** The picture made smaller by whole blocks, in linear grey. */
export function shrunk(p: Pixels, longEdge: number): { grey: Grey; by: number } {
  const by = Math.max(1, Math.ceil(Math.max(p.width, p.height) / longEdge));
  const [w, h] = [Math.floor(p.width / by), Math.floor(p.height / by)];
  const values = new Float64Array(w * h);
  for (let y = 0; y < h; y++) {
    const row = greyOf(p, 0, y * by, w * by, by);
    for (let x = 0; x < w; x++) {
      let s = 0;
      for (let dy = 0; dy < by; dy++) for (let dx = 0; dx < by; dx++) s += row.values[dy * w * by + x * by + dx]!;
      values[y * w + x] = s / (by * by);
    }
  }
  return { grey: { width: w, height: h, values }, by };
}

/** Threshold between dark and bright that leaves least scatter on both sides (Otsu 1979, published). */
export function otsu(values: Float64Array): number {
  const n = 256;
  let [low, high] = [Infinity, -Infinity];
  for (const v of values) {
    if (v < low) low = v;
    if (v > high) high = v;
  }
  const step = (high - low) / (n - 1) || 1;
  const count = new Float64Array(n);
  for (const v of values) count[Math.floor((v - low) / step)]! += 1;
  let all = 0;
  for (let i = 0; i < n; i++) all += i * count[i]!;
  let [w0, s0, best, at] = [0, 0, -1, 0];
  for (let i = 0; i < n - 1; i++) {
    w0 += count[i]!;
    s0 += i * count[i]!;
    const w1 = values.length - w0;
    if (!w0 || !w1) continue;
    const between = w0 * w1 * (s0 / w0 - (all - s0) / w1) ** 2;
    if (between > best) [best, at] = [between, i];
  }
  return low + (at + 1) * step;
}

interface Quad {
  /** corners: upper left, upper right, lower right, lower left, pixels of the full picture */
  corners: [Pt, Pt, Pt, Pt];
  c: Pt;
  areaPx: number;
}

/** Dark blobs that are squares, turned by little. */
function darkSquares(g: Grey, by: number): Quad[] {
  const { width: W, height: H, values } = g;
  const level = otsu(values);
  const seen = new Uint8Array(W * H);
  const out: Quad[] = [];
  for (let start = 0; start < values.length; start++) {
    if (seen[start] || values[start]! >= level) continue;
    seen[start] = 1;
    const stack = [start];
    let n = 0;
    let border = false;
    const ends = [0, 1, 2, 3].map(() => ({ v: -Infinity, at: [0, 0] as Pt }));
    const reach = (k: number, v: number, x: number, y: number) => {
      if (v > ends[k]!.v) ends[k] = { v, at: [x, y] };
    };
    const visit = (k: number) => {
      if (seen[k] || values[k]! >= level) return;
      seen[k] = 1;
      stack.push(k);
    };
    while (stack.length) {
      const i = stack.pop()!;
      const x = i % W;
      const y = (i / W) | 0;
      n++;
      if (x === 0 || y === 0 || x === W - 1 || y === H - 1) border = true;
      reach(0, -x - y, x, y);
      reach(1, x - y, x, y);
      reach(2, x + y, x, y);
      reach(3, y - x, x, y);
      if (x > 0) visit(i - 1);
      if (x < W - 1) visit(i + 1);
      if (y > 0) visit(i - W);
      if (y < H - 1) visit(i + W);
    }
    if (border || n < 150 || n > 0.3 * W * H) continue;
    const c = ends.map((e) => e.at) as Quad['corners'];
    const side = (k: number) => Math.hypot(c[k]![0] - c[(k + 1) % 4]![0], c[k]![1] - c[(k + 1) % 4]![1]);
    const sides = [0, 1, 2, 3].map(side);
    const area = Math.abs(c.reduce((s, p, k) => s + p[0] * c[(k + 1) % 4]![1] - p[1] * c[(k + 1) % 4]![0], 0) / 2);
    const filled = n / Math.max(1, area);
    if (Math.min(...sides) < 0.6 * Math.max(...sides) || filled < 0.85 || filled > 1.25) continue;
    const full = c.map(([x, y]): Pt => [(x + 0.5) * by, (y + 0.5) * by]) as Quad['corners'];
    out.push({
      corners: full,
      c: [full.reduce((s, p) => s + p[0], 0) / 4, full.reduce((s, p) => s + p[1], 0) / 4],
      areaPx: n * by * by,
    });
  }
  return out.sort((a, b) => b.areaPx - a.areaPx);
}

const sideNames = ['top', 'right', 'bottom', 'left'];

/** Crop round the middle of an edge from a to b, as wide as there is room. */
function cropOf(p: Pixels, a: Pt, b: Pt): { x: number; y: number; w: number; h: number } | null {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
  const lying = Math.abs(b[0] - a[0]) > Math.abs(b[1] - a[1]);
  const half = Math.min(shotFigures.cropPx.value, Math.floor(0.22 * length));
  const along = Math.min(shotFigures.cropPx.value * 2, Math.floor(0.6 * length));
  const [w, h] = lying ? [along, 2 * half] : [2 * half, along];
  const x = Math.round((a[0] + b[0]) / 2 - w / 2);
  const y = Math.round((a[1] + b[1]) / 2 - h / 2);
  return w < 50 || h < 50 || x < 0 || y < 0 || x + w > p.width || y + h > p.height ? null : { x, y, w, h };
}

function edgeIn(p: Pixels, key: string, crop: { x: number; y: number; w: number; h: number }): ShotEdge {
  const r = sfr(greyOf(p, crop.x, crop.y, crop.w, crop.h));
  if (r.mtf50 === null) throw new CoreInputError('edge', 'no fall of contrast', 'a picture that was not drawn');
  const slope = Math.abs(r.slopeDeg);
  if (slope < 2 || slope > 15)
    throw new CoreInputError(
      'edge',
      `${slope.toFixed(1)} degrees`,
      '2 to 15 degrees off the pixels; hold it straighter',
    );
  return { key, mtf50: r.mtf50, slopeDeg: r.slopeDeg, at: [crop.x + crop.w / 2, crop.y + crop.h / 2] };
}

/** Mean and standard error in a square of the picture. */
function meanOf(p: Pixels, at: Pt, halfPx: number): { mean: number; u: number } | null {
  const [x, y, w] = [Math.round(at[0] - halfPx), Math.round(at[1] - halfPx), Math.max(2, Math.round(2 * halfPx))];
  if (x < 0 || y < 0 || x + w > p.width || y + w > p.height) return null;
  const { values } = greyOf(p, x, y, w, w);
  const mean = values.reduce((s, v) => s + v, 0) / values.length;
  const sd = Math.sqrt(values.reduce((s, v) => s + (v - mean) ** 2, 0) / values.length);
  // neighbours in a picture are not independent: a ninth of the pixels count
  return { mean, u: Math.max((3 * sd) / Math.sqrt(values.length), 1e-5) };
}

/**
 * A picture of the target: sharpness at every edge that can be found, and how black its black is.
 * @throws CoreInputError when no square of the target is to be seen, or white is clipped
 */
export function targetShot(p: Pixels, onProgress: (share: number) => void = () => {}): Shot {
  if (p.width < 300 || p.height < 300)
    throw new CoreInputError('picture', `${p.width} × ${p.height}`, 'at least 300 × 300 pixels, not scaled down');
  const { grey, by } = shrunk(p, 700);
  onProgress(0.3);
  const found = darkSquares(grey, by).slice(0, 5);
  if (!found.length)
    throw new CoreInputError('picture', 'no square of the target', 'the whole target with white round it, evenly lit');
  const middle: Pt = [p.width / 2, p.height / 2];
  const far = (q: Quad) => Math.hypot(q.c[0] - middle[0], q.c[1] - middle[1]);
  const centre = found.reduce((a, b) => (far(b) < far(a) ? b : a));
  const nameOf = (q: Quad) =>
    q === centre ? 'middle' : `${q.c[1] < centre.c[1] ? 'top' : 'bottom'}${q.c[0] < centre.c[0] ? 'Left' : 'Right'}`;
  const edges: ShotEdge[] = [];
  const left: Shot['left'] = [];
  found.forEach((q, n) => {
    for (let k = 0; k < 4; k++) {
      const key = `${nameOf(q)}.${sideNames[k]}`;
      const crop = cropOf(p, q.corners[k]!, q.corners[(k + 1) % 4]!);
      if (!crop) {
        left.push({ key, why: 'too small in the picture, or at its edge' });
        continue;
      }
      try {
        edges.push(edgeIn(p, key, crop));
      } catch (e) {
        if (!(e instanceof CoreInputError)) throw e;
        left.push({ key, why: e.message });
      }
    }
    onProgress(0.3 + (0.6 * (n + 1)) / found.length);
  });
  if (!edges.length)
    throw new CoreInputError('edges', left[0]?.why ?? 'none', 'a picture nearer, straighter, and not scaled down');
  const patch = patchOf(p, centre);
  onProgress(1);
  return { edges, patch, left };
}

/** Black in the middle square and white round it. */
function patchOf(p: Pixels, q: Quad): Patch | null {
  const side = Math.sqrt(q.areaPx);
  const black = meanOf(p, q.c, 0.2 * side);
  const whites = (
    [
      [1, 0],
      [-1, 0],
      [0, 1],
      [0, -1],
    ] as const
  ).flatMap(([x, y]) => meanOf(p, [q.c[0] + 0.72 * side * x, q.c[1] + 0.72 * side * y], 0.08 * side) ?? []);
  if (!black || whites.length < 3) return null;
  const white = whites.reduce((s, w) => s + w.mean, 0) / whites.length;
  if (white > shotFigures.clipped.value)
    throw new CoreInputError(
      'white',
      `${Math.round(100 * white)} % of full`,
      'under 98 %: less light, or a shorter exposure',
    );
  return {
    white,
    black: black.mean,
    dark: 0,
    uBlack: black.u,
    uWhite: Math.hypot(...whites.map((w) => w.u)) / whites.length,
  };
}

/** The edge nearest to a place that somebody tapped. @throws CoreInputError when there is none */
export function tappedEdge(p: Pixels, at: Pt, key: string): ShotEdge {
  const half = Math.min(60, Math.floor(Math.min(p.width, p.height) / 6));
  const x = Math.min(p.width - 2 * half, Math.max(0, Math.round(at[0] - half)));
  const y = Math.min(p.height - 2 * half, Math.max(0, Math.round(at[1] - half)));
  return edgeIn(p, key, { x, y, w: 2 * half, h: 2 * half });
}
