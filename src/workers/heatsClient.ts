import { proxy } from 'comlink';

import type { HeatsAnswer, HeatsApi, HeatsQuestion } from './heats.worker';
import { longRunOn, type LongRun } from './longRun';
import { startHeats } from './startHeats';

/** Heating times of jobs, beside the screen; each is told when it is there. */
export const askHeats = (q: HeatsQuestion, tell: (a: HeatsAnswer) => void): LongRun<void> =>
  longRunOn<HeatsApi, void>(startHeats, (api) => api.ways(q, proxy(tell)));
