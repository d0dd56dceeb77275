import { nextHands } from '@/core/schedule/nextHands';
import { randomOf } from '@/core/numeric/random';
import { roundUpQuarter } from '@/core/schedule/promiseParts';
import { promisesOf } from '@/core/schedule/promise';
import { planShop, type ShopPlan } from '@/core/schedule/shopPlan';
import type { PlanEntry } from '@/core/schedule/types';
import { demoHistory } from '@/demo/history';
import { demoSettings } from '@/demo/shop';
import type { JobEvent, NewEvent } from '@/model/event';
import { foldJob, type JobState } from '@/model/fold';
import { stageOf } from '@/model/taskNames';
import { counterJob, eventsOn, notedAfter, offTheHeater } from '../../../test-support/dayOf';
import { bareId, shopBench } from './shopBench';
import { bookOf } from './shopDurations';

const t0 = new Date(2026, 3, 14, 8, 0).getTime();
const min = 60_000;
const readyInS = 70;
const gripsInS = 80;
const heats = [{ heater: 'plate', held: true, heatS: readyInS, windowS: gripsInS, reheatS: 45 }];
const canWait = ['intake', 'clean', 'dryFit', 'check', 'handover'];
const book = bookOf(demoHistory(t0).map((l) => foldJob(l)!));

interface Day {
  jobs: JobState[];
  /** seconds from "soft enough" to the lift, by job: never more than the window */
  waits: number[];
  inserted: number;
  /** tasks that had begun and that a later plan moved */
  moved: string[];
  breaches: number;
  endAt: number;
  promised: Map<string, number>;
}

/**
 * A day worked by its plan: each person does what the plan says next, everything takes its own time, and after everything that
 * happens the plan is made anew from the log alone.
 */
