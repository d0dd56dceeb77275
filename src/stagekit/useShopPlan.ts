import { useEffect, useMemo, useRef, useState } from 'react';

import type { HeatWay } from '@/core/schedule/jobTasks';
import type { PlanAnswer } from '@/core/schedule/planWork';
import { planShop, type ShopPlan } from '@/core/schedule/shopPlan';
import type { PlanEntry } from '@/core/schedule/types';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { useJobs, useSettings } from '@/store/shop';
import { useNow } from '@/ui/useNow';
import { CancelledError, type LongRun } from '@/workers/longRun';
import { betterPlan } from '@/workers/scheduleClient';
import { heatKey, heatWays, needsHeat } from './heatWays';
import { shopBench, type BenchInput, type ShopBench } from './shopBench';
import { bookOf } from './shopDurations';
import { thermalAtHand } from './thermalAtHand';

export interface PlanNow {
  shop: ShopBench;
  plan: ShopPlan;
  input: BenchInput;
}

export interface ShopPlanState {
  /** the plan in force; null when there never was one */
  now: PlanNow | null;
  /** what the worker found by this log and these settings; null while it works for the first time */
  answer: PlanAnswer | null;
  /** share of a better plan that is worked out */
  improving: number | null;
  cancel: () => void;
  /** why what is asked for now cannot be planned; the plan that is shown is the last that could */
  problem: string | null;
}

/** The plan that stands, for every page of this tab: it is kept until a better one is found. */
const standing: { plan: readonly PlanEntry[]; good: PlanNow | null } = { plan: [], good: null };

export const forgetPlan = () => {
  standing.plan = [];
  standing.good = null;
};
export const standingPlan = (): readonly PlanEntry[] => standing.plan;

/** a plan this young is shown again without making it anew */
const freshMs = 14_000;
const iterations = 900;
const seeds = [1, 2, 3];
export const promiseRuns = 2000;

/** A plan at once, from the one that stands; when it breaks a rule the last good one is kept and told with the reason. */
export function planNow(input: BenchInput): { now: PlanNow | null; problem: string | null } {
  const last = standing.good?.input;
  // coming back to a page: nothing has changed, so the plan stands
  if (
    last &&
    last.jobs === input.jobs &&
    last.settings === input.settings &&
    last.heats === input.heats &&
    Math.abs(input.now - last.now) < freshMs &&
    standing.good!.plan.plan === standing.plan
  )
    return { now: standing.good, problem: null };
  try {
    const shop = shopBench(input);
    const plan = planShop(shop.bench, { iterations: 0, seeds: [], previous: standing.plan });
    if (plan.breaches.length) {
      const b = plan.breaches[0]!;
      const label = b.job ? (shop.jobs.get(b.job)?.label ?? b.job) : null;
      return {
        now: standing.good ?? { shop, plan, input },
        problem: `${label ? `${label}: ` : ''}${breachWords[b.what]} (${b.where}). ${standing.good ? 'The last plan that holds is shown.' : 'The plan below does not hold.'}`,
      };
    }
    const now = { shop, plan, input };
    standing.plan = plan.plan;
    standing.good = now;
    return { now, problem: null };
  } catch (e) {
    return {
      now: standing.good,
      problem:
        `${e instanceof Error ? e.message : 'no plan was made'}. ${standing.good ? 'The last plan that holds is shown.' : ''}`.trim(),
    };
  }
}

const breachWords: Record<ShopPlan['breaches'][number]['what'], string> = {
  variant: 'no way of closing it is left',
  tasks: 'a task is missing',
  started: 'something that has started would have to move',
  release: 'something would have to begin too early',
  calendar: 'there is no open time for it',
  window: 'its order or its window cannot be kept',
  capacity: 'more would be needed at once than there is',
};

