import type { Perimeter } from '../device/perimeter';
import type { Pt } from '../device/types';
import { judgement } from '../source';

const lengthShare = judgement(0.22, 'a crack from the edge runs about a fifth of the way round into the face');

/**
 * A crack that runs in from the edge across the face.
 * @param turn which way it bends, −1 to 1, as the seed says
 * @returns points from the edge inwards, mm
 */
export function crackFrom(path: Perimeter, sMm: number, turn: number): Pt[] {
  const { at, normal } = path.point(sMm);
  const length = path.lengthMm * lengthShare.value;
  const pts: Pt[] = [at];
  let angle = Math.atan2(-normal[1], -normal[0]) + turn * 0.5;
  for (let i = 0; i < 6; i++) {
    const [x, y] = pts[pts.length - 1]!;
    angle += turn * 0.12 * (i % 2 ? 1 : -0.6);
    pts.push([x + (Math.cos(angle) * length) / 6, y + (Math.sin(angle) * length) / 6]);
  }
  return pts;
}
