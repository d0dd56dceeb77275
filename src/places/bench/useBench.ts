import { useRouter, type Href } from 'expo-router';
import { useEffect } from 'react';

import type { Instead } from '@/core/schedule/shopPlan';
import type { NewEvent } from '@/model/event';
import { stageOf } from '@/model/taskNames';
import { useActionsOn } from '@/bench-kit/actions';
import { stageHref } from '@/bench-kit/stageHref';
import { useShopPlan } from '@/bench-kit/useShopPlan';
import { useJobs, useSettings, useShop } from '@/store/shop';
import { useNowAndWake } from '@/bench-kit/useNow';
import { benchItems, type BenchItem } from './benchItems';
import { nextUp } from './nextShown';

/** How often the page is drawn; countdowns move by themselves, and the page where one of them ends. */
const quietMs = 10_000;

/** What stands on the bench: hands needed next, what runs, what waits, and what a press does. */
export function useBench() {
  const router = useRouter();
  const jobs = useJobs();
  const settings = useSettings();
  const [now, wake] = useNowAndWake(quietMs);
  const { shop } = useShop();
  const state = useShopPlan();
  const logOn = useActionsOn();
  const items = benchItems(jobs, settings, now);
  const nextEnd = Math.min(...items.map((i) => (i.dueAt !== null && i.dueAt > now ? i.dueAt : Infinity)));
  useEffect(() => wake(nextEnd), [wake, nextEnd, now]);
  const openJobs = items.filter((i) => i.joint === undefined).length;
  const { next, others, planning } = nextUp(items, state, settings.person, now);
  const rest = items.filter((i) => i.job.id !== next?.job.id || i.joint !== undefined);
  const runs = rest.filter((i) => i.state === 'runs');
  const hands = rest.filter((i) => i.state === 'hands');
  const waits = rest.filter((i) => i.state === 'waits');
  const open = (job: BenchItem['job'], stage = job.stage, joint: string | null = null) =>
    router.push(stageHref(job.id, stage, joint) as Href);
  const begun = next !== null && next.job.works.findLast((w) => w.stage === next.stage)?.to === 'begun';
  const start = () => {
    if (!next) return;
    if (next.start && next.hands && !begun) void logOn(next.job.id, [beginning(next.hands.entry)]);
    open(next.job, next.stage, next.joint ?? null);
  };
  const insteadStart = (o: Instead, because: string) => {
    const entry = state.now?.plan.plan.find((e) => e.job === o.job && e.task === o.task);
    const job = state.now?.shop.jobs.get(o.job);
    if (!entry || !job) return;
    void logOn(o.job, [
      beginning(entry),
      {
        type: 'decision',
        call: 'next',
        inputs: { others: state.answer?.others?.others.map((x) => ({ job: x.job, moreLateS: x.moreLateS })) ?? [] },
        computed: next ? { job: next.job.id, task: next.hands?.entry.task ?? null } : null,
        chosen: { job: o.job, task: o.task },
        ...(because.trim() ? { because: because.trim().slice(0, 500) } : {}),
      },
    ]);
    open(job, stageOf(o.task));
  };
  return {
    router,
    now,
    settings,
    shop,
    state,
    items,
    openJobs,
    next,
    others,
    planning,
    runs,
    hands,
    waits,
    open,
    begun,
    start,
    insteadStart,
  };
}
export type BenchNow = ReturnType<typeof useBench>;

const beginning = (e: { task: string; startS: number; endS: number }): NewEvent => ({
  type: 'work',
  stage: stageOf(e.task),
  to: 'begun',
  // hands are counted up to the moment when the heater goes on, so its own time is no plan for them
  ...(e.task === 'heat' ? {} : { plannedS: Math.max(0, e.endS - e.startS) }),
});
