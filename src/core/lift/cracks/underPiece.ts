import type { Perimeter } from '../../device/perimeter';
import { contains } from '../../device/shapes';
import type { Pt } from '../../device/types';
import type { ReducedModel } from '../../heat/reduced';
import type { Piece } from './pieces';

/**
 * Mean of the bond plane under a piece, °C. @param field on the model's raster, row after row
 * @returns null where no cell of the raster lies under it
 */
export function meanUnderC(model: ReducedModel, field: ArrayLike<number>, outer: readonly Pt[]): number | null {
  const { nx, ny, originMm, stepMm } = model.modes.picture;
  let sum = 0;
  let n = 0;
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      const p: Pt = [originMm[0] + i * stepMm[0], originMm[1] + j * stepMm[1]];
      if (!contains({ kind: 'polygon', pts: outer }, p, 1)) continue;
      sum += field[j * nx + i]!;
      n++;
    }
  return n ? sum / n : null;
}

/** So near to each other are the places of a ring that are looked at under a piece, mm. */
const everyMm = 3;

/** Places of the ring that a piece covers, mm along it: where a ring holds it. None: it lies between the rings. */
export function ringUnder(piece: Pick<Piece, 'sides'>, path: Perimeter): number[] {
  return piece.sides.flatMap(({ a, b, beyond }) => {
    if (beyond !== 'outline') return [];
    const n = Math.max(1, Math.round(Math.hypot(b[0] - a[0], b[1] - a[1]) / everyMm));
    return Array.from({ length: n }, (_, k) => {
      const f = (k + 0.5) / n;
      return path.locate([a[0] + f * (b[0] - a[0]), a[1] + f * (b[1] - a[1])]);
    });
  });
}
