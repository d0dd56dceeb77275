import { benchJob } from '@/core/schedule/jobTasks';
import { DurationBook } from '@/core/schedule/learned';
import { planShop } from '@/core/schedule/shopPlan';
import { demoJobs, demoSettings } from '@/demo/shop';
import { jobWork } from '@/work/bench/jobWork';
import { shopBench } from '@/work/bench/shopBench';
import { bookOf, usualS } from '@/work/bench/shopDurations';
import { eventsOn } from '../../test-support/dayOf';
import { parseEvent, type JobEvent, type NewEvent } from './event';
import { foldJob } from './fold';
import type { StageDef } from './stageDefs';
import { usualMinutes, type StageId } from './stages';
import { stageName, taskName, taskTitle } from '../words/stageWords';
import { nextStep, placeOn, plainWay } from './way';

// one stage more, by its definition and its place alone: nothing else of the application is touched
jest.mock('./stageIds', () => {
  const { stageIds } = jest.requireActual<{ stageIds: readonly string[] }>('./stageIds');
  return { stageIds: stageIds.flatMap((s) => (s === 'clean' ? ['clean', 'polish'] : [s])) };
});
jest.mock('./stageDefs', () => {
  const { stageDefs } = jest.requireActual<{ stageDefs: object }>('./stageDefs');
  const made = (value: number) => ({ value, source: { kind: 'judgement', note: 'made up for this test' } }) as const;
  const polish: StageDef = {
    name: 'Polish',
    atJoint: true,
    hands: true,
    runsAfter: null,
    waitsFor: 'for hands',
    needless: (job) => job.route?.work === 'openClose',
    tasks: { polish: { name: 'Polish', verb: 'Polish', learned: true } },
    work: { how: 'hands', task: 'polish', breakable: true },
    minutes: { p50: made(6), p90: made(11), ofRoute: true },
  };
  return { stageDefs: { ...stageDefs, polish } };
});

const polish = 'polish' as StageId;
const t0 = Date.UTC(2026, 3, 14, 13);
const logs = demoJobs(t0);
const opened = logs[0]!.find((e) => e.type === 'opened')!;
const route = logs.flat().find((e) => e.type === 'jobRoute' && e.work === 'glassOnly') as JobEvent & {
  type: 'jobRoute';
};

/** A new job on the way of this version, with some stages done. */
function job(done: readonly StageId[], more: readonly NewEvent[] = []) {
  const begin = { ...opened, at: t0, steps: plainWay(opened.bondId) } as JobEvent;
  const { v: _v, id: _i, jobId: _j, writer: _w, seq: _s, at: _a, loggedAt: _l, by: _b, ...way } = route;
  const list: NewEvent[] = [
    way as NewEvent,
    ...done.map((stage) => ({ type: 'stage', stage, to: 'done' }) as NewEvent),
    ...more,
  ];
  return foldJob([begin, ...eventsOn(opened.jobId, 'w', 1, t0 + 1000, 'Mirel', list)])!;
}
const toClean: StageId[] = ['intake', 'heat', 'lift', 'strip', 'clean'];

it('stands on the way of new jobs in its place; jobs of before keep their ten steps and are not moved', () => {
  expect(plainWay('b').map((s) => s.key)).toContain('polish@b');
  expect([placeOn(plainWay('b'), polish, 'b'), plainWay('b').length]).toEqual([6, 11]);
  for (const log of logs) {
    const old = foldJob(log)!;
    expect(old.way).toHaveLength(10);
    expect(old.stages[polish]).toBe('skipped');
    expect(old.stage).not.toBe('polish');
  }
});

it('comes next when the step before is done, is done by its entry, and is skipped where its definition says so', () => {
  const before = job(toClean);
  expect([before.stage, nextStep(before, 'clean')?.stage]).toEqual(['polish', 'polish']);
  const after = job([...toClean, polish]);
  expect([after.stages[polish], after.stage]).toEqual(['done', 'dryFit']);
  const open = { ...route, work: 'openClose' } as NewEvent;
  expect(job(toClean, [open]).stages[polish]).toBe('skipped');
});

it('has its name, its verb and its minutes', () => {
  expect([stageName(polish), taskName('polish'), taskTitle('polish', 'J-1')]).toEqual([
    'Polish',
    'Polish',
    'Polish J-1',
  ]);
  // the ten of before come to 64 minutes without stripping
  expect(usualMinutes).toBe(64 + 6);
  const kind = `${job([]).face.construction}/glassOnly`;
  expect(usualS('polish', kind).p50 / usualS('clean', kind).p50).toBeCloseTo(6 / 14, 9);
  expect(usualS('polish', kind).p90 / usualS('polish', kind).p50).toBeCloseTo(11 / 6, 9);
});

it('is work of the schedule between the one before and the one after, learned like every other', () => {
  const own = job(toClean.slice(0, 4));
  const shop = shopBench({ jobs: [own], settings: demoSettings, book: bookOf([own]), now: t0 });
  const { plan, breaches } = planShop(shop.bench, { iterations: 0, seeds: [] });
  expect(breaches).toEqual([]);
  const tasks = plan.filter((e) => e.job === own.id).sort((a, b) => a.startS - b.startS);
  const at = tasks.findIndex((e) => e.task === 'polish');
  expect([tasks[at - 1]!.task, tasks[at + 1]!.task]).toEqual(['clean', 'dryFit']);
  const lasts = tasks[at]!.endS - tasks[at]!.startS;
  expect(lasts).toBeGreaterThan(60);
  // somebody is at it, and by whom it is wished
  const begun = job(toClean, [{ type: 'work', stage: polish, to: 'begun' }]);
  const frame = {
    names: ['Mirel'],
    working: new Map([['Mirel', begun.id]]),
    s: (a: number) => (a - t0) / 1e3,
    nowS: 60,
  };
  const work = jobWork(
    begun,
    { jobs: [begun], settings: demoSettings, book: new DurationBook([], usualS), now: t0 },
    frame,
  );
  expect(work.going.map((g) => g.task)).toEqual(['polish']);
  const things = { people: ['Mirel'], personOf: String, heaterOf: String, shelf: null, tester: null };
  expect(benchJob(work, things).started.map((s) => s.task)).toEqual(['polish']);
});

it('is stored and read: its entries, and wishes for its task', () => {
  const base = { ...opened, id: 'x1', seq: 7 };
  const { type: _t, ...envelope } = {
    v: base.v,
    id: 'x1',
    jobId: base.jobId,
    writer: 'w',
    seq: 7,
    at: t0,
    loggedAt: t0,
    by: 'x',
    type: '',
  };
  for (const e of [
    { type: 'work', stage: 'polish', to: 'begun' },
    { type: 'stage', stage: 'polish', to: 'done' },
    { type: 'planWish', task: 'polish', kind: 'who', wishAt: null, person: 'Mirel', heater: null },
  ]) {
    const read = parseEvent(JSON.parse(JSON.stringify({ ...envelope, ...e })));
    expect(read.ok && read.value).toMatchObject(e);
  }
});
