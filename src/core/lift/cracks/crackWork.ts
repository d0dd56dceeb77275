import type { Hole, Outline, Pt } from '../../device/types';
import { CoreInputError } from '../../errors';
import { liftOrder, type CrackKeepOut, type PieceStep } from './liftOrder';
import { crackPieces, type CrackMap } from './pieces';

export interface CrackQuestion {
  outline: Outline;
  holes: Pick<Hole, 'shape' | 'role'>[];
  cracks: (readonly Pt[])[];
  keepOuts: CrackKeepOut[];
}

export type CrackAnswer = { map: CrackMap; steps: PieceStep[] } | { problem: string };

/** Pieces and their order in one go; impossible input comes back as its message. */
export function crackWork(q: CrackQuestion): CrackAnswer {
  try {
    const map = crackPieces(q.outline, q.holes, q.cracks);
    return { map, steps: liftOrder(map.pieces, q.keepOuts) };
  } catch (e) {
    if (e instanceof CoreInputError) return { problem: e.message };
    throw e;
  }
}
