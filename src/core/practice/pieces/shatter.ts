import { insideDistanceMm } from '../../device/shapes';
import type { Outline, Pt } from '../../device/types';
import { randomOf } from '../../numeric/random';
import { judgement } from '../../source';

export const shatterFigures = {
  rays: judgement(7, 'a blow near a corner sends about so many cracks out'),
  ringsMm: [judgement(24, 'a first ring of cracks round the blow'), judgement(62, 'a second one, further out')],
  cornerShare: judgement(0.22, 'phones fall on a corner: the blow lies so far in from it, as a share of each side'),
};

/**
 * Cracks of a made-up blow: rays from near a corner to the edge, and rings between them.
 * @returns polylines on the cover, mm; the same seed, the same cracks
 */
export function shatter(seed: number, outline: Outline, size: { min: Pt; max: Pt }): Pt[][] {
  const f = shatterFigures;
  const random = randomOf(seed * 374761393 + 19);
  const [w, h] = [size.max[0] - size.min[0], size.max[1] - size.min[1]];
  const right = random() < 0.5;
  const foot = random() < 0.5;
  const share = f.cornerShare.value * (0.7 + 0.6 * random());
  const at: Pt = [
    right ? size.max[0] - share * w : size.min[0] + share * w,
    foot ? size.max[1] - share * h : size.min[1] + share * h,
  ];
  const inside = (p: Pt) => insideDistanceMm(outline, p) > 0;
  const n = f.rays.value;
  const turn = random() * 2 * Math.PI;
  const angles = Array.from({ length: n }, (_, k) => turn + ((k + 0.6 * (random() - 0.5)) * 2 * Math.PI) / n);
  const round = ([x, y]: Pt): Pt => [Math.round(x * 100) / 100, Math.round(y * 100) / 100];
  const ray = (a: number): Pt[] => {
    let d = 2;
    while (d < 400 && inside([at[0] + d * Math.cos(a), at[1] + d * Math.sin(a)])) d += 1;
    return [at, round([at[0] + d * Math.cos(a), at[1] + d * Math.sin(a)])];
  };
  const rings = f.ringsMm.flatMap(({ value }) => {
    const corner = (a: number): Pt => round([at[0] + value * Math.cos(a), at[1] + value * Math.sin(a)]);
    return angles.flatMap((a, k) => {
      const line: Pt[] = [corner(a), corner(angles[(k + 1) % n]!)];
      return line.every(inside) ? [line] : [];
    });
  });
  return [...angles.map(ray), ...rings];
}
