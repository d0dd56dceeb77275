import { Matrix, solve } from 'ml-matrix';

import { CoreInputError } from '../errors';
import { judgement } from '../source';
import type { Grey } from './sfr';

export const speckFigures = {
  k: judgement(5, 'a speck stands out by this many scatters'),
  least: judgement(0.01, 'and dims or brightens by at least this share'),
  leastArea: judgement(4, 'pixels of the smallest speck'),
  window: judgement(21, 'side of the square whose middle value is the ground, pixels'),
};

export interface Speck {
  kind: 'dark' | 'bright';
  x: number;
  y: number;
  area: number;
  /** diameter of a disc of the same area, pixels */
  diameter: number;
  peak: number;
  sum: number;
}

export interface Specks {
  specks: Speck[];
  sigma: number;
  threshold: number;
}

/**
 * Specks on an even field: the shading is divided out by a surface of the fourth degree, the rest compared with the middle
 * value of its surroundings; blobs that stand out count (judgement; every part is standard picture processing). Sharp dark
 * ones are dust near the sensor or thick dirt: dust on the outer cover is too far out of focus to be seen here.
 * @throws CoreInputError for field
 */
export function specks(g: Grey, onProgress: (share: number) => void = () => {}): Specks {
  const { width: W, height: H } = g;
  if (W < 30 || H < 30) throw new CoreInputError('field', `${W} × ${H}`, 'at least 30 × 30 pixels');
  const flat = withoutShading(g);
  onProgress(0.15);
  const smooth = mean3(flat, W, H);
  onProgress(0.2);
  const ground = squareMedian(smooth, W, H, speckFigures.window.value, (s) => onProgress(0.2 + 0.7 * s));
  const r = smooth.map((v, i) => v / Math.max(ground[i]!, 1e-9) - 1);
  const med = middle(r);
  const off = r.map((v) => v - med);
  const sigma = 1.4826 * middle(off.map(Math.abs));
  const threshold = Math.max(speckFigures.k.value * sigma, speckFigures.least.value);
  const found = [
    ...blobs(off, W, H, (v) => -v > threshold, 'dark'),
    ...blobs(off, W, H, (v) => v > threshold, 'bright'),
  ];
  onProgress(1);
  return { specks: found.sort((a, b) => b.sum - a.sum), sigma, threshold };
}

function middle(list: Float64Array): number {
  const s = Float64Array.from(list).sort();
  const m = s.length >> 1;
  return s.length % 2 ? s[m]! : (s[m - 1]! + s[m]!) / 2;
}

/** Powers xⁱyʲ with i + j ≤ 4 on [−1, 1]². */
const powers = Array.from({ length: 5 }, (_, i) => Array.from({ length: 5 - i }, (_, j) => [i, j] as const)).flat();

function withoutShading(g: Grey): Float64Array {
  const { width: W, height: H, values } = g;
  const n = powers.length;
  const a = Matrix.zeros(n, n);
  const b = Matrix.zeros(n, 1);
  const px = Array.from({ length: W }, (_, x) => [0, 1, 2, 3, 4].map((e) => ((2 * x) / (W - 1) - 1) ** e));
  const py = Array.from({ length: H }, (_, y) => [0, 1, 2, 3, 4].map((e) => ((2 * y) / (H - 1) - 1) ** e));
  const row = new Float64Array(n);
  const sums = new Float64Array(n * n);
  const right = new Float64Array(n);
  const fill = (x: number, y: number) => {
    for (let k = 0; k < n; k++) row[k] = px[x]![powers[k]![0]]! * py[y]![powers[k]![1]]!;
  };
  for (let y = 0; y < H; y++)
    for (let x = 0; x < W; x++) {
      fill(x, y);
      const v = values[y * W + x]!;
      for (let i = 0; i < n; i++) {
        right[i]! += row[i]! * v;
        for (let j = i; j < n; j++) sums[i * n + j]! += row[i]! * row[j]!;
      }
    }
  for (let i = 0; i < n; i++) {
    b.set(i, 0, right[i]!);
    for (let j = i; j < n; j++) {
      a.set(i, j, sums[i * n + j]!);
      a.set(j, i, sums[i * n + j]!);
    }
  }
  const c = solve(a, b).to1DArray();
  const out = new Float64Array(W * H);
  for (let y = 0; y < H; y++)
    for (let x = 0; x < W; x++) {
      fill(x, y);
      let s = 0;
      for (let k = 0; k < n; k++) s += c[k]! * row[k]!;
      out[y * W + x] = values[y * W + x]! / Math.max(s, 1e-9);
    }
  return out;
}

