import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';

import type { HeatWay } from '@/core/schedule/jobTasks';
import { promiseWork, type PlanAnswer } from '@/core/schedule/planWork';
import { planShop, type ShopPlan } from '@/core/schedule/shopPlan';
import type { PlanEntry } from '@/core/schedule/types';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { useJobs, useSettings } from '@/store/shop';
import { nowMs } from '@/store/clock';
import { useNow } from '@/ui/useNow';
import { CancelledError, type LongRun } from '@/workers/longRun';
import { betterPlan } from '@/workers/scheduleClient';
import { heatKey, heatWays, needsHeat } from './heatWays';
import { presentJob } from './present';
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
  /** what the worker found; null while it works for the first time: no end of a job is told before */
  answer: PlanAnswer | null;
  /** the jobs as they were when that was asked */
  answeredFor: readonly JobState[];
  /** share of a better plan that is worked out */
  improving: number | null;
  /** what the last change of the plan moved, and why */
  change: PlanChange | null;
  cancel: () => void;
  /** why what is asked for now cannot be planned; the plan that is shown is the last that could */
  problem: string | null;
}

/** When a plan in force was left for another one: which jobs end at another time, and why. */
export interface PlanChange {
  why: 'noted' | 'better' | 'late';
  jobs: { label: string; fromAt: number; toAt: number }[];
}

interface Snapshot {
  now: PlanNow | null;
  problem: string | null;
  answer: PlanAnswer | null;
  /** the jobs as they were when the answer was asked for */
  answeredFor: readonly JobState[];
  improving: number | null;
  change: PlanChange | null;
}
const nothing: Snapshot = { now: null, problem: null, answer: null, answeredFor: [], improving: null, change: null };

/** Smaller moves of a job's end are not told, ms. */
const toldMs = 5 * 60e3;
/** A task that has not begun so long after its planned instant lets the plan be made anew, s. */
const slipS = 120;
/** Jobs up to which a first plan is made beside the screen, without waiting for the worker. */
const quickJobs = 25;
const iterations = 900;
const seedsPerRound = 3;
const searchMs = 3000;
const settleMs = 350;
export const promiseRuns = 2000;
/** the same without a worker, so that the screen does not stand still */
const runsAlone = 200;

/**
 * The plan in force, for every page of this tab. It changes when something was noted, when something planned did not
 * begin, or when a better one was found that is worth it; what changed is told. Nothing is written while rendering.
 */
class PlanStore {
  snapshot: Snapshot = nothing;
  /** inputs that the answer of the worker belongs to */
  private answered: BenchInput | null = null;
  /** what was given last */
  private offered: BenchInput | null = null;
  private readonly listeners = new Set<() => void>();
  private wait: ReturnType<typeof setTimeout> | null = null;
  private run: LongRun<PlanAnswer> | null = null;
  private round = 0;

  subscribe = (on: () => void): (() => void) => {
    this.listeners.add(on);
    return () => this.listeners.delete(on);
  };
  get = (): Snapshot => this.snapshot;

  private set(change: Partial<Snapshot>): void {
    this.snapshot = { ...this.snapshot, ...change };
    for (const on of this.listeners) on();
  }

  forget(): void {
    this.cancel();
    if (this.wait) clearTimeout(this.wait);
    this.wait = null;
    this.answered = null;
    this.offered = null;
    this.round = 0;
    this.snapshot = nothing;
  }

  cancel = (): void => {
    this.run?.cancel();
    this.run = null;
    if (this.snapshot.improving !== null) this.set({ improving: null });
  };

  /** What is so now; a page gives it, and the same again changes nothing. */
  offer(input: BenchInput): void {
    const last = this.offered;
    const same =
      last &&
      sameJobs(last.jobs, input.jobs) &&
      sameSettings(last.settings, input.settings) &&
      last.heats === input.heats;
    // a plan that stays behind is looked at once per instant, or a problem would ask for itself for ever
    if (same && (!this.snapshot.now || last.now === input.now || !slipped(this.snapshot.now, input.now))) return;
    this.offered = input;
    const { now: before } = this.snapshot;
    const r = planNow(input, before, this.answered !== null);
    this.set({
      now: r.now,
      problem: r.problem,
      ...(before && r.now && r.now !== before ? { change: changeOf(before, r.now, same ? 'late' : 'noted') } : {}),
    });
    if (r.problem || !r.now?.shop.bench.jobs.length) return;
    this.search(input);
  }

