import type { Pt } from '../device/types';
import { CoreInputError, requireIn } from '../errors';
import { judgement, published } from '../source';
import { homography, project, type Homography } from './homography';

/** A bank card's long and short side, mm. */
export const cardMm = {
  long: published(85.6, 'ISO/IEC 7810:2019, format ID-1', 0.06),
  short: published(53.98, 'ISO/IEC 7810:2019, format ID-1', 0.03),
};
/** The card lies on the device and is that much nearer to the camera, mm. */
const cardThickMm = published(0.76, 'ISO/IEC 7810:2019, format ID-1');
const cameraAwayMm = judgement(300, 'a phone held over a bench, so that device and card fill the picture', 80);

/** How well a corner or an edge is met, px (standard uncertainty). */
export const metPx = {
  snapped: judgement(0.6, 'a corner found in the picture'),
  tapped: judgement(3, 'a fingertip on a picture that was not enlarged'),
};

/** Points of the picture on the edges of the device: one each, or several along the edge, which tell how it is turned. */
export interface EdgePoints {
  top: readonly Pt[];
  right: readonly Pt[];
  bottom: readonly Pt[];
  left: readonly Pt[];
}

export interface Traced {
  widthMm: number;
  lengthMm: number;
  /** standard uncertainty of both, mm */
  uMm: number;
  /** picture to plan: mm from the top-left corner of the outline, as it is looked at */
  toPlan: (px: Pt) => Pt;
  /** plan to picture */
  toPicture: (mm: Pt) => Pt;
}

const cross = (o: Pt, a: Pt, b: Pt) => (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);
const far = (a: Pt, b: Pt) => Math.hypot(a[0] - b[0], a[1] - b[1]);

/** Corners in the order in which they go round, whatever order they were tapped in, the long sides first and third. */
export function cardOrder(corners: readonly Pt[]): Pt[] {
  const cx = corners.reduce((s, p) => s + p[0], 0) / corners.length;
  const cy = corners.reduce((s, p) => s + p[1], 0) / corners.length;
  const round = [...corners].sort((a, b) => Math.atan2(a[1] - cy, a[0] - cx) - Math.atan2(b[1] - cy, b[0] - cx));
  const [a, b, c, d] = round as [Pt, Pt, Pt, Pt];
  return far(a, b) + far(c, d) >= far(b, c) + far(d, a) ? [a, b, c, d] : [b, c, d, a];
}

const leastSidePx = 40;
/** A side that is seen shorter than this share of the opposite one is looked at too flat. */
const leastShare = 0.55;

/** @throws CoreInputError that names the card: crossed, too small, seen edge-on or no card */
function checkCard([a, b, c, d]: readonly Pt[]): void {
  const corners = [a!, b!, c!, d!];
  const turns = corners.map((p, i) => Math.sign(cross(p, corners[(i + 1) % 4]!, corners[(i + 2) % 4]!)));
  if (turns.some((s) => s !== turns[0] || s === 0))
    throw new CoreInputError('card', 'corners that cross or lie on one line', 'its four corners, each once');
  const sides = corners.map((p, i) => far(p, corners[(i + 1) % 4]!));
  if (Math.min(...sides) < leastSidePx)
    throw new CoreInputError(
      'card',
      `a side of ${Math.round(Math.min(...sides))} px`,
      `sides of ${leastSidePx} px or more: come nearer`,
    );
  const share = Math.min(
    Math.min(sides[0]!, sides[2]!) / Math.max(sides[0]!, sides[2]!),
    Math.min(sides[1]!, sides[3]!) / Math.max(sides[1]!, sides[3]!),
  );
  const ratio = (sides[0]! + sides[2]!) / (sides[1]! + sides[3]!);
  if (share < leastShare || ratio > 2.4 || ratio < 1.05)
    throw new CoreInputError(
      'card',
      `sides of ${sides.map((s) => Math.round(s)).join(', ')} px`,
      'a bank card seen from above: hold the camera over it',
    );
}

