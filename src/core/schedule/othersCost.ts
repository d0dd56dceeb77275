import { nextHands, othersNow } from './nextHands';
import { insteadOf, type Instead, type ShopPlan } from './shopPlan';
import type { PlanEntry } from './types';

/** What the other candidates would cost; the plan's own choice stands for nothing more. */
export function costOfOthers(p: ShopPlan, tries?: number): { first: PlanEntry; others: Instead[] } | null {
  const first = nextHands(p).find((n) => n.ready)?.entry;
  if (!first) return null;
  return { first, others: insteadOf(p, first, othersNow(p, first), tries) };
}
