import type { ShopPlan } from '@/core/schedule/shopPlan';
import type { BenchInput, ShopBench } from './shopBench';

export interface PlanNow {
  shop: ShopBench;
  plan: ShopPlan;
  input: BenchInput;
}

/** When a plan in force was left for another one: which jobs end at another time, and why. */
export interface PlanChange {
  why: 'noted' | 'better' | 'late';
  jobs: { label: string; fromAt: number; toAt: number }[];
}

/** Smaller moves of a job's end are not told, ms. */
const toldMs = 5 * 60e3;
/** A task that has not begun so long after its planned instant lets the plan be made anew, s. */
const slipS = 120;

/** Has a task that was planned to begin not begun, so that what is planned cannot be any more. */
export function slipped(p: PlanNow, now: number): boolean {
  const nowS = (now - p.shop.originAt) / 1e3;
  const begun = new Set(p.plan.bench.started.map((x) => `${x.job}|${x.task}`));
  return p.plan.plan.some((e) => !begun.has(`${e.job}|${e.task}`) && e.startS + slipS < nowS);
}

/** Jobs whose end moved by more than a few minutes. */
export function changeOf(before: PlanNow, after: PlanNow, why: PlanChange['why']): PlanChange | null {
  const end = (p: PlanNow, id: string) => {
    const s = p.plan.doneS[id];
    return s === undefined ? null : p.shop.originAt + s * 1e3;
  };
  const jobs = [...after.shop.jobs].flatMap(([id, job]) => {
    const [fromAt, toAt] = [end(before, id), end(after, id)];
    if (fromAt === null || toAt === null || Math.abs(toAt - fromAt) < toldMs) return [];
    return [{ label: job.label, fromAt, toAt }];
  });
  return jobs.length ? { why, jobs } : null;
}

/** Why what is asked for now cannot be planned; `kept`: the last plan that holds stands in its place. */
export type PlanProblem = { kept: boolean } & (
  | { why: 'broken'; label: string | null; what: ShopPlan['breaches'][number]['what']; where: string }
  // what cannot be counted says so itself; nothing where not even that is known
  | { why: 'failed'; message: string | null }
);

/** A plan, or the last good one with why there is no other. */
export interface Planned {
  now: PlanNow | null;
  problem: PlanProblem | null;
}

/** When a plan breaks a rule the last good one is kept and told with the reason. */
export function judged(shop: ShopBench, plan: ShopPlan, input: BenchInput, standing: PlanNow | null): Planned {
  const b = plan.breaches[0];
  if (!b) return { now: { shop, plan, input }, problem: null };
  const label = b.job ? (shop.jobs.get(b.job)?.label ?? b.job) : null;
  return {
    now: standing ?? { shop, plan, input },
    problem: { why: 'broken', label, what: b.what, where: b.where, kept: standing !== null },
  };
}

export const planProblem = (e: unknown, standing: PlanNow | null): PlanProblem => ({
  why: 'failed',
  message: e instanceof Error ? e.message : null,
  kept: standing !== null,
});
