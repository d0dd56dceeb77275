import { proxy, wrap, type Remote } from 'comlink';

import type { PlanAnswer, PlanPart, PromiseQuestion, RescueQuestion, wishCost } from '@/core/schedule/planWork';
import { leftMessage } from '@/core/schedule/leftError';
import type { SessionQuestion } from '@/core/schedule/planSession';
import type { ShopPlan } from '@/core/schedule/shopPlan';
import type { Rescue } from '@/core/schedule/rescues';
import type { Simulated } from '@/core/schedule/simulate';
import type { Bench } from '@/core/schedule/types';
import { CancelledError, longRunOn, type LongRun } from './longRun';
import type { ScheduleApi } from './schedule.worker';
import { startSchedule } from './startSchedule';
import { silenceMs, watched } from './watched';

/** A worker that nobody asks anything for so long is ended: a phone has other uses for its memory. */
const idleMs = 60_000;
let planner: { worker: Worker; api: Remote<ScheduleApi> } | null = null;
let idle: ReturnType<typeof setTimeout> | null = null;
/** Questions that are not answered yet. */
let asked = 0;

function endPlanner(): void {
  planner?.worker.terminate();
  planner = null;
}

/**
 * A better plan, with its progress and what is there before the whole answer. One worker for all of them: a question that comes
 * while an earlier one is searched goes on from what that one found. Given up, the search stands still and keeps what it has.
 */
export function betterPlan(
  q: SessionQuestion,
  tell: (share: number) => void,
  part: (p: PlanPart) => void,
): LongRun<PlanAnswer> {
  if (idle) clearTimeout(idle);
  idle = null;
  if (!planner) {
    const worker = startSchedule();
    planner = { worker, api: wrap<ScheduleApi>(worker) };
  }
  const mine = planner;
  asked++;
  let cancel = () => {};
  const cancelled = new Promise<never>((_, reject) => {
    cancel = () => {
      reject(new CancelledError());
      void mine.api.hold();
    };
  });
  const answer = watched(mine.worker, mine.api.plan(q, proxy(tell), proxy(part)), silenceMs.long);
  answer
    .catch((e: unknown) => {
      // left for another question it goes on; what broke or fell silent is begun anew
      if (planner === mine && !(e instanceof Error && e.message === leftMessage)) endPlanner();
    })
    .finally(() => {
      asked--;
      if (idle) clearTimeout(idle);
      idle = asked ? null : setTimeout(endPlanner, idleMs);
    });
  return { result: Promise.race([answer, cancelled]), cancel };
}

export const askPromises = (list: PromiseQuestion[]): LongRun<Simulated[]> =>
  longRunOn<ScheduleApi, Simulated[]>(startSchedule, (api) => api.promises(list));

export const askRescues = (q: RescueQuestion): LongRun<Rescue[]> =>
  longRunOn<ScheduleApi, Rescue[]>(startSchedule, (api) => api.rescues(q));

export const askWishCost = (p: ShopPlan, bench: Bench): LongRun<ReturnType<typeof wishCost>> =>
  longRunOn<ScheduleApi, ReturnType<typeof wishCost>>(startSchedule, (api) => api.wishes(p, bench));
