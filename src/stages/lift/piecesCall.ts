import type { PieceStep } from '@/core/lift/cracks/liftOrder';
import type { Piece } from '@/core/lift/cracks/pieces';
import type { WedgeVerdict } from '@/core/lift/verdict';
import type { Settings } from '@/model/settings';
import { pieceReasons } from '@/bench-kit/crackMap';
import { area, clock, length, temp } from '@/words/units';
import type { CallText } from './liftCall';

export interface PiecesCallInput {
  /** null: pieces are not there yet */
  left: number | null;
  offCount: number;
  step: PieceStep | null;
  piece: Piece | null;
  glassLeft: number;
  swollen: boolean;
  onHeat: boolean;
  everHeated: boolean;
  batteryHighC: number | null;
  stopC: number;
  /** low bound at the piece, °C */
  lowC: number;
  wedge: Pick<WedgeVerdict, 'verdict' | 'goC'>;
  targetC: number | null;
  workC: number | null;
  /** seconds of work left of a recorded spot heat; null: none runs */
  workLeftS: number | null;
  leverMm: number | null;
  breakLines: boolean;
  units: Pick<Settings, 'temperature' | 'length'>;
}

/** Which way a blade goes in, as somebody sees it who looks at the face. */
export function fromSide([x, y]: readonly [number, number]): string {
  const a = (Math.atan2(y, x) * 180) / Math.PI;
  if (a > -45 && a <= 45) return 'from the left';
  if (a > 45 && a <= 135) return 'from above';
  if (a > -135 && a <= -45) return 'from below';
  return 'from the right';
}

/** The piece now, how it is worked, or what has to come first. */
export function piecesCall(i: PiecesCallInput): CallText {
  const { units, step, piece } = i;
  if (i.swollen)
    return {
      sentence: 'Stop: the cell is swollen.',
      reason: 'No heat and no prying over it. Into the fire-proof bag; follow the maker and local rules.',
      tone: 'caution',
    };
  if (i.left === null)
    return { sentence: 'Reading the cracks.', reason: 'Pieces and order are computed.', tone: 'ink' };
  if (i.left === 0)
    return {
      sentence: i.glassLeft ? `All pieces are off, ${i.glassLeft} with glass left.` : 'All glass is off.',
      reason: i.glassLeft
        ? 'Pick it out with tweezers while it is warm; it is carried over to Clean.'
        : 'Face down, tap: shards fall out, not in. Residue is next.',
      tone: 'ink',
    };
  if (!step || !piece || (i.left === 1 && i.offCount === 0))
    return {
      sentence: 'No crack frees a piece.',
      reason: 'Draw how it is cracked, lift it along the edges, or break it on purpose and draw the stroke.',
      tone: 'caution',
    };
  if (i.batteryHighC !== null && i.batteryHighC >= i.stopC)
    return {
      sentence: 'Hands off: let the cell cool.',
      reason: `It may be at ${temp(i.batteryHighC, units)}, stop mark ${temp(i.stopC, units)}.`,
      tone: 'caution',
    };
  if (i.onHeat)
    return {
      sentence: 'The heat is on.',
      reason: 'Take it off first: the clock runs on the heat page.',
      tone: 'ink',
    };
  const how = step.entry
    ? `Blade ${fromSide(step.entry.into)}, ${step.entry.depthMm < 1 ? 'hardly in' : `up to ${length(step.entry.depthMm, units, 0)} in`}${step.entry.stoppedBy ? `: ${step.entry.stoppedBy} behind` : ''}.`
    : 'No free edge: break it loose in the middle.';
  const soft = i.workLeftS !== null ? i.workLeftS > 0 : ['go', 'slow'].includes(i.wedge.verdict);
  if (!soft)
    return {
      sentence: i.everHeated
        ? `Piece 1 has gripped: heat it to ${i.targetC === null ? 'more' : temp(i.targetC, units)}.`
        : `Heat piece 1 to ${i.targetC === null ? 'no temperature' : temp(i.targetC, units)}.`,
      reason: `${temp(i.lowC, units)} now; the blade works from ${i.workC === null ? 'no temperature' : temp(i.workC, units)}. Never force it: ${pieceReasons(step, units)}.`,
      tone: i.everHeated ? 'caution' : 'ink',
    };
  return {
    sentence: `Piece 1, ${area(piece.areaMm2, units)}${i.workLeftS !== null ? `: ${clock(i.workLeftS)} left` : ' now'}.`,
    reason: `${how} ${i.breakLines ? 'Break it first along the dashed lines: two parts round the camera.' : i.leverMm === null ? '' : `Lever its edge up by ${length(i.leverMm, units, 1)} at most.`} Because: ${pieceReasons(step, units)}.`,
    tone: 'ink',
  };
}