function work(
  seed: number,
  things: { at: number; run: (day: { add: (l: JobEvent[]) => void }) => void }[],
  slow: { job: string; task: string; times: number } | null,
): Day {
  const logs = new Map<string, JobEvent[]>();
  for (const s of [
    counterJob(1, t0, 'ring61', 210),
    counterJob(2, t0, 'ring54', 300),
    counterJob(3, t0 + 1, 'ring61', 420),
    counterJob(4, t0 + 2, 'ring54', null),
    counterJob(5, t0 + 3, 'tablet10', 540),
  ])
    logs.set(s.events[0]!.jobId, [...s.events]);
  const random = randomOf(seed);
  const out: Day = { jobs: [], waits: [], inserted: 0, moved: [], breaches: 0, endAt: 0, promised: new Map() };
  const busy = new Map<string, { entry: PlanEntry; untilAt: number }>();
  const readyAt = new Map<string, number>();
  let seq = 0;
  let previous: readonly PlanEntry[] = [];
  const note = (jobId: string, at: number, by: string, list: readonly NewEvent[]) => {
    const made = eventsOn(jobId, 'day', seq, at, by, list);
    seq += made.length;
    logs.set(jobId, [...logs.get(jobId)!, ...made]);
  };
  const left = [...things];
  let now = t0 + 60_000;
  let started = new Map<string, number>();
  for (let round = 0; round < 900; round++) {
    while (left.length && left[0]!.at <= now) left.shift()!.run({ add: (l) => void logs.set(l[0]!.jobId, [...l]) });
    for (const [person, b] of [...busy])
      if (b.untilAt <= now) {
        busy.delete(person);
        if (b.entry.task === 'standBy') continue;
        const events = notedAfter(b.entry.task === 'heat' ? 'load' : b.entry.task, { readyInS, widthMm: 1.8 });
        note(b.entry.job, now, person, events);
        // a short heat is waited for
        if (events.some((e) => e.type === 'heatOn')) {
          readyAt.set(b.entry.job, now + readyInS * 1e3);
          busy.set(person, { entry: { ...b.entry, task: 'standBy' }, untilAt: now + readyInS * 1e3 });
        }
      }
    let again = false;
    const jobs = [...logs.values()].map((l) => foldJob(l)!);
    if (!left.length && jobs.every((j) => j.closedAt !== null)) {
      out.jobs = jobs;
      out.endAt = now;
      return out;
    }
    const shop = shopBench({ jobs, settings: demoSettings, book, now, heats: new Map(jobs.map((j) => [j.id, heats])) });
    const p: ShopPlan = planShop(shop.bench, { iterations: 0, seeds: [], previous });
    previous = p.plan;
    out.breaches += p.breaches.length;
    out.inserted += p.inserted.length;
    const s = (at: number) => (at - shop.originAt) / 1e3;
    // what has begun stays where it began
    const begun = new Map(shop.bench.started.map((x) => [`${x.job}|${x.task}`, x.startS]));
    for (const [key, startS] of started) {
      const e = p.plan.find((x) => `${x.job}|${x.task}` === key);
      // a heat counts from the moment when the heater goes on
      if (e && e.task !== 'heat' && begun.has(key) && Math.abs(e.startS - startS) > 1) out.moved.push(key);
    }
    started = begun;
    for (const job of jobs)
      if (!out.promised.has(job.id)) {
        const sim = promisesOf(p, shop.scatters, 300, 5).jobs.find((x) => x.job === job.id);
        if (sim) out.promised.set(job.id, roundUpQuarter(shop.originAt + sim.p80S * 1e3));
      }
    // the plate calls and nobody is free: whoever does what can wait lays it aside, as the Bench tells them
    for (const [jobId, at] of readyAt) {
      if (at > now || busy.size < 2 || [...busy.values()].some((b) => b.entry.job === jobId && b.entry.task === 'lift'))
        continue;
      const [person, b] = [...busy].find(([, x]) => canWait.includes(x.entry.task)) ?? [];
      if (!person || !b) continue;
      note(b.entry.job, now, person, [{ type: 'work', stage: stageOf(b.entry.task), to: 'aside' }]);
      busy.delete(person);
      again = true;
    }
    if (again) continue;
    for (const n of nextHands(p)) {
      const person = bareId(n.person);
      if (busy.has(person) || n.entry.startS > s(now) + 1) continue;
      const { entry } = n;
      const planned = entry.endS - entry.startS - (entry.task === 'heat' ? readyInS : 0);
      const times =
        slow && slow.job === entry.job && slow.task === entry.task
          ? slow.times
          : Math.exp(0.25 * (random() + random() + random() - 1.5));
      if (entry.task === 'lift') {
        out.waits.push((now - readyAt.get(entry.job)!) / 1e3);
        readyAt.delete(entry.job);
        note(entry.job, now, person, offTheHeater(gripsInS));
      }
      note(entry.job, now, person, [{ type: 'work', stage: stageOf(entry.task), to: 'begun', plannedS: planned }]);
      busy.set(person, { entry, untilAt: now + Math.round(planned * times) * 1e3 });
    }
    // on to whatever comes next: something ends, or the plan has somebody begin
    const next = [
      ...[...busy.values()].map((b) => b.untilAt),
      ...nextHands(p)
        .filter((n) => !busy.has(bareId(n.person)))
        .map((n) => shop.originAt + n.entry.startS * 1e3),
      ...left.map((l) => l.at),
      ...readyAt.values(),
      now + 10 * min,
    ].filter((t) => t > now);
    now = Math.min(...next);
  }
  throw new Error('the day did not end');
}

const walkIn = {
  at: t0 + 95 * min,
  run: ({ add }: { add: (l: JobEvent[]) => void }) =>
    add(counterJob(6, t0 + 95 * min, 'ring54', null).events as JobEvent[]),
};

describe('a day with five jobs, a walk-in and an overrun', () => {
  it.each([1, 2, 3])(
    'is worked to its end by its plan, seed %i: no window is missed, nothing that has begun is moved',
    (seed) => {
      const day = work(seed, [walkIn], { job: 'day-2', task: 'clean', times: 3 });
      expect(day.jobs).toHaveLength(6);
      expect(day.breaches).toBe(0);
      expect(day.moved).toEqual([]);
      expect(day.waits).toHaveLength(6);
      // two lifts may fall together when the scatter is unkind: then a reheat is put in and the lift still is in its window
      expect(Math.max(...day.waits)).toBeLessThanOrEqual(gripsInS);
      expect(day.inserted).toBe(0);
      const late = day.jobs.filter((j) => j.promiseAt !== null && j.closedAt! > j.promiseAt);
      expect(late.map((j) => j.label)).toEqual([]);
    },
  );

  it('the promise for the walk-in is made when it comes in, and kept', () => {
    const kept = [1, 2, 3, 4, 5].filter((seed) => {
      const day = work(seed, [walkIn], null);
      const job = day.jobs.find((j) => j.id === 'day-6')!;
      expect(day.promised.get('day-6')!).toBeGreaterThan(t0 + 95 * min);
      return job.closedAt! <= day.promised.get('day-6')!;
    });
    // four of five is what is promised
    expect(kept.length).toBeGreaterThanOrEqual(4);
  });
});