const clamp = (v: number, high: number) => (v < 0 ? 0 : v > high ? high : v);

function mean3(v: Float64Array, W: number, H: number): Float64Array {
  const out = new Float64Array(v.length);
  for (let y = 0; y < H; y++)
    for (let x = 0; x < W; x++) {
      let s = 0;
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++) s += v[clamp(y + dy, H - 1) * W + clamp(x + dx, W - 1)]!;
      out[y * W + x] = s / 9;
    }
  return out;
}

const levels = 1 << 16;

/** Middle value of a square round every pixel, edges repeated: a histogram that moves along the row (Huang 1979, published). */
function squareMedian(
  v: Float64Array,
  W: number,
  H: number,
  side: number,
  onProgress: (share: number) => void,
): Float64Array {
  let [low, high] = [Infinity, -Infinity];
  for (const x of v) {
    if (x < low) low = x;
    if (x > high) high = x;
  }
  const step = (high - low) / (levels - 1) || 1;
  const bin = Uint16Array.from(v, (x) => Math.round((x - low) / step));
  const half = side >> 1;
  const want = (side * side) >> 1;
  const out = new Float64Array(v.length);
  const count = new Int32Array(levels);
  for (let y = 0; y < H; y++) {
    count.fill(0);
    let below = 0;
    let at = 0;
    const put = (x: number, sign: number) => {
      for (let dy = -half; dy <= half; dy++) {
        const b = bin[clamp(y + dy, H - 1) * W + clamp(x, W - 1)]!;
        count[b]! += sign;
        if (b < at) below += sign;
      }
    };
    for (let dx = -half; dx <= half; dx++) put(dx, 1);
    for (let x = 0; x < W; x++) {
      if (x) {
        put(x - half - 1, -1);
        put(x + half, 1);
      }
      while (below > want) below -= count[--at]!;
      while (below + count[at]! <= want) below += count[at++]!;
      out[y * W + x] = low + at * step;
    }
    if (y % 16 === 0) onProgress(y / H);
  }
  return out;
}

function blobs(off: Float64Array, W: number, H: number, counts: (v: number) => boolean, kind: Speck['kind']): Speck[] {
  const seen = new Uint8Array(W * H);
  const out: Speck[] = [];
  for (let start = 0; start < off.length; start++) {
    if (seen[start] || !counts(off[start]!)) continue;
    seen[start] = 1;
    const stack = [start];
    let [n, sum, mx, my, peak] = [0, 0, 0, 0, 0];
    while (stack.length) {
      const i = stack.pop()!;
      const [x, y] = [i % W, (i / W) | 0];
      const w = Math.abs(off[i]!);
      n++;
      sum += w;
      mx += w * x;
      my += w * y;
      peak = Math.max(peak, w);
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++) {
          const [p, q] = [x + dx, y + dy];
          if (p < 0 || q < 0 || p >= W || q >= H) continue;
          const k = q * W + p;
          if (seen[k] || !counts(off[k]!)) continue;
          seen[k] = 1;
          stack.push(k);
        }
    }
    if (n < speckFigures.leastArea.value) continue;
    out.push({
      kind,
      x: mx / sum,
      y: my / sum,
      area: n,
      diameter: Math.sqrt((4 * n) / Math.PI),
      peak: kind === 'dark' ? -peak : peak,
      sum,
    });
  }
  return out;
}
