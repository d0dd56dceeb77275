import { costOfOthers } from './othersCost';
import { promisesOf, type Scatters } from './promise';
import { planShop, planSteps, type Instead, type ShopPlan } from './shopPlan';
import { drained, type Steps } from './steps';
import { rescues, type Rescue, type RescueIdea } from './rescues';
import type { Simulated } from './simulate';
import type { Bench, PlanEntry } from './types';

export interface PlanQuestion {
  bench: Bench;
  previous: readonly PlanEntry[];
  iterations: number;
  seeds: readonly number[];
  scatters: Scatters;
  runs: number;
  /** the plan before is in force */
  inForce?: boolean;
  /** nothing was planned for this bench yet: the first plan is told as soon as it is made */
  first?: boolean;
  /** what a search for this bench, as it was a moment ago, had found */
  found?: readonly PlanEntry[] | undefined;
  /** plans that are made for each other order; as many as the size of the shop allows when it is not said */
  tries?: number;
  /** the search ends after so long, ms, by this clock */
  budget?: { ms: number } | undefined;
}

export interface PlanAnswer {
  plan: ShopPlan;
  promises: Simulated;
  /** what it would cost to put another task first; null when nothing can go now */
  others: { first: PlanEntry; others: Instead[] } | null;
}

/** What is there before the whole answer: a first plan, then what can be promised by the best one. */
export interface PlanPart {
  plan: ShopPlan;
  promises: Simulated | null;
  others: PlanAnswer['others'];
}

/** Up to so many jobs a promise has all the runs that were asked for; a larger shop has fewer, and never less than these. */
const fullRunsJobs = 30;
const leastRuns = 500;
/** Runs in which a promise is worked out: 500 know the 80 % end to within 1.8 points of a hundred (binomial). */
export const runsFor = (runs: number, jobs: number): number =>
  Math.min(runs, Math.max(leastRuns, Math.round((runs * fullRunsJobs) / Math.max(1, jobs))));

/** The first plan of a bench for which there was none: what is on the screen while a better one is looked for. */
export const firstPlanOf = (q: PlanQuestion): ShopPlan =>
  planShop(q.bench, { iterations: 0, seeds: [], previous: q.previous, inForce: q.inForce ?? false });

/** Share of the work that the search for a better plan is; the rest is what can be promised, and what another order costs. */
export const searchShare = 0.8;

/** Everything that is worked out beside the screen: a better plan, what can be promised by it, what another order costs. */
export const planWork = (...asked: Parameters<typeof planWorkSteps>): PlanAnswer => drained(planWorkSteps(...asked));

/** The same, step by step. */
export function* planWorkSteps(
  q: PlanQuestion,
  tell: (share: number, best?: () => PlanEntry[]) => void,
  nowMs?: () => number,
  part?: (p: PlanPart) => void,
): Steps<PlanAnswer> {
  const until = q.budget && nowMs ? nowMs() + q.budget.ms : Infinity;
  const inForce = q.inForce ?? false;
  let { previous } = q;
  if (q.first) {
    const plan = firstPlanOf(q);
    part?.({ plan, promises: null, others: null });
    previous = plan.plan;
  }
  const plan = yield* planSteps(q.bench, {
    iterations: q.iterations,
    seeds: q.seeds,
    previous,
    inForce,
    found: q.found,
    tell: (share, best) => {
      tell(searchShare * share, best);
      return !nowMs || nowMs() < until;
    },
  });
  tell(searchShare, () => plan.plan);
  yield;
  const promises = promisesOf(plan, q.scatters, runsFor(q.runs, q.bench.jobs.length));
  part?.({ plan, promises, others: null });
  tell(0.95, () => plan.plan);
  yield;
  return { plan, promises, others: costOfOthers(plan, q.tries) };
}

export interface PromiseQuestion {
  bench: Bench;
  previous: readonly PlanEntry[];
  scatters: Scatters;
  runs: number;
}

/** When jobs can be promised on a bench that is only being thought about: another route, a job that is not open yet. */
export function promiseWork(q: PromiseQuestion): Simulated {
  return promisesOf(planShop(q.bench, { iterations: 60, seeds: [1], previous: q.previous }), q.scatters, q.runs);
}

export interface RescueQuestion {
  plan: ShopPlan;
  job: string;
  ideas: readonly RescueIdea[];
}

/** Tries the ideas by which a late job could be in time. */
export const rescueWork = (q: RescueQuestion): Rescue[] => rescues(q.plan, q.job, q.ideas, 200, 1);

/** What constraints that people set cost: the plan with them against the plan without. */
export function wishCost(
  withWishes: ShopPlan,
  bench: Bench,
): { tardinessS: number; makespanS: number; jobs: { job: string; laterS: number }[] } {
  const free = planShop(bench, { iterations: 200, seeds: [1], previous: withWishes.plan });
  return {
    tardinessS: Math.max(0, withWishes.objective[0] - free.objective[0]),
    makespanS: withWishes.objective[1] - free.objective[1],
    jobs: Object.entries(withWishes.doneS)
      .map(([job, end]) => ({ job, laterS: end - (free.doneS[job] ?? end) }))
      .filter((j) => Math.abs(j.laterS) >= 60)
      .sort((a, b) => b.laterS - a.laterS),
  };
}
