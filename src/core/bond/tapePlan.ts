import type { Perimeter } from '../device/perimeter';
import type { Arc, EdgeId, Outline, Pt } from '../device/types';
import { CoreInputError, requireIn } from '../errors';
import { judgement } from '../source';

export const sagMm = judgement(0.3, 'how far a chord may leave the round corner');
export const kerfMm = judgement(0.5, 'lost at every cut');

export interface TapePiece {
  /** edge, or corner named by the two edges it joins */
  where: EdgeId | 'bottomRight' | 'topRight' | 'topLeft' | 'bottomLeft';
  lengthMm: number;
  /** centre line of the piece on the plan */
  from: Pt;
  to: Pt;
  /** long edge of the piece on the plan: the outer one */
  outer: readonly [Pt, Pt];
  /** angle from square at its start and its end, degrees */
  mitreDeg: readonly [number, number];
}

export interface TapePlan {
  scheme: 'butt' | 'facet';
  facetsPerCorner: number;
  pieces: TapePiece[];
  lengthMm: number;
  /** length taken from the roll, kerf included */
  rollUsedMm: number;
  ringAreaMm2: number;
  /** angle from square to cut where a straight meets a facet, and facet meets facet, degrees */
  mitreDeg: { straight: number; facet: number };
  /** an open stretch (vent, microphone): no seal to speak of */
  brokenRing: boolean;
  jobsLeft: number;
}

type Corner = 'bottomRight' | 'topRight' | 'topLeft' | 'bottomLeft';

/** An open stretch on a side, or round a corner. */
export type TapeGap =
  | {
      side: EdgeId;
      /** from the left end (bottom, top) or the bottom end (left, right) of the cover, mm */
      fromMm: number;
      toMm: number;
    }
  | {
      corner: Corner;
      /** share of the quarter turn, in the direction in which its facets run */
      from: number;
      to: number;
    };

/** Area of a rectangle with rounded corners, mm². */
export const roundRectAreaMm2 = (w: number, h: number, r: number) => w * h - (4 - Math.PI) * Math.max(0, r) ** 2;

/** Pieces along the edges, and what the corners are cut by. */
function alongEdges(outline: Outline, insetMm: number, widthMm: number, gaps: readonly TapeGap[], rollMm: number) {
  if (outline.kind !== 'roundRect') throw new CoreInputError('outline', outline.kind, 'a rounded rectangle');
  const [x0, y0] = outline.min;
  const W = outline.max[0] - x0;
  const H = outline.max[1] - y0;
  const r = outline.rMm;
  const e = requireIn('inset', insetMm, 0, Math.min(W, H) / 4, 'mm');
  const w = requireIn('tape width', widthMm, 0.5, 30, 'mm');
  requireIn('roll length', rollMm, 0, 1e6, 'mm');
  const Ro = r - e;
  const ringAreaMm2 =
    roundRectAreaMm2(W - 2 * e, H - 2 * e, Ro) -
    roundRectAreaMm2(W - 2 * e - 2 * w, H - 2 * e - 2 * w, Math.max(0, Ro - w));
  const butt = Ro <= w;
  let k = 0;
  let span: Record<EdgeId, [number, number]>;
  if (butt) {
    const s = Math.max(e, Ro <= 0 ? e : r - Math.sqrt(Math.max(0, r * r - Ro * Ro)));
    span = { left: [s, H - s], right: [s, H - s], bottom: [e + w, W - e - w], top: [e + w, W - e - w] };
  } else {
    k = Math.max(1, Math.ceil(Math.PI / 2 / (2 * Math.acos(1 - Math.min(sagMm.value / Ro, 1))) - 1e-9));
    span = { left: [r, H - r], right: [r, H - r], bottom: [r, W - r], top: [r, W - r] };
  }
  const mid = e + w / 2;
  const angle = { straight: k ? 90 / (4 * k) : 0, facet: k ? 90 / (2 * k) : 0 };
  // along an edge from its left or bottom end, at a depth from the cover's edge, to the plan frame
  const place = (side: EdgeId, at: number, depth = mid): Pt =>
    side === 'bottom'
      ? [x0 + at, y0 + H - depth]
      : side === 'top'
        ? [x0 + at, y0 + depth]
        : side === 'left'
          ? [x0 + depth, y0 + H - at]
          : [x0 + W - depth, y0 + H - at];
  const pieces: TapePiece[] = [];
  for (const side of ['bottom', 'right', 'top', 'left'] as const) {
    let runs: [number, number][] = [span[side]];
    for (const g of gaps.filter((x) => 'side' in x && x.side === side) as { fromMm: number; toMm: number }[])
      runs = runs.flatMap(([a, b]): [number, number][] => {
        const lo = Math.max(a, g.fromMm);
        const hi = Math.min(b, g.toMm);
        if (hi <= lo) return [[a, b]];
        // leftovers up to 1 mm are not worth laying
        return (
          [
            [a, lo],
            [hi, b],
          ] as [number, number][]
        ).filter(([p, q]) => q - p > 1);
      });
    const [start, end] = span[side];
    for (const [a, b] of runs)
      pieces.push({
        where: side,
        lengthMm: b - a,
        from: place(side, a),
        to: place(side, b),
        outer: [place(side, a, e), place(side, b, e)],
        // an end at an opening is cut square
        mitreDeg: [a === start ? angle.straight : 0, b === end ? angle.straight : 0],
      });
  }
  return { k, Ro, x0, W, r, y0, H, mid, pieces, angle, butt, ringAreaMm2 };
}

