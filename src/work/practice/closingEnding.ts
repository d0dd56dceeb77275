import type { ClosingBench } from '@/core/practice/closing/bench';
import type { ClosingState } from '@/core/practice/closing/case';
import { whatCame, type Fault } from '@/core/practice/closing/whatCame';
import { type ClosingId } from './exerciseTable';

export type ClosingEnding = 'passed' | Fault['what'] | 'given up';

/** How it ended: the first fault in the order of the work, or that it came to no end. */
export function closingEnding(exercise: ClosingId, bench: ClosingBench, s: ClosingState): ClosingEnding {
  if (exercise === 'clamps' ? s.handedAtS === null : s.closedAtS === null) return 'given up';
  return whatCame(bench, s)[0]?.what ?? 'passed';
}
