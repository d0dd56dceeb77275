import type { Grey } from './snap';

/** Longest edge of the picture that is searched, px: lines are found in a small one, and made exact in the whole one. */
const searchPx = 360;
const mostLines = 28;

/** Smaller by averaging whole blocks. */
export function shrunk(g: Grey): { grey: Grey; by: number } {
  const by = Math.max(1, Math.ceil(Math.max(g.width, g.height) / searchPx));
  const [w, h] = [Math.floor(g.width / by), Math.floor(g.height / by)];
  const values = new Float32Array(w * h);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      let s = 0;
      for (let j = 0; j < by; j++) for (let i = 0; i < by; i++) s += g.values[(y * by + j) * g.width + x * by + i]!;
      values[y * w + x] = s / (by * by);
    }
  return { grey: { width: w, height: h, values }, by };
}

export interface Edges {
  width: number;
  height: number;
  gx: Float32Array;
  gy: Float32Array;
  /** strength of the edge at each pixel, 0 where there is none worth a vote */
  strong: Float32Array;
}

/** Sobel's slopes; what is weaker than most of the picture, and weaker than noise, is no edge. */
export function edgesOf({ width, height, values }: Grey): Edges {
  const [gx, gy, strong] = [0, 0, 0].map(() => new Float32Array(width * height)) as [
    Float32Array,
    Float32Array,
    Float32Array,
  ];
  const all: number[] = [];
  for (let y = 1; y < height - 1; y++)
    for (let x = 1; x < width - 1; x++) {
      const i = y * width + x;
      const at = (dx: number, dy: number) => values[i + dy * width + dx]!;
      gx[i] = (at(1, -1) + 2 * at(1, 0) + at(1, 1) - at(-1, -1) - 2 * at(-1, 0) - at(-1, 1)) / 8;
      gy[i] = (at(-1, 1) + 2 * at(0, 1) + at(1, 1) - at(-1, -1) - 2 * at(0, -1) - at(1, -1)) / 8;
      strong[i] = Math.hypot(gx[i]!, gy[i]!);
      all.push(strong[i]!);
    }
  all.sort((a, b) => a - b);
  const least = Math.max(3, 3 * all[Math.floor(all.length / 2)]!, all[Math.floor(all.length * 0.85)]!);
  for (let i = 0; i < strong.length; i++) if (strong[i]! < least) strong[i] = 0;
  return { width, height, gx, gy, strong };
}

export interface SeenLine {
  /** angle of its normal, and its distance from the corner of the picture along it, px */
  a: number;
  rho: number;
}

const angles = 180;
/** A pixel belongs to a line that it lies this near to, px, and points across. */
const ownPx = 2.5;

/** The pixels of an edge that are its crest: none stronger beside them across it. */
function crests(e: Edges): number[] {
  const out: number[] = [];
  for (let y = 1; y < e.height - 1; y++)
    for (let x = 1; x < e.width - 1; x++) {
      const i = y * e.width + x;
      const s = e.strong[i]!;
      if (!s) continue;
      const step = Math.round(e.gx[i]! / s) + Math.round(e.gy[i]! / s) * e.width;
      if (s >= (e.strong[i - step] ?? 0) && s > (e.strong[i + step] ?? 0)) out.push(i);
    }
  return out;
}

/** The line through pixels, by total least squares. */
function fitted(pixels: readonly number[], width: number): SeenLine {
  const n = pixels.length;
  const xs = pixels.map((i) => i % width);
  const ys = pixels.map((i) => Math.floor(i / width));
  const cx = xs.reduce((s, v) => s + v, 0) / n;
  const cy = ys.reduce((s, v) => s + v, 0) / n;
  let [xx, xy, yy] = [0, 0, 0];
  for (let k = 0; k < n; k++) {
    xx += (xs[k]! - cx) ** 2;
    xy += (xs[k]! - cx) * (ys[k]! - cy);
    yy += (ys[k]! - cy) ** 2;
  }
  const a = Math.atan2(2 * xy, xx - yy) / 2 + Math.PI / 2;
  return { a, rho: cx * Math.cos(a) + cy * Math.sin(a) };
}

/**
 * The lines that stand out most: each edge pixel votes for those it may lie on (Duda & Hart 1972), as it points itself; what
 * belongs to the longest is taken out before the next is looked for.
 */
export function linesOf(e: Edges): SeenLine[] {
  const far = Math.ceil(Math.hypot(e.width, e.height));
  const rhos = 2 * far + 1;
  const votes = new Int16Array(angles * rhos);
  let open = crests(e);
  const vote = (i: number, by: number) => {
    const [x, y] = [i % e.width, Math.floor(i / e.width)];
    const own = Math.round((Math.atan2(e.gy[i]!, e.gx[i]!) * angles) / Math.PI);
    for (let d = -3; d <= 3; d++) {
      const k = (((own + d) % angles) + angles) % angles;
      const a = (k * Math.PI) / angles;
      votes[k * rhos + Math.round(x * Math.cos(a) + y * Math.sin(a)) + far]! += by;
    }
  };
  open.forEach((i) => vote(i, 1));
  const found: SeenLine[] = [];
  // a peak collects about two thirds of its pixels: the rest point a little aside
  const least = 0.065 * Math.max(e.width, e.height);
  while (found.length < mostLines) {
    let best = 0;
    for (let i = 1; i < votes.length; i++) if (votes[i]! > votes[best]!) best = i;
    if (votes[best]! < 0.6 * least) break;
    let line: SeenLine = { a: (Math.floor(best / rhos) * Math.PI) / angles, rho: (best % rhos) - far };
    let own: number[] = [];
    for (let round = 0; round < 2; round++) {
      const [c, s] = [Math.cos(line.a), Math.sin(line.a)];
      own = open.filter(
        (i) =>
          Math.abs((i % e.width) * c + Math.floor(i / e.width) * s - line.rho) < ownPx &&
          Math.abs(e.gx[i]! * c + e.gy[i]! * s) > 0.92 * e.strong[i]!,
      );
      if (own.length < 2) break;
      line = fitted(own, e.width);
    }
    // this peak is not looked at again, whatever belongs to it
    votes[best] = 0;
    if (own.length < 2) continue;
    own.forEach((i) => vote(i, -1));
    const gone = new Set(own);
    open = open.filter((i) => !gone.has(i));
    if (own.length >= least) found.push(line);
  }
  return found;
}
