import { CoreInputError } from '../errors';
import { lineFit } from '../numeric/minimum';

/** A grey picture in linear light, row by row. */
export interface Grey {
  width: number;
  height: number;
  values: Float64Array;
}

export interface Sfr {
  /** frequency at which the contrast is half, cycles per pixel; null when it never falls that far */
  mtf50: number | null;
  slopeDeg: number;
  /** contrast at 0.05, 0.1, 0.2, 0.3, 0.4 and 0.5 cycles per pixel */
  mtf: number[];
  edgeContrast: number;
}

const hamming = (q: number, half: number) => (Math.abs(q) <= half ? 0.54 + 0.46 * Math.cos((Math.PI * q) / half) : 0);
const sinc = (x: number) => (x === 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x));

function transpose(g: Grey): Grey {
  const values = new Float64Array(g.values.length);
  for (let y = 0; y < g.height; y++)
    for (let x = 0; x < g.width; x++) values[x * g.height + y] = g.values[y * g.width + x]!;
  return { width: g.height, height: g.width, values };
}

/** Does the edge run across the rows rather than along them: more change from row to row than from column to column. */
function lies(g: Grey): boolean {
  let gx = 0;
  let gy = 0;
  for (let y = 0; y < g.height; y++)
    for (let x = 0; x < g.width; x++) {
      const i = y * g.width + x;
      if (x > 0 && x < g.width - 1) gx += Math.abs(g.values[i + 1]! - g.values[i - 1]!);
      if (y > 0 && y < g.height - 1) gy += Math.abs(g.values[i + g.width]! - g.values[i - g.width]!);
    }
  return gy > gx;
}

/**
 * Spatial frequency response of one straight slanted edge, after ISO 12233 (published, e-SFR): the line of the edge from row
 * centroids, a four times finer edge profile along its normal, its derivative and the modulus of its transform.
 * @param picture a crop of one edge, 3 to 12 degrees off the pixel axis, at least 50 × 50 pixels, linear light
 * @throws CoreInputError when the crop is too small, or shows no edge
 */
export function sfr(picture: Grey): Sfr {
  if (picture.width < 50 || picture.height < 50)
    throw new CoreInputError('crop', `${picture.width} × ${picture.height}`, 'at least 50 × 50 pixels');
  const g = lies(picture) ? transpose(picture) : picture;
  const { width: W, height: H, values: v } = g;
  const half = (from: number, to: number) => {
    let s = 0;
    for (let y = 0; y < H; y++) for (let x = from; x < to; x++) s += v[y * W + x]!;
    return s / ((to - from) * H);
  };
  const mid = W >> 1;
  const polarity = half(mid, W) >= half(0, mid) ? 1 : -1;
  const rows = Array.from({ length: H }, (_, y) => y);
  const derivative = (y: number, x: number) =>
    x > 0 && x < W - 1 ? (polarity * (v[y * W + x + 1]! - v[y * W + x - 1]!)) / 2 : 0;
  let centre = rows.map(() => (W - 1) / 2);
  let [a, b] = [0, 0];
  for (let pass = 0; pass < 4; pass++) {
    const reach = pass < 2 ? W / 2 : Math.max(W / 4, 8);
    const at = rows.map((y) => {
      let sum = 0;
      let moment = 0;
      for (let x = 0; x < W; x++) {
        const w = derivative(y, x) * hamming(x - centre[y]!, reach);
        sum += w;
        moment += x * w;
      }
      return Math.abs(sum) > 1e-12 ? moment / sum : centre[y]!;
    });
    ({ a, b } = lineFit(rows, at));
    const [a0, b0] = [a, b];
    centre = rows.map((y) => a0 + b0 * y);
  }
  // whole turns of the phase, so that every quarter pixel is filled alike
  const used = Math.abs(b) * H >= 1 ? Math.min(H, Math.round(Math.floor(Math.abs(b) * H) / Math.abs(b))) : H;
  const margin = Math.min(...centre.slice(0, used), ...centre.slice(0, used).map((c) => W - 1 - c));
  const K = 4 * Math.floor(margin);
  if (K < 16)
    throw new CoreInputError(
      'edge',
      'too near to the side of the crop, or none',
      'one edge through the middle of the crop',
    );
  const sum = new Float64Array(2 * K + 1);
  const count = new Float64Array(2 * K + 1);
  for (let y = 0; y < used; y++)
    for (let x = 0; x < W; x++) {
      const k = Math.floor(4 * (x - a - b * y) + 0.5);
      if (Math.abs(k) > K) continue;
      sum[k + K]! += v[y * W + x]!;
      count[k + K]! += 1;
    }
  const esf = filled(sum, count);
  const n = esf.length;
  const end = Math.max(4, K >> 2);
  const middle = (l: number[]) => [...l].sort((p, q) => p - q)[l.length >> 1]!;
  const edgeContrast = Math.abs(middle(esf.slice(-end)) - middle(esf.slice(0, end)));
  const range = Math.max(...esf) - Math.min(...esf);
  if (!(range > 0) || edgeContrast < 0.3 * range)
    throw new CoreInputError('edge', 'no step from dark to bright', 'one straight edge of the target');
  const lsf = esf.map((_, i) =>
    i === 0 || i === n - 1 ? 0 : ((polarity * (esf[i + 1]! - esf[i - 1]!)) / 2) * hamming(i - K, K),
  );
  const frequencies = Array.from({ length: 201 }, (_, i) => i * 0.005);
  const modulus = frequencies.map((f) => {
    let re = 0;
    let im = 0;
    for (let i = 0; i < n; i++) {
      const w = (-2 * Math.PI * f * (i - K)) / 4;
      re += lsf[i]! * Math.cos(w);
      im += lsf[i]! * Math.sin(w);
    }
    return Math.hypot(re, im);
  });
  const mtf = modulus.map((m, i) => {
    const w = (2 * Math.PI * frequencies[i]!) / 4;
    // the derivative over two samples and the width of a quarter pixel are taken out again
    const differencing = w > 0 ? Math.min(10, w / Math.sin(w)) : 1;
    return ((m / modulus[0]!) * differencing) / sinc(frequencies[i]! / 4);
  });
  const along = frequencies.map((f) => f * Math.sqrt(1 + b * b));
  const at = (f: number) => {
    const i = along.findIndex((x) => x >= f);
    if (i <= 0) return mtf[0]!;
    return mtf[i - 1]! + ((mtf[i]! - mtf[i - 1]!) * (f - along[i - 1]!)) / (along[i]! - along[i - 1]!);
  };
  const below = mtf.findIndex((m, i) => i > 0 && m < 0.5);
  return {
    mtf50:
      below < 0
        ? null
        : along[below - 1]! +
          ((along[below]! - along[below - 1]!) * (mtf[below - 1]! - 0.5)) / (mtf[below - 1]! - mtf[below]!),
    slopeDeg: (Math.atan(b) * 180) / Math.PI,
    mtf: [0.05, 0.1, 0.2, 0.3, 0.4, 0.5].map(at),
    edgeContrast,
  };
}

/** Means of the bins; empty ones between their neighbours. */
function filled(sum: Float64Array, count: Float64Array): number[] {
  const known = [...sum.keys()].filter((i) => count[i]! > 0);
  return [...sum.keys()].map((i) => {
    if (count[i]! > 0) return sum[i]! / count[i]!;
    const right = known.find((k) => k > i);
    const left = known.findLast((k) => k < i);
    const value = (k: number) => sum[k]! / count[k]!;
    if (left === undefined) return value(right!);
    if (right === undefined) return value(left);
    return value(left) + ((value(right) - value(left)) * (i - left)) / (right - left);
  });
}