  /** Looks for a better plan in the worker, from the one that stands, with seeds of its own each time. */
  private search(input: BenchInput): void {
    this.cancel();
    if (this.wait) clearTimeout(this.wait);
    this.wait = setTimeout(() => {
      this.wait = null;
      const { now } = this.snapshot;
      if (!now) return;
      const inForce = this.answered !== null;
      const first = seedsPerRound * this.round++;
      let over = false;
      try {
        const run = betterPlan(
          {
            bench: now.shop.bench,
            previous: now.plan.plan,
            iterations,
            seeds: Array.from({ length: seedsPerRound }, (_, k) => first + k + 1),
            scatters: now.shop.scatters,
            runs: promiseRuns,
            inForce,
            budget: { ms: searchMs },
          },
          (share) => {
            if (!over && this.run === run) this.set({ improving: share });
          },
        );
        this.run = run;
        run.result
          .then((answer) => {
            if (this.run !== run) return;
            this.take(input, now, answer);
          })
          .catch((e: unknown) => {
            if (!(e instanceof CancelledError) && this.run === run) this.alone(input, now);
          })
          .finally(() => {
            over = true;
            if (this.run !== run) return;
            this.run = null;
            this.set({ improving: null });
          });
      } catch {
        this.set({ improving: null });
        this.alone(input, now);
      }
    }, settleMs);
  }

  /** A browser that lets no worker run: the plan at once stands, and what can be promised is worked out here, with fewer runs. */
  private alone(input: BenchInput, now: PlanNow): void {
    this.answered = input;
    const { bench, scatters } = now.shop;
    const promises = promiseWork({ bench, previous: now.plan.plan, scatters, runs: runsAlone });
    this.set({ answer: { plan: now.plan, promises, others: null }, answeredFor: input.jobs });
  }

  private take(input: BenchInput, from: PlanNow, answer: PlanAnswer): void {
    const firstTime = this.answered === null;
    this.answered = input;
    if (this.snapshot.now !== from) return;
    if (answer.plan.breaches.length) return this.set({ answer, answeredFor: input.jobs });
    const now = { ...from, plan: answer.plan };
    this.set({
      answer,
      answeredFor: input.jobs,
      now,
      ...(firstTime ? {} : { change: changeOf(from, now, 'better') ?? this.snapshot.change }),
    });
  }
}

const store = new PlanStore();
export const forgetPlan = (): void => store.forget();
export const standingPlan = (): readonly PlanEntry[] => store.snapshot.now?.plan.plan ?? [];

/** Jobs by their logs: a list made anew of the same states is the same. */
const sameJobs = (a: readonly JobState[], b: readonly JobState[]): boolean =>
  a === b ||
  (a.length === b.length &&
    a.every((j, i) => {
      const k = b[i]!;
      return j === k || (j.id === k.id && j.lastEventId === k.lastEventId && j.effective.length === k.effective.length);
    }));
const sameSettings = (a: Settings, b: Settings): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

/** Has a task that was planned to begin not begun, so that what is planned cannot be any more. */
function slipped(p: PlanNow, now: number): boolean {
  const nowS = (now - p.shop.originAt) / 1e3;
  const begun = new Set(p.plan.bench.started.map((x) => `${x.job}|${x.task}`));
  return p.plan.plan.some((e) => !begun.has(`${e.job}|${e.task}`) && e.startS + slipS < nowS);
}

/** Jobs whose end moved by more than a few minutes. */
function changeOf(before: PlanNow, after: PlanNow, why: PlanChange['why']): PlanChange | null {
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

/** A plan at once, from the one that stands; when it breaks a rule the last good one is kept and told with the reason. */
export function planNow(
  input: BenchInput,
  standing: PlanNow | null = null,
  inForce = false,
): { now: PlanNow | null; problem: string | null } {
  try {
    const shop = shopBench(input);
    const plan = planShop(shop.bench, {
      iterations: 0,
      seeds: [],
      ...(standing ? { previous: standing.plan.plan } : {}),
      inForce: inForce && standing !== null && shop.bench.jobs.length <= quickJobs * 40,
    });
    if (plan.breaches.length) {
      const b = plan.breaches[0]!;
      const label = b.job ? (shop.jobs.get(b.job)?.label ?? b.job) : null;
      return {
        now: standing ?? { shop, plan, input },
        problem: `${label ? `${label}: ` : ''}${breachWords[b.what]} (${b.where}). ${standing ? 'The last plan that holds is shown.' : 'The plan below does not hold.'}`,
      };
    }
    return { now: { shop, plan, input }, problem: null };
  } catch (e) {
    return {
      now: standing,
      problem:
        `${e instanceof Error ? e.message : 'no plan was made'}. ${standing ? 'The last plan that holds is shown.' : ''}`.trim(),
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
  useEffect(() => store.offer({ jobs, settings, book, now: tick, heats }), [jobs, settings, book, tick, heats]);
  const snap = useSyncExternalStore(store.subscribe, store.get, store.get);
  return { ...snap, cancel: store.cancel };
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
        const here = presentJob(job);
        const model = await thermalAtHand(here.device, here.bond).catch(() => null);
        if (over) return;
        known.set(key, model ? safely(() => heatWays(job, settings, model, nowMs())) : []);
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
