import { proxy } from 'comlink';

import type {
  PlanAnswer,
  PlanPart,
  PlanQuestion,
  PromiseQuestion,
  RescueQuestion,
  wishCost,
} from '@/core/schedule/planWork';
import type { ShopPlan } from '@/core/schedule/shopPlan';
import type { Rescue } from '@/core/schedule/rescues';
import type { Simulated } from '@/core/schedule/simulate';
import type { Bench } from '@/core/schedule/types';
import { longRunOn, type LongRun } from './longRun';
import type { ScheduleApi } from './schedule.worker';
import { startSchedule } from './startSchedule';

/** A better plan, with its progress and what is there before the whole answer; it can be given up. */
export const betterPlan = (
  q: PlanQuestion & { restMs: number },
  tell: (share: number) => void,
  part: (p: PlanPart) => void,
): LongRun<PlanAnswer> =>
  longRunOn<ScheduleApi, PlanAnswer>(startSchedule, (api) => api.plan(q, proxy(tell), proxy(part)));

export const askPromises = (list: PromiseQuestion[]): LongRun<Simulated[]> =>
  longRunOn<ScheduleApi, Simulated[]>(startSchedule, (api) => api.promises(list));

export const askRescues = (q: RescueQuestion): LongRun<Rescue[]> =>
  longRunOn<ScheduleApi, Rescue[]>(startSchedule, (api) => api.rescues(q));

export const askWishCost = (p: ShopPlan, bench: Bench): LongRun<ReturnType<typeof wishCost>> =>
  longRunOn<ScheduleApi, ReturnType<typeof wishCost>>(startSchedule, (api) => api.wishes(p, bench));