/** Picture to the plane of the card, mm, enlarged for what the card's own thickness brings it nearer. */
export function cardPlane(corners: readonly Pt[]): Homography {
  const k = 1 + cardThickMm.value / cameraAwayMm.value;
  const [l, s] = [cardMm.long.value * k, cardMm.short.value * k];
  return homography(corners, [
    [0, 0],
    [l, 0],
    [l, s],
    [0, s],
  ]);
}

/** Axes of the device in the plane of the card: the direction down its length, its middle, width and length. */
function axes(h: Homography, e: EdgePoints) {
  const plane = (list: readonly Pt[]) => list.map((p) => project(h, p));
  const [t, r, b, l] = [plane(e.top), plane(e.right), plane(e.bottom), plane(e.left)];
  const mean = (list: readonly Pt[]): Pt => [
    list.reduce((s, p) => s + p[0], 0) / list.length,
    list.reduce((s, p) => s + p[1], 0) / list.length,
  ];
  const between = (a: readonly Pt[], c: readonly Pt[]): Pt => {
    const [p, q] = [mean(a), mean(c)];
    return [q[0] - p[0], q[1] - p[1]];
  };
  const down = between(t, b);
  const side = between(l, r);
  // a card's corners may go round the other way than the plan's
  const hand = Math.sign(side[0] * down[1] - side[1] * down[0]) || 1;
  const turned = (d: Pt): Pt => [hand * d[1], -hand * d[0]];
  // along an edge its points say how the device is turned, each as much as it is long; else the four edges do, roughly
  const along = (list: readonly Pt[], like: Pt): Pt => {
    const [p, q] = [list[0]!, list[list.length - 1]!];
    const d: Pt = [q[0] - p[0], q[1] - p[1]];
    return d[0] * like[0] + d[1] * like[1] >= 0 ? d : [-d[0], -d[1]];
  };
  const said = [
    ...[t, b].filter((x) => x.length > 1).map((x) => along(x, side)),
    ...[l, r].filter((x) => x.length > 1).map((x) => turned(along(x, down))),
  ];
  const list = said.length ? said : [turned(down), side];
  const sum = list.reduce((s, d): Pt => [s[0] + d[0], s[1] + d[1]], [0, 0] as Pt);
  const n = Math.hypot(...sum);
  const u: Pt = [sum[0] / n, sum[1] / n];
  const v: Pt = [-hand * u[1], hand * u[0]];
  const dot = (p: Pt, q: Pt) => p[0] * q[0] + p[1] * q[1];
  return { u, v, widthMm: dot(side, u), lengthMm: dot(down, v), left: dot(mean(l), u), top: dot(mean(t), v) };
}

/** Numbers of a normal distribution from a seed: the same uncertainty each time. */
function normals(seed: number): () => number {
  let a = seed >>> 0;
  const r = () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return (((t ^ (t >>> 14)) >>> 0) + 0.5) / 2 ** 32;
  };
  return () => Math.sqrt(-2 * Math.log(r())) * Math.cos(2 * Math.PI * r());
}

const draws = 200;

const limits = { widthMm: [20, 400], lengthMm: [40, 500] } as const;

/** A plane, the four edges in it, the same moved at random, and what else may be off, mm for each mm. */
interface Measuring {
  h: Homography;
  back: Homography;
  edges: EdgePoints;
  moved: (shake: (p: Pt) => Pt) => { h: Homography; edges: EdgePoints };
  uPx: number;
  relative: number;
}

