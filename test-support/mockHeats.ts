import type { HeatsAnswer, HeatsQuestion } from '../src/workers/heats.worker';

/** Under jest no heat model is at hand: the estimates of the plan stand. */
export function askHeats(q: HeatsQuestion, tell: (a: HeatsAnswer) => void) {
  for (const { key } of q.jobs) tell({ key, ways: [] });
  return { result: Promise.resolve(), cancel: () => {} };
}