/**
 * Cut list of a ring of tape round a cover. Tight corners: square butt joints, no overlap (a double layer is a bump).
 * Round corners: straights between the arc tangents and k chords a corner, mitred. Own derivation; sag and kerf judgement.
 * @param widthMm tape width; insetMm from the cover's edge; rollMm what is left on the roll
 */
export function tapePlan(
  outline: Outline,
  insetMm: number,
  widthMm: number,
  gaps: readonly TapeGap[],
  rollMm: number,
): TapePlan {
  const { k, Ro, x0, W, r, y0, H, mid, pieces, angle, butt, ringAreaMm2 } = alongEdges(
    outline,
    insetMm,
    widthMm,
    gaps,
    rollMm,
  );
  const chord = k ? 2 * Ro * Math.sin(Math.PI / (4 * k)) : 0;
  const corners = [
    { where: 'bottomRight', c: [x0 + W - r, y0 + H - r], start: 0 },
    { where: 'topRight', c: [x0 + W - r, y0 + r], start: 270 },
    { where: 'topLeft', c: [x0 + r, y0 + r], start: 180 },
    { where: 'bottomLeft', c: [x0 + r, y0 + H - r], start: 90 },
  ] as const;
  for (const c of corners) {
    const at = (step: number, radius = r - mid): Pt => {
      const a = ((c.start + (90 * step) / k) * Math.PI) / 180;
      return [c.c[0] + radius * Math.cos(a), c.c[1] + radius * Math.sin(a)];
    };
    const open = gaps.flatMap((g) => ('corner' in g && g.corner === c.where ? [[g.from * k, g.to * k] as const] : []));
    for (let i = 0; i < k; i++) {
      // what an opening takes of a chord, as shares of it
      let runs: [number, number][] = [[0, 1]];
      for (const [from, to] of open)
        runs = runs.flatMap(([p, q]): [number, number][] => {
          const lo = Math.max(p, from - i);
          const hi = Math.min(q, to - i);
          return hi <= lo
            ? [[p, q]]
            : (
                [
                  [p, lo],
                  [hi, q],
                ] as [number, number][]
              ).filter(([x, y]) => (y - x) * chord > 1);
        });
      for (const [p, q] of runs) {
        const along = (t: number, radius?: number): Pt => {
          const [u, v] = [at(i, radius), at(i + 1, radius)];
          return [u[0] + t * (v[0] - u[0]), u[1] + t * (v[1] - u[1])];
        };
        pieces.push({
          where: c.where,
          lengthMm: chord * (q - p),
          from: along(p),
          to: along(q),
          outer: [along(p, Ro), along(q, Ro)],
          mitreDeg: [
            p > 0 ? 0 : i === 0 ? angle.straight : angle.facet,
            q < 1 ? 0 : i === k - 1 ? angle.straight : angle.facet,
          ],
        });
      }
    }
  }
  const lengthMm = pieces.reduce((s, p) => s + p.lengthMm, 0);
  const rollUsedMm = lengthMm + kerfMm.value * pieces.length;
  return {
    scheme: butt ? 'butt' : 'facet',
    facetsPerCorner: k,
    pieces,
    lengthMm,
    rollUsedMm,
    ringAreaMm2,
    mitreDeg: angle,
    brokenRing: gaps.length > 0,
    jobsLeft: Math.floor(rollMm / rollUsedMm + 1e-9),
  };
}

