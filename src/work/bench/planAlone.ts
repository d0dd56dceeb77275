import { promiseWork } from '@/core/schedule/planWork';
import { planShop } from '@/core/schedule/shopPlan';
import { judged, planProblem, type Planned, type PlanNow } from './planNow';
import type { BenchInput, ShopBench } from './shopBench';

export { promiseWork };

/** A plan at once, from the one that stands. */
export function planNow(shop: ShopBench, input: BenchInput, standing: PlanNow | null = null, inForce = false): Planned {
  try {
    const plan = planShop(shop.bench, {
      iterations: 0,
      seeds: [],
      ...(standing ? { previous: standing.plan.plan } : {}),
      inForce: inForce && standing !== null,
    });
    return judged(shop, plan, input, standing);
  } catch (e) {
    return { now: standing, problem: planProblem(e, standing) };
  }
}
