import { useEffect, useRef, useState } from 'react';

import { roundUpQuarter } from '@/core/schedule/promiseParts';
import type { Simulated } from '@/core/schedule/simulate';
import type { JobState } from '@/model/fold';
import { askPromises } from '@/workers/scheduleClient';
import { shopBench, type CureWay } from '@/work/bench/shopBench';
import { promiseRuns } from './planStore';
import type { ShopPlanState } from './useShopPlan';

/** Quantiles of a job's end as instants, and what may be said to the customer. */
export interface Promised {
  p50At: number;
  p80At: number;
  p95At: number;
  /** twenty instants of equal chance, rising */
  spreadAt: number[];
  /** four of five, rounded up to a quarter of an hour */
  sayAt: number;
}

export function promisedOf(sim: Simulated | undefined, jobId: string, originAt: number): Promised | null {
  const j = sim?.jobs.find((x) => x.job === jobId);
  if (!j || !Number.isFinite(j.p95S) || j.p80S > 1e11) return null;
  const at = (s: number) => originAt + s * 1e3;
  return {
    p50At: at(j.p50S),
    p80At: at(j.p80S),
    p95At: at(j.p95S),
    spreadAt: j.spreadS.map(at),
    sayAt: roundUpQuarter(at(j.p80S)),
  };
}

/** What can be promised for a job by the plan in force; null until it is worked out. */
export const promiseOf = (state: ShopPlanState, jobId: string): Promised | null =>
  state.now ? promisedOf(state.answer?.promises, jobId, state.now.shop.originAt) : null;

/** A pick-up time that was told moves only by so much, ms; less is not worth saying something else. */
const steadyMs = 30 * 60e3;

export interface SteadyPromise extends Promised {
  /** what was told before, when other work on the bench moved it; null: nothing else was told */
  wasAt: number | null;
}

/**
 * What can be said of a job, and stays: it changes with the job's own log, or when the bench moved it by half an hour or
 * more, and then what was said before is told with it. Null until the queue is counted.
 */
export function useSteadyPromise(state: ShopPlanState, job: JobState): SteadyPromise | null {
  const event = job.lastEventId ?? '';
  const counted = state.answeredFor.some((j) => j.id === job.id && (j.lastEventId ?? '') === event);
  const fresh = counted ? promiseOf(state, job.id) : null;
  const [told, setTold] = useState<{ jobId: string; event: string; promise: SteadyPromise } | null>(null);
  const before = told?.jobId === job.id ? told : null;
  if (!fresh) return before?.promise ?? null;
  const same = before?.event === event;
  const moved = before !== null && Math.abs(fresh.sayAt - before.promise.sayAt) >= steadyMs;
  if (before && same && !moved) return before.promise;
  const promise: SteadyPromise = { ...fresh, wasAt: before && same ? before.promise.sayAt : null };
  // what was told is kept for the next look (React's way of keeping a previous value)
  setTold({ jobId: job.id, event, promise });
  return promise;
}

export interface RouteIdea {
  id: string;
  closedBy: CureWay;
  /** hands-on time against the job's own route */
  stretch: number;
}

/** What could be promised on other routes of a job, each planned with everything else on the bench. */
export function usePromises(
  state: ShopPlanState,
  job: JobState,
  ideas: readonly RouteIdea[],
): ReadonlyMap<string, Promised> {
  const [told, setTold] = useState<{ key: string; by: ReadonlyMap<string, Promised> } | null>(null);
  const { now, answer } = state;
  const key = `${job.id}|${job.lastEventId}|${ideas.map((i) => `${i.id}:${i.closedBy}:${i.stretch.toFixed(3)}`).join()}|${answer ? answer.plan.made : 0}`;
  const latest = useRef({ now, ideas });
  useEffect(() => {
    latest.current = { now, ideas };
  });
  const planned = now !== null;
  // asked again when the job, its routes or the plan change, not with every tick of the clock
  useEffect(() => {
    const { now, ideas } = latest.current;
    if (!planned || !now || !ideas.length) return;
    let over = false;
    const benches = ideas.map((i) =>
      shopBench({ ...now.input, ways: new Map([[job.id, [i.closedBy]]]), stretch: new Map([[job.id, i.stretch]]) }),
    );
    const long = askPromises(
      benches.map((b) => ({ bench: b.bench, previous: now.plan.plan, scatters: b.scatters, runs: promiseRuns })),
    );
    long.result.then(
      (list) => {
        if (over) return;
        setTold({
          key,
          by: new Map(
            list.flatMap((sim, k) => {
              const p = promisedOf(sim, job.id, benches[k]!.originAt);
              return p ? [[ideas[k]!.id, p] as const] : [];
            }),
          ),
        });
      },
      () => {
        // given up: the estimate stands
      },
    );
    return () => {
      over = true;
      long.cancel();
    };
  }, [key, job.id, planned]);
  return told?.by ?? none;
}
const none: ReadonlyMap<string, Promised> = new Map();
