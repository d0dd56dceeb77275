import { cutSpeed, wedgeState, type LiftCase } from '../lift/verdict';
import { practiceFigures, type BreakCause } from './happened';

/**
 * What a break under a pick is put down to: the first of these that holds.
 * @param tC of the line, °C
 * @param v of the pick, mm/s
 */
export function breakCause(c: LiftCase, tC: number, v: number, atCorner: boolean, atChip: boolean): BreakCause {
  if (atCorner) return 'corner';
  if (!wedgeState(c, tC, v).opens) return wedgeState(c, tC, v * 0.1).opens ? 'fast' : 'cold';
  if (v > cutSpeed.value * practiceFigures.fastShare.value) return 'fast';
  return atChip ? 'chip' : 'chance';
}
