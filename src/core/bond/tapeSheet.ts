import { boxOf } from '../device/shapes';
import type { Outline, Pt } from '../device/types';
import { exactBins } from './cutStock';
import { kerfMm, pieceOutline, type TapePlan } from './tapePlan';

/** A drawing at 1:1, in mm, y down: what is cut, and where each piece goes. */
export interface TapeSheet {
  widthMm: number;
  heightMm: number;
  widthOfTapeMm: number;
  /** pieces side by side on strips, as they are cut; the long edge comes first */
  cut: { outline: Pt[]; lengthMm: number; label: string }[];
  /** the same pieces where they lie on the device */
  laid: Pt[][];
  cover: Outline;
  scaleBar: readonly [Pt, Pt];
  lengthMm: number;
}

/** What a home printer takes across, mm. */
const printableMm = 180;
const margin = 10;
const between = 4;

/** Lays the pieces of a cut list out on as few strips as a page takes, under a template of the device. */
export function tapeSheet(plan: TapePlan, cover: Outline, widthMm: number): TapeSheet {
  const { min, max } = boxOf(cover);
  const [w, h] = [max[0] - min[0], max[1] - min[1]];
  const longest = Math.max(...plan.pieces.map((p) => p.lengthMm));
  const lanes = exactBins(
    plan.pieces.map((p) => p.lengthMm),
    Math.max(longest, printableMm),
    kerfMm.value,
  ).bins;
  const pageMm = Math.max(w, longest, printableMm) + 2 * margin;
  // the drawing of the device is moved to the page; the device may begin anywhere in its own frame
  const move = ([x, y]: Pt): Pt => [x - min[0] + margin, y - min[1] + margin];
  const shifted = moveOutline(cover, move);
  const middle: Pt = move([(min[0] + max[0]) / 2, (min[1] + max[1]) / 2]);
  const laid = plan.pieces.map((p) => pieceOutline([move(p.outer[0]), move(p.outer[1])], p.mitreDeg, widthMm, middle));
  const free = plan.pieces.map((p, i) => ({ p, i }));
  const cut: TapeSheet['cut'] = [];
  let y = h + 2 * margin + 8;
  for (const lane of lanes) {
    let x = margin;
    for (const length of lane) {
      const at = free.findIndex((f) => Math.abs(f.p.lengthMm - length) < 1e-6);
      const { p, i } = free.splice(at, 1)[0]!;
      cut.push({
        outline: pieceOutline(
          [
            [x, y],
            [x + p.lengthMm, y],
          ],
          p.mitreDeg,
          widthMm,
          [x, y + widthMm],
        ),
        lengthMm: p.lengthMm,
        label: String(i + 1),
      });
      x += p.lengthMm + kerfMm.value;
    }
    y += widthMm + between;
  }
  const barY = y + 6;
  return {
    widthMm: pageMm,
    heightMm: barY + margin,
    widthOfTapeMm: widthMm,
    cut,
    laid,
    cover: shifted,
    scaleBar: [
      [margin, barY],
      [margin + 50, barY],
    ],
    lengthMm: plan.lengthMm,
  };
}

function moveOutline(o: Outline, move: (p: Pt) => Pt): Outline {
  if (o.kind === 'disc') return { ...o, c: move(o.c) };
  if (o.kind === 'polygon') return { kind: 'polygon', pts: o.pts.map(move) };
  return { ...o, min: move(o.min), max: move(o.max) };
}
