import type { BenchState } from './happened';

/** How far an exercise has to come. */
export type Goal = 'gap' | 'firstEdge' | 'off';

/** It has come as far as the exercise asks. */
export function reached(goal: Goal, s: BenchState, firstEdge: { fromMm: number; toMm: number }): boolean {
  if (goal === 'gap') return s.cut.free.length > 0;
  if (goal === 'firstEdge') return s.free || s.cut.isFree(firstEdge);
  return s.free;
}
