import type { VisitorNow } from '@/core/practice/visitor';
import type { Ending } from './exercises';

/** The worst first: what cannot be made good again. */
const worst: readonly Ending[] = ['flash', 'broke', 'hurt', 'tooHot'];

export type TwoEnding = Ending | 'gone';

/** How two devices and the counter came out together: a device that is spoiled weighs more than a customer who left. */
export function twoEnding(sides: readonly Ending[], counter: VisitorNow): TwoEnding {
  const spoiled = worst.find((e) => sides.includes(e));
  if (spoiled) return spoiled;
  if (counter.what === 'gone') return 'gone';
  return sides.every((e) => e === 'passed') && counter.what === 'done' ? 'passed' : 'given up';
}
