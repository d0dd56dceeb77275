import { watchedKinds, type Watched } from './member';
import type { Marks, Opening } from './opening';
import type { HeatRun } from './run';

/**
 * Usual value and hot end of a watched thing at an instant of a heat, °C; null when the device has none. A heat that ends when
 * the bond opens is judged in the bond's own world (law 5). One that a limit ends before that goes by the clock, whatever the
 * contact is: there the hot end is that of the instant.
 */
export function hotEndOf(
  o: Pick<Opening, 'parts' | 'over'>,
  run: HeatRun,
  id: Watched,
  tS: number,
): { usualC: number; hotC: number } | null {
  const peak = o.over.length ? undefined : o.parts[id]?.peakC;
  if (!peak) {
    const c = run.partC(tS, id);
    return c && { usualC: c.mean, hotC: c.high };
  }
  const top = run.members[0]!.hottest(tS, id);
  return top && { usualC: top.atC, hotC: top.atC + peak.high - peak.mean };
}

/** Something watched is at its stop mark by its hot end. */
export const atLimit = (
  o: Pick<Opening, 'parts' | 'over'>,
  run: HeatRun,
  marks: Partial<Record<Watched, Marks>>,
  tS: number,
): boolean =>
  watchedKinds.some((id) => {
    const stopC = marks[id]?.stopC;
    return stopC !== undefined && (hotEndOf(o, run, id, tS)?.hotC ?? -Infinity) >= stopC;
  });