export function useShopPlan(): ShopPlanState {
  const jobs = useJobs();
  const settings = useSettings();
  const tick = useNow(15_000);
  const heats = useHeats(jobs, settings);
  const book = useMemo(() => bookOf(jobs), [jobs]);
  const [found, setFound] = useState<{ answer: PlanAnswer; jobs: readonly JobState[] } | null>(null);
  const [improving, setImproving] = useState<number | null>(null);
  const run = useRef<LongRun<PlanAnswer> | null>(null);
  // a better plan that was found is taken up by the next plan at once
  const quick = useMemo(() => {
    void found;
    return planNow({ jobs, settings, book, now: tick, heats });
  }, [jobs, settings, book, tick, heats, found]);
  const latest = useRef(quick);
  useEffect(() => {
    latest.current = quick;
  });
  useEffect(() => {
    let over = false;
    const wait = setTimeout(() => {
      const { now, problem } = latest.current;
      if (!now || problem || !now.shop.bench.jobs.length) return;
      const tell = (share: number) => {
        if (!over) setImproving(share);
      };
      try {
        const long = betterPlan(
          {
            bench: now.shop.bench,
            previous: now.plan.plan,
            iterations,
            seeds,
            scatters: now.shop.scatters,
            runs: promiseRuns,
          },
          tell,
        );
        run.current = long;
        long.result
          .then((answer) => {
            if (over) return;
            if (!answer.plan.breaches.length) standing.plan = answer.plan.plan;
            setFound({ answer, jobs });
          })
          .catch((e: unknown) => {
            // given up, or a browser that lets no worker run: the plan at once stands
            if (!(e instanceof CancelledError)) run.current = null;
          })
          .finally(() => {
            over = true;
            setImproving(null);
          });
      } catch {
        setImproving(null);
      }
    }, 350);
    return () => {
      over = true;
      clearTimeout(wait);
      run.current?.cancel();
      run.current = null;
    };
  }, [jobs, settings, heats]);
  return {
    now: quick.now,
    problem: quick.problem,
    answer: found?.answer ?? null,
    improving,
    cancel: () => run.current?.cancel(),
  };
}

const known = new Map<string, HeatWay[]>();

/** Heating times of the jobs that still have to be heated, asked of their heat models one after the other. */
function useHeats(jobs: readonly JobState[], settings: Settings): ReadonlyMap<string, readonly HeatWay[]> {
  const [asked, setAsked] = useState(0);
  const wanted = useMemo(
    () => jobs.filter(needsHeat).map((job) => ({ job, key: heatKey(job, settings) })),
    [jobs, settings],
  );
  useEffect(() => {
    let over = false;
    void (async () => {
      let fresh = false;
      for (const { job, key } of wanted) {
        if (known.has(key)) continue;
        const model = await thermalAtHand(job.device, job.bond).catch(() => null);
        if (over) return;
        known.set(key, model ? safely(() => heatWays(job, settings, model, Date.now())) : []);
        fresh = true;
        // the screen goes first
        await new Promise((done) => setTimeout(done, 0));
      }
      if (fresh && !over) setAsked((n) => n + 1);
    })();
    return () => {
      over = true;
    };
  }, [wanted, settings]);
  return useMemo(() => {
    void asked;
    const found = wanted.flatMap(({ job, key }) => {
      const ways = known.get(key);
      return ways?.length ? [[job.id, ways] as const] : [];
    });
    return sameHeats(found);
  }, [wanted, asked]);
}

let lastHeats: ReadonlyMap<string, readonly HeatWay[]> = new Map();
/** The same answers are the same map, for every page. */
function sameHeats(found: readonly (readonly [string, HeatWay[]])[]): typeof lastHeats {
  const same = lastHeats.size === found.length && found.every(([id, ways]) => lastHeats.get(id) === ways);
  if (!same) lastHeats = new Map(found);
  return lastHeats;
}

function safely(work: () => HeatWay[]): HeatWay[] {
  try {
    return work();
  } catch {
    // a job whose figures no model takes: the estimate stands
    return [];
  }
}
