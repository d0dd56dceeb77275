import './ownFigures';

import { expose } from 'comlink';

import {
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
  plan: (q: PlanQuestion, tell: (share: number) => void, part: (p: PlanPart) => void) =>
    planWork(q, paced(tell), () => performance.now(), part),
  promises: (list: PromiseQuestion[]) => list.map(promiseWork),
  rescues: (q: RescueQuestion) => rescueWork(q),
  wishes: (withWishes: ShopPlan, bench: Bench) => wishCost(withWishes, bench),
};

export type ScheduleApi = typeof api;

expose(api);
