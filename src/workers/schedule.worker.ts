import './ownFigures';

import { expose } from 'comlink';

import {
  firstPlanOf,
  planWork,
  promiseWork,
  rescueWork,
  wishCost,
  type PlanPart,
  type PlanQuestion,
  type PromiseQuestion,
  type RescueQuestion,
} from '@/core/schedule/planWork';
import type { ShopPlan } from '@/core/schedule/shopPlan';
import type { Bench } from '@/core/schedule/types';
import { paced } from './paced';

const api = {
  /**
   * A first plan at once, where there was none; the search for a better one after a rest: who is at work on the screen notes the
   * next thing or turns the page before, and ends this worker with it.
   */
  plan: async (q: PlanQuestion & { restMs: number }, tell: (share: number) => void, part: (p: PlanPart) => void) => {
    let asked: PlanQuestion = q;
    if (q.first) {
      const plan = firstPlanOf(q);
      part({ plan, promises: null, others: null });
      asked = { ...q, first: false, previous: plan.plan };
      await new Promise((r) => setTimeout(r, q.restMs));
    }
    return planWork(asked, paced(tell), () => performance.now(), part);
  },
  promises: (list: PromiseQuestion[]) => list.map(promiseWork),
  rescues: (q: RescueQuestion) => rescueWork(q),
  wishes: (withWishes: ShopPlan, bench: Bench) => wishCost(withWishes, bench),
};

export type ScheduleApi = typeof api;

expose(api);
