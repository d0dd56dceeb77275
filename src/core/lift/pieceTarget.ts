import { judgement } from '../source';

export const creepAboveK = judgement(15, 'a piece of a full bond is heated this far above where the blade creeps, K');

/**
 * What a piece is heated to before it is worked: where it goes easily, or, on a full bond that nobody can heat that far with
 * parts in it, a margin above where the blade creeps.
 */
export function pieceTargetC(fullArea: boolean, th: { easyC: number | null; workC: number | null }): number | null {
  if (!fullArea || th.workC === null) return th.easyC;
  return Math.min(th.easyC ?? Infinity, th.workC + creepAboveK.value);
}