function measured({ h, back, edges, moved, uPx, relative }: Measuring): Traced {
  const a = axes(h, edges);
  const within = (v: number, [low, high]: readonly [number, number]) => v > low && v < high;
  if (!within(a.widthMm, limits.widthMm) || !within(a.lengthMm, limits.lengthMm))
    throw new CoreInputError(
      'outline',
      `${Math.round(a.widthMm)} × ${Math.round(a.lengthMm)} mm`,
      '20 to 400 mm wide and 40 to 500 mm long: tap top, right, bottom and left edge in this order',
    );
  const random = normals(1);
  const shake = (p: Pt): Pt => [p[0] + uPx * random(), p[1] + uPx * random()];
  let [sw, sl, n] = [0, 0, 0];
  for (let i = 0; i < draws; i++) {
    const m = moved(shake);
    const b = axes(m.h, m.edges);
    if (!Number.isFinite(b.widthMm + b.lengthMm)) continue;
    sw += (b.widthMm - a.widthMm) ** 2;
    sl += (b.lengthMm - a.lengthMm) ** 2;
    n++;
  }
  return {
    widthMm: a.widthMm,
    lengthMm: a.lengthMm,
    uMm: Math.sqrt(Math.max(sw, sl) / Math.max(1, n) + (relative * Math.max(a.widthMm, a.lengthMm)) ** 2),
    toPlan: (px) => {
      const p = project(h, px);
      return [p[0] * a.u[0] + p[1] * a.u[1] - a.left, p[0] * a.v[0] + p[1] * a.v[1] - a.top];
    },
    toPicture: ([x, y]) => {
      const [p, q] = [x + a.left, y + a.top];
      return project(back, [p * a.u[0] + q * a.v[0], p * a.u[1] + q * a.v[1]]);
    },
  };
}

const shaken = (e: EdgePoints, shake: (p: Pt) => Pt): EdgePoints => ({
  top: e.top.map(shake),
  right: e.right.map(shake),
  bottom: e.bottom.map(shake),
  left: e.left.map(shake),
});

/**
 * Width and length of a device from a photo with a bank card lying on its back: the card's corners make the plane, the four
 * edges are measured in it. Uncertainty: corners and edges moved at random by what they are met with (Monte Carlo, JCGM 101),
 * the card's own tolerance, and how far the camera may have been.
 * @param card four corners in any order, px
 * @param uPx how well each point is met, px
 * @throws CoreInputError that names card or outline
 */
export function traceDevice(card: readonly Pt[], edges: EdgePoints, uPx = metPx.snapped.value): Traced {
  if (card.length !== 4) throw new CoreInputError('card', `${card.length} corners`, 'four');
  const corners = cardOrder(card);
  checkCard(corners);
  const h = cardPlane(corners);
  const ofCard = (cardMm.long.u ?? 0) / cardMm.long.value;
  const ofAway = (cardThickMm.value / cameraAwayMm.value) * ((cameraAwayMm.u ?? 0) / cameraAwayMm.value);
  return measured({
    h,
    back: homography(
      corners.map((p) => project(h, p)),
      corners,
    ),
    edges,
    moved: (shake) => ({ h: cardPlane(corners.map(shake)), edges: shaken(edges, shake) }),
    uPx,
    relative: Math.hypot(ofCard, ofAway),
  });
}

/** Two marks of a ruler make no plane: the camera is taken to look straight down, and may be tilted by so much, degrees. */
const tiltDeg = judgement(8, 'a phone held over a bench by hand and eye');
export const rulerMm = { low: 20, high: 300 } as const;

/**
 * The same by two marks of a ruler that lies on the device: its scale, and nothing of how the camera was tilted, which is said in
 * the uncertainty.
 * @param mm distance of the marks, 20 to 300
 * @throws CoreInputError that names ruler or outline
 */
export function traceByRuler(
  [a, b]: readonly [Pt, Pt],
  mm: number,
  edges: EdgePoints,
  uPx = metPx.tapped.value,
): Traced {
  requireIn('ruler', mm, rulerMm.low, rulerMm.high, 'mm');
  const scale = (p: Pt, q: Pt): Homography => {
    const k = mm / far(p, q);
    return [k, 0, 0, 0, k, 0, 0, 0, 1];
  };
  if (far(a, b) < leastSidePx)
    throw new CoreInputError(
      'ruler',
      `marks ${Math.round(far(a, b))} px apart`,
      `${leastSidePx} px or more: come nearer`,
    );
  const k = far(a, b) / mm;
  return measured({
    h: scale(a, b),
    back: [k, 0, 0, 0, k, 0, 0, 0, 1],
    edges,
    moved: (shake) => ({ h: scale(shake(a), shake(b)), edges: shaken(edges, shake) }),
    uPx,
    relative: 1 - Math.cos((tiltDeg.value * Math.PI) / 180),
  });
}
