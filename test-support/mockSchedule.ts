import { planWork, promiseWork, rescueWork, wishCost } from '../src/core/schedule/planWork';
import type { PlanPart, PlanQuestion, PromiseQuestion, RescueQuestion } from '../src/core/schedule/planWork';
import type { ShopPlan } from '../src/core/schedule/shopPlan';
import type { Bench } from '../src/core/schedule/types';

/** The schedule worker's answers at once, without a worker, with fewer tries. */
const at = <T>(work: () => T) => ({ result: Promise.resolve().then(work), cancel: () => {} });

export const betterPlan = (q: PlanQuestion, tell: (share: number) => void, part: (p: PlanPart) => void) =>
  at(() => planWork({ ...q, iterations: 20, seeds: [1], runs: 60, tries: 10 }, tell, undefined, part));
export const askPromises = (list: PromiseQuestion[]) => at(() => list.map((q) => promiseWork({ ...q, runs: 60 })));
export const askRescues = (q: RescueQuestion) => at(() => rescueWork(q));
export const askWishCost = (p: ShopPlan, bench: Bench) => at(() => wishCost(p, bench));
