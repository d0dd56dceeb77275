import type { Pt } from '../device/types';
import { judgement } from '../source';
import { homography, project, type Homography } from './homography';
import { cardMm, cardOrder, cardPlane } from './traceDevice';
import { edgesOf, linesOf, shrunk, type Edges, type SeenLine } from './findLines';
import { exactCorners } from './quad';
import type { Grey } from './snap';

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