/** Open stretches of a bond (arcs along its centre line) as stretches of the cover's sides and of its round corners. */
export function tapeGaps(outline: Outline, path: Perimeter, arcs: readonly Arc[]): TapeGap[] {
  if (outline.kind !== 'roundRect') return [];
  const [x0, y0] = outline.min;
  const [x1, y1] = outline.max;
  const r = outline.rMm;
  const corners = [
    { where: 'bottomRight', c: [x1 - r, y1 - r], start: 0, sx: 1, sy: 1 },
    { where: 'topRight', c: [x1 - r, y0 + r], start: 270, sx: 1, sy: -1 },
    { where: 'topLeft', c: [x0 + r, y0 + r], start: 180, sx: -1, sy: -1 },
    { where: 'bottomLeft', c: [x0 + r, y1 - r], start: 90, sx: -1, sy: 1 },
  ] as const;
  const out = new Map<string, [number, number]>();
  const widen = (key: string, v: number) => {
    const known = out.get(key);
    out.set(key, known ? [Math.min(known[0], v), Math.max(known[1], v)] : [v, v]);
  };
  arcs.forEach((a, k) => {
    const n = Math.max(2, Math.ceil((a.toMm - a.fromMm) / 0.1));
    for (let i = 0; i <= n; i++) {
      const p = path.point(a.fromMm + ((a.toMm - a.fromMm) * i) / n);
      const corner = corners.find((c) => r > 0 && (p.at[0] - c.c[0]) * c.sx > 1e-9 && (p.at[1] - c.c[1]) * c.sy > 1e-9);
      if (corner) {
        const deg = (Math.atan2(p.at[1] - corner.c[1], p.at[0] - corner.c[0]) * 180) / Math.PI;
        widen(`${k}|c|${corner.where}`, ((((deg - corner.start) % 360) + 360) % 360) / 90);
      }
      // square corners have no facets: there the side's own piece reaches round
      widen(`${k}|s|${p.edge}`, p.edge === 'bottom' || p.edge === 'top' ? p.at[0] - x0 : y1 - p.at[1]);
    }
  });
  return [...out].map(([key, [from, to]]): TapeGap => {
    const [, kind, id] = key.split('|');
    return kind === 'c'
      ? { corner: id as Corner, from, to: Math.min(1, to) }
      : { side: id as EdgeId, fromMm: from, toMm: to };
  });
}

/** Corners of a piece from its long edge: the short edge lies a width to its left or right, shortened by the mitres. */
export function pieceOutline(
  [p, q]: readonly [Pt, Pt],
  mitreDeg: readonly [number, number],
  widthMm: number,
  toward: Pt,
): Pt[] {
  const l = Math.hypot(q[0] - p[0], q[1] - p[1]);
  const t: Pt = [(q[0] - p[0]) / l, (q[1] - p[1]) / l];
  // the side on which the rest of the device lies
  const side = (toward[0] - p[0]) * -t[1] + (toward[1] - p[1]) * t[0] >= 0 ? 1 : -1;
  const n: Pt = [-t[1] * side * widthMm, t[0] * side * widthMm];
  const short = (deg: number) => Math.min(l / 2, widthMm * Math.tan((deg * Math.PI) / 180));
  const [a, b] = [short(mitreDeg[0]), short(mitreDeg[1])];
  return [p, q, [q[0] - t[0] * b + n[0], q[1] - t[1] * b + n[1]], [p[0] + t[0] * a + n[0], p[1] + t[1] * a + n[1]]];
}
