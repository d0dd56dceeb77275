import { insidePolygon } from '../../device/polygon';
import type { Hole, Outline, Pt } from '../../device/types';
import { CoreInputError } from '../../errors';
import { liftOrder, type CrackKeepOut, type PieceStep } from './liftOrder';
import { crackPieces, type CrackMap } from './pieces';

export interface CrackQuestion {
  outline: Outline;
  holes: Pick<Hole, 'shape' | 'role'>[];
  cracks: (readonly Pt[])[];
  keepOuts: CrackKeepOut[];
  /** outlines of the pieces that are off, as they were when they came off */
  off?: readonly (readonly (readonly Pt[])[])[];
}

export type CrackAnswer = { map: CrackMap; steps: PieceStep[]; off: number[] } | { problem: string };

/** Is a place on glass that has come off? Every loop turns in and out, so islands that stayed do not count. */
export const isOffAt = (p: Pt, off: readonly (readonly (readonly Pt[])[])[]): boolean =>
  off.some((loops) => loops.reduce((inside, l) => inside !== insidePolygon(p, l), false));

/** Pieces and their order in one go; impossible input comes back as its message. */
export function crackWork(q: CrackQuestion): CrackAnswer {
  try {
    const map = crackPieces(q.outline, q.holes, q.cracks);
    const gone = q.off ?? [];
    const off = map.pieces.filter((p) => isOffAt(p.labelAt, gone)).map((p) => p.id);
    return { map, steps: liftOrder(map.pieces, q.keepOuts, new Set(off)), off };
  } catch (e) {
    if (e instanceof CoreInputError) return { problem: e.message };
    throw e;
  }
}
