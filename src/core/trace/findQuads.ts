import type { Pt } from '../device/types';
import { judgement } from '../source';
import { homography, project, type Homography } from './homography';
import { cardMm, cardOrder, cardPlane } from './traceDevice';
import { exactCorners } from './quad';
import type { Grey } from './snap';

/** Longest edge of the picture that is searched, px: lines are found in a small one, and made exact in the whole one. */
const searchPx = 360;
const mostLines = 28;
/** How much of a side has to stand out. */
const leastSupport = judgement(0.62, 'a side with a finger or a reflection over a third of it is still one').value;
/** A tilt of 25° shortens one way by a tenth. */
const aspectSlack = judgement(0.2, 'cos 25° is 0.91; the near end of what is tilted looks larger').value;

export interface FoundQuad {
  /** corners in the order in which they go round, px of the picture as it was given */
  corners: Pt[];
  /** share of its weakest side that stands out, 0 to 1 */
  support: number;
}

/** Smaller by averaging whole blocks. */
function shrunk(g: Grey): { grey: Grey; by: number } {
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

interface Edges {
  width: number;
  height: number;
  gx: Float32Array;
  gy: Float32Array;
  /** strength of the edge at each pixel, 0 where there is none worth a vote */
  strong: Float32Array;
}

/** Sobel's slopes; what is weaker than most of the picture, and weaker than noise, is no edge. */
function edgesOf({ width, height, values }: Grey): Edges {
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

interface SeenLine {
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
function linesOf(e: Edges): SeenLine[] {
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

function meet(p: SeenLine, q: SeenLine): Pt | null {
  const det = Math.sin(q.a - p.a);
  if (Math.abs(det) < 0.5) return null;
  return [(p.rho * Math.sin(q.a) - q.rho * Math.sin(p.a)) / det, (q.rho * Math.cos(p.a) - p.rho * Math.cos(q.a)) / det];
}

/** Share of a stretch along which an edge runs that points across it. */
function support(e: Edges, a: Pt, b: Pt, from: number, to: number): number {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const l = Math.hypot(dx, dy);
  const [nx, ny] = [dy / l, -dx / l];
  const n = Math.max(8, Math.round(l * Math.abs(to - from)));
  let hits = 0;
  for (let k = 0; k <= n; k++) {
    const t = from + ((to - from) * k) / n;
    let hit = false;
    for (let d = -2; d <= 2 && !hit; d++) {
      const x = Math.round(a[0] + t * dx + d * nx);
      const y = Math.round(a[1] + t * dy + d * ny);
      if (x < 1 || y < 1 || x >= e.width - 1 || y >= e.height - 1) continue;
      const i = y * e.width + x;
      hit = e.strong[i]! > 0 && Math.abs(e.gx[i]! * nx + e.gy[i]! * ny) > 0.9 * e.strong[i]!;
    }
    if (hit) hits++;
  }
  return hits / (n + 1);
}

const nearParallel = (p: SeenLine, q: SeenLine) => Math.abs(Math.cos(p.a - q.a)) > Math.cos((16 * Math.PI) / 180);

/** Every shape of four sides in a picture whose sides stand out, the best supported first. */
export function findQuads(g: Grey): FoundQuad[] {
  const { grey, by } = shrunk(g);
  const e = edgesOf(grey);
  const lines = linesOf(e);
  const pairs: [SeenLine, SeenLine][] = [];
  lines.forEach((p, i) =>
    lines.slice(0, i).forEach((q) => {
      if (nearParallel(p, q)) pairs.push([p, q]);
    }),
  );
  const least = 0.1 * Math.max(e.width, e.height);
  const found: FoundQuad[] = [];
  pairs.forEach(([p, q], i) =>
    pairs.slice(0, i).forEach(([r, s]) => {
      if (Math.abs(Math.cos(p.a - r.a)) > 0.5) return;
      const corners = [meet(p, r), meet(r, q), meet(q, s), meet(s, p)];
      if (corners.some((c) => !c || c[0] < -2 || c[1] < -2 || c[0] > e.width + 2 || c[1] > e.height + 2)) return;
      const four = corners as Pt[];
      if (four.some((c, k) => Math.hypot(c[0] - four[(k + 1) % 4]![0], c[1] - four[(k + 1) % 4]![1]) < least)) return;
      let worst = 1;
      let beyond = 0;
      for (let k = 0; k < 4 && worst >= leastSupport; k++) {
        const [a, b] = [four[k]!, four[(k + 1) % 4]!];
        worst = Math.min(worst, support(e, a, b, 0.15, 0.85));
        // a side ends at its corners: one that goes on belongs to something larger
        beyond += support(e, a, b, -0.14, -0.04) + support(e, a, b, 1.04, 1.14);
      }
      if (worst < leastSupport || beyond > 2) return;
      found.push({
        corners: four.map((c): Pt => [(c[0] + 0.5) * by - 0.5, (c[1] + 0.5) * by - 0.5]),
        support: worst - beyond / 8,
      });
    }),
  );
  return found.sort((a, b) => b.support - a.support);
}

/** Focal lengths of phones' cameras, over the longer edge of the picture: from a wide one to one enlarged twice. */
const focals = [0.65, 0.75, 0.9, 1.1, 1.35, 1.7, 2.2];

/**
 * How far four corners are from being a rectangle of this length and width seen by some camera whose lens points at the middle
 * of the picture: what is left of the angle and of the ratio (Zhang 2000, the two constraints of one view). 0: it is one.
 */
function unlike(g: Grey, corners: readonly Pt[], length: number, width: number): number {
  const longest = Math.max(g.width, g.height);
  const middle = corners.map(([x, y]): Pt => [(x - g.width / 2) / longest, (y - g.height / 2) / longest]);
  const [a, b, c, d] = sidesOf(middle) as [number, number, number, number];
  const flat: Pt[] = a + c >= b + d ? rectangle(length, width) : rectangle(width, length);
  let h: Homography;
  try {
    h = homography(flat, middle);
  } catch {
    return Infinity;
  }
  const [u, v] = [
    [h[0]!, h[3]!, h[6]!],
    [h[1]!, h[4]!, h[7]!],
  ] as const;
  return Math.min(
    ...focals.map((f) => {
      const dot = (p: readonly number[], q: readonly number[]) =>
        (p[0]! * q[0]! + p[1]! * q[1]!) / f ** 2 + p[2]! * q[2]!;
      const [uu, vv, uv] = [dot(u, u), dot(v, v), dot(u, v)];
      return Math.abs(uv) / Math.sqrt(uu * vv) + Math.abs(Math.log(uu / vv)) / 2;
    }),
  );
}

const rectangle = (l: number, s: number): Pt[] => [
  [0, 0],
  [l, 0],
  [l, s],
  [0, s],
];

/** How far corners are from a rectangle in the plane that a card makes: sides that face each other, and right angles. */
function crooked(plane: Homography, corners: readonly Pt[]): number {
  const p = corners.map((c) => project(plane, c));
  const [a, b, c, d] = sidesOf(p) as [number, number, number, number];
  const turn = (i: number) => {
    const [o, q, r] = [p[i]!, p[(i + 1) % 4]!, p[(i + 3) % 4]!];
    const dot = (q[0] - o[0]) * (r[0] - o[0]) + (q[1] - o[1]) * (r[1] - o[1]);
    return Math.abs(dot) / (Math.hypot(q[0] - o[0], q[1] - o[1]) * Math.hypot(r[0] - o[0], r[1] - o[1]));
  };
  return Math.abs(Math.log(a / c)) + Math.abs(Math.log(b / d)) + Math.max(turn(0), turn(1), turn(2), turn(3));
}

const sidesOf = (c: readonly Pt[]) => c.map((p, i) => Math.hypot(p[0] - c[(i + 1) % 4]![0], p[1] - c[(i + 1) % 4]![1]));

/** Longer sides over shorter ones, each the mean of two that face each other. */
function aspectOf(corners: readonly Pt[]): number {
  const [a, b, c, d] = sidesOf(corners) as [number, number, number, number];
  const [p, q] = [(a + c) / 2, (b + d) / 2];
  return Math.max(p, q) / Math.min(p, q);
}

const areaOf = (c: readonly Pt[]) =>
  Math.abs(c.reduce((s, p, i) => s + p[0] * c[(i + 1) % 4]![1] - c[(i + 1) % 4]![0] * p[1], 0) / 2);

const holds = (c: readonly Pt[], [x, y]: Pt): boolean => {
  const turns = c.map((p, i) => {
    const q = c[(i + 1) % 4]!;
    return Math.sign((q[0] - p[0]) * (y - p[1]) - (q[1] - p[1]) * (x - p[0]));
  });
  return turns.every((t) => t === turns[0]);
};

/** A card's corner may hang over the edge of the device by so much of its size. */
const overhang = judgement(0.08, 'a card laid by hand on a phone that is a little wider').value;

/** Corners moved away from their middle. */
function grown(c: readonly Pt[]): Pt[] {
  const [mx, my] = [c.reduce((s, p) => s + p[0], 0) / 4, c.reduce((s, p) => s + p[1], 0) / 4];
  return c.map(([x, y]): Pt => [mx + (1 + overhang) * (x - mx), my + (1 + overhang) * (y - my)]);
}

/** What was found in a photo without a tap; null for what was not. */
export interface FoundInPhoto {
  card: Pt[] | null;
  device: Pt[] | null;
}

/** Found and made exact; the same shape found twice is one. */
function exactQuads(g: Grey, quads: readonly FoundQuad[], most: number): FoundQuad[] {
  const out: FoundQuad[] = [];
  for (const q of quads.slice(0, most)) {
    const corners = exactCorners(g, q.corners);
    if (!corners) continue;
    const twin = out.some((o) => o.corners.every((c) => corners.some((d) => Math.hypot(c[0] - d[0], c[1] - d[1]) < 2)));
    if (!twin) out.push({ corners, support: q.support });
  }
  return out;
}

/** What a misfit of one, as `unlike` and `crooked` tell it, costs against a side that stands out whole. */
const misfitCost = judgement(6, 'a twentieth off is as bad as a third of a side that does not stand out').value;
/** No card, no device: further off than a lens bends it. */
const mostMisfit = 0.08;

/**
 * A bank card that lies on a device, and the device round it: the pair of shapes of which the first is a card to some camera,
 * and the second a rectangle in the card's plane.
 * @returns corners in the order in which they go round, px
 */
export function findCardAndDevice(g: Grey): FoundInPhoto {
  const [long, short] = [cardMm.long.value, cardMm.short.value];
  const quads = findQuads(g);
  const cards = exactQuads(
    g,
    quads.filter((q) => Math.abs(Math.log((aspectOf(q.corners) * short) / long)) < Math.log(1 + aspectSlack)),
    40,
  );
  const devices = exactQuads(g, quads, 60);
  const frame = g.width * g.height;
  let best: { card: FoundQuad; device: FoundQuad | null; worth: number } | null = null;
  for (const card of cards) {
    const own = areaOf(card.corners);
    const off = unlike(g, card.corners, long, short);
    if (off > mostMisfit) continue;
    const plane = cardPlane(cardOrder(card.corners));
    // of several edges beside each other a card ends at the outermost
    const alone = card.support - misfitCost * off + own / frame;
    if (!best || alone > best.worth) best = { card, device: null, worth: alone };
    for (const device of devices) {
      const ratio = areaOf(device.corners) / own;
      if (ratio < 1.3 || ratio > 14 || !card.corners.every((c) => holds(grown(device.corners), c))) continue;
      const bent = crooked(plane, device.corners);
      if (bent > mostMisfit) continue;
      const worth = alone + device.support - misfitCost * bent;
      if (worth > best.worth) best = { card, device, worth };
    }
  }
  return { card: best?.card.corners ?? null, device: best?.device?.corners ?? null };
}

/** The outline of a device of known length and width; null: none stands out. */
export function findOutline(g: Grey, lengthMm: number, widthMm: number): Pt[] | null {
  const frame = g.width * g.height;
  let best: { corners: Pt[]; worth: number } | null = null;
  for (const q of exactQuads(g, findQuads(g), 60)) {
    const area = areaOf(q.corners) / frame;
    const off = unlike(g, q.corners, lengthMm, widthMm);
    if (area < 0.1 || off > mostMisfit) continue;
    const worth = q.support - misfitCost * off + area;
    if (!best || worth > best.worth) best = { corners: q.corners, worth };
  }
  return best?.corners ?? null;
}
