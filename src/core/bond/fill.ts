import { boxOf, inset, insideDistanceMm } from '../device/shapes';
import { polygonOf } from '../device/polygon';
import type { Outline, Pt } from '../device/types';
import { requireIn } from '../errors';
import { judgement } from '../source';

export const fillFigures = {
  coverage: judgement(0.5, 'share of the area that is glue when closed; the rest lets air out'),
  pitchMm: judgement(6, 'from line to line, mm; narrow lines dry, wide ones never do'),
  fewest: judgement(0.25, 'least coverage that still carries the glass in its middle'),
};

export interface Dots {
  ulPerDot: number;
  discRadiusMm: number;
  /** discs meet: air is trapped between them */
  touching: boolean;
  count: number;
  ml: number;
  layRadiusMm: number;
}

/** Coverage at which equal discs touch: π/4 on a square grid, π/(2√3) = 0.9069 on a hexagonal one (circle packing). */
export const touchingAt = (hexagonal: boolean) => Math.PI / (hexagonal ? 2 * Math.sqrt(3) : 4);

/** Dots on a grid that spread to discs of the wanted coverage when the gap closes (geometry). Lengths mm. */
export function dotsPattern(
  widthMm: number,
  heightMm: number,
  gapMm: number,
  coverage: number,
  pitchMm: number,
  hexagonal = false,
): Dots {
  check(gapMm, coverage, pitchMm);
  const rowMm = pitchMm * (hexagonal ? Math.sqrt(3) / 2 : 1);
  const cell = pitchMm * rowMm;
  const v = coverage * cell * gapMm;
  const count = Math.floor(widthMm / pitchMm) * Math.floor(heightMm / rowMm);
  return {
    ulPerDot: v,
    discRadiusMm: Math.sqrt((coverage * cell) / Math.PI),
    touching: coverage >= touchingAt(hexagonal),
    count,
    ml: count * v * 1e-3,
    layRadiusMm: Math.cbrt((3 * v) / (2 * Math.PI)),
  };
}

function check(gapMm: number, coverage: number, pitchMm: number) {
  requireIn('gap', gapMm, 0.02, 3, 'mm');
  requireIn('coverage', coverage, 0.05, 0.95);
  requireIn('pitch', pitchMm, 1, 40, 'mm');
}

/** Places of dots inside an outline and clear of its holes, row by row to and fro. */
export function fillDots(
  outline: Outline,
  holes: readonly Outline[],
  edgeMm: number,
  clearMm: number,
  pitchMm: number,
  hexagonal = true,
): Pt[] {
  const area = inset(outline, edgeMm);
  const { min, max } = boxOf(area);
  const rowMm = pitchMm * (hexagonal ? Math.sqrt(3) / 2 : 1);
  const rows = Math.floor((max[1] - min[1]) / rowMm);
  const perRow = Math.floor((max[0] - min[0]) / pitchMm);
  const out: Pt[] = [];
  for (let r = 0; r < rows; r++) {
    const y = (min[1] + max[1]) / 2 + (r - (rows - 1) / 2) * rowMm;
    const shift = hexagonal && r % 2 ? pitchMm / 2 : 0;
    const row = Array.from({ length: perRow }, (_, i): Pt => [
      (min[0] + max[0]) / 2 + (i - (perRow - 1) / 2) * pitchMm + shift - (hexagonal ? pitchMm / 4 : 0),
      y,
    ]).filter((p) => insideDistanceMm(area, p) >= 0 && !holes.some((h) => insideDistanceMm(h, p) > -clearMm));
    out.push(...(r % 2 ? row.reverse() : row));
  }
  return out;
}

/** One stroke of glue without lifting the nozzle. */
export type Stroke = Pt[];

export interface FillPlan {
  strokes: Stroke[];
  lines: number;
  /** glue is laid along this length, turns between lines included */
  layMm: number;
  coveredShare: number;
}

/**
 * Even lines inside an outline and round its holes, joined to and fro into strokes: a turn joins two lines where their ends
 * are within two pitches, drawn back by up to one where a hole lies between. One stroke where nothing is in the way; with
 * holes the fewest that going to and fro finds, not proven to be the fewest. Stretches under 1.5 pitches are left out.
 * @param edgeMm kept from the outline, @param clearMm kept from the holes
 */
export function fillStrokes(
  outline: Outline,
  holes: readonly Outline[],
  edgeMm: number,
  clearMm: number,
  pitchMm: number,
  bondMm: number,
): FillPlan {
  const area = inset(outline, edgeMm);
  const { min, max } = boxOf(area);
  const n = Math.max(0, Math.floor((max[0] - min[0]) / pitchMm));
  const x0 = (min[0] + max[0]) / 2 - ((n - 1) * pitchMm) / 2;
  const ring = polygonOf(area, 16);
  const blocked = (p: Pt) => holes.some((h) => insideDistanceMm(h, p) > -clearMm);
  interface Segment {
    line: number;
    top: Pt;
    bottom: Pt;
    used: boolean;
  }
  const segments: Segment[] = [];
  for (let i = 0; i < n; i++) {
    const x = x0 + i * pitchMm;
    for (const [a, b] of inside(ring, x)) {
      // holes are found by stepping: they are round or rounded, so a tenth of a millimetre is below any hand
      let from: number | null = null;
      const step = 0.1;
      const count = Math.ceil((b - a) / step);
      for (let k = 0; k <= count; k++) {
        const y = Math.min(b, a + k * step);
        const free = !blocked([x, y]);
        if (free && from === null) from = y;
        if (from !== null && (!free || k === count)) {
          const end = free ? y : y - step;
          if (end - from > 1.5 * pitchMm) segments.push({ line: i, top: [x, from], bottom: [x, end], used: false });
          from = null;
        }
      }
    }
  }
  const strokes: Stroke[] = [];
  const near = (p: Pt, q: Pt) => Math.hypot(p[0] - q[0], p[1] - q[1]);
  const open = (p: Pt, q: Pt) =>
    ![0.25, 0.5, 0.75].some((t) => blocked([p[0] + (q[0] - p[0]) * t, p[1] + (q[1] - p[1]) * t]));
  /** Where a turn from one line to the next is clear: at their ends, or up to a pitch back from them. */
  const turnAt = (end: Pt, p: Pt, s: { top: Pt; bottom: Pt }, down: boolean) => {
    if (near(end, p) > 2 * pitchMm) return null;
    const back = down ? -1 : 1;
    const from = down ? Math.min(end[1], p[1]) : Math.max(end[1], p[1]);
    for (let k = 0; k <= pitchMm; k += 0.5) {
      const y = from + back * k;
      if (y < s.top[1] || y > s.bottom[1]) return null;
      if (open([end[0], y], [p[0], y])) return { y, cutMm: Math.abs(y - end[1]) + Math.abs(y - p[1]) };
    }
    return null;
  };
  for (const first of segments) {
    if (first.used) continue;
    first.used = true;
    const stroke: Stroke = [first.top, first.bottom];
    let at = first;
    let down = true;
    for (;;) {
      const end = down ? at.bottom : at.top;
      const next = segments
        .filter((s) => !s.used && s.line === at.line + 1)
        .map((s) => ({ s, turn: turnAt(end, down ? s.bottom : s.top, s, down) }))
        .filter((c) => c.turn !== null)
        .sort((a, b) => a.turn!.cutMm - b.turn!.cutMm)[0];
      if (!next) break;
      next.s.used = true;
      const { y } = next.turn!;
      stroke[stroke.length - 1] = [end[0], y];
      stroke.push([next.s.top[0], y], down ? next.s.top : next.s.bottom);
      at = next.s;
      down = !down;
    }
    strokes.push(stroke);
  }
  const length = (s: Stroke) => s.reduce((m, p, i) => (i ? m + near(p, s[i - 1]!) : 0), 0);
  const layMm = strokes.reduce((m, s) => m + length(s), 0);
  const box = (max[0] - min[0]) * (max[1] - min[1]);
  return { strokes, lines: segments.length, layMm, coveredShare: box > 0 ? Math.min(1, (layMm * bondMm) / box) : 0 };
}

/** Stretches of the line x = const inside a polygon. */
function inside(pts: readonly Pt[], x: number): [number, number][] {
  const ys: number[] = [];
  pts.forEach((p, i) => {
    const q = pts[(i + 1) % pts.length]!;
    if (p[0] <= x === q[0] <= x) return;
    ys.push(p[1] + ((x - p[0]) * (q[1] - p[1])) / (q[0] - p[0]));
  });
  ys.sort((a, b) => a - b);
  return ys.flatMap((y, i): [number, number][] => (i % 2 ? [[ys[i - 1]!, y]] : []));
}
