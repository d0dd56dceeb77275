import fc from 'fast-check';

import { needsOf } from './benchParts';
import { stageDefs, stageIds } from '../../model/stages';
import { taskIds } from '../../model/taskNames';
import { benchJob, taskFigures, type JobWork, type TaskId } from './jobTasks';
import { DurationBook } from './learned';
import { merged, openSpans, personSpans, without } from '../../model/openHours';
import { roundUpQuarter, scatterKey } from './promiseParts';
import { runsFor } from './planWork';
import { promisesOf } from './promise';
import { insteadOf, planShop } from './shopPlan';
import { rescues } from './rescues';
import type { Bench } from './types';

const things = {
  people: ['A', 'B'],
  personOf: (p: string) => `person:${p}`,
  heaterOf: (h: string) => `heater:${h}`,
  shelf: 'shelf',
  tester: null,
};
const minutes: Partial<Record<TaskId, number>> = {
  intake: 5,
  load: 2,
  lift: 10,
  clean: 15,
  dryFit: 4,
  bond: 9,
  check: 12,
  handover: 4,
};
const noStrip = new Set<TaskId>(taskIds.filter((t) => t !== 'strip'));
const work = (over: Partial<JobWork>): JobWork => ({
  id: 'J1',
  steps: stageIds.map((s) => stageDefs[s].work),
  releaseS: 0,
  dueS: 4 * 3600,
  weight: 1,
  left: noStrip,
  handsS: (t, p) => (minutes[t] ?? 3) * 60 * (p === 'B' ? 1.2 : 1),
  heats: [{ heater: 'plate', held: false, heatS: 120, windowS: 90, reheatS: 70 }],
  ways: [
    { id: 'tape', openS: null, clamp: { resource: 'clip', n: 12 }, clampOffS: 1800, buildS: 1800, handOverS: 3600 },
  ],
  partS: null,
  partFirst: true,
  going: [],
  handOverFromS: null,
  wishes: [],
  ...over,
});
const bead = {
  id: 'bead' as const,
  openS: { min: 60, max: 180 },
  clamp: { resource: 'clip', n: 12 },
  clampOffS: 3600,
  buildS: 7200,
  handOverS: 6 * 3600,
};

function shop(works: readonly JobWork[], over: Partial<Bench> = {}): Bench {
  const jobs = works.map((w) => benchJob(w, things));
  return {
    originS: 0,
    nowS: 0,
    calendars: {
      open: [
        [0, 12 * 3600],
        [24 * 3600, 36 * 3600],
        [48 * 3600, 60 * 3600],
      ],
    },
    resources: [
      { id: 'person:A', kind: 'technician', capacity: 1, calendar: 'open' },
      { id: 'person:B', kind: 'technician', capacity: 1, calendar: 'open' },
      { id: 'heater:plate', kind: 'heater', capacity: 1 },
      { id: 'clip', kind: 'clamp', capacity: 24 },
      { id: 'shelf', kind: 'shelf', capacity: 2 },
    ],
    jobs: jobs.map((j) => j.job),
    started: jobs.flatMap((j) => j.started),
    ...over,
  };
}
const quick = { iterations: 0, seeds: [] };
const at = (p: ReturnType<typeof planShop>, job: string, task: string) =>
  p.plan.find((e) => e.job === job && e.task === task)!;

describe('a job as tasks', () => {
  it('tape: the window after the heat, clamps held until they are taken off, and the hand-over clock', () => {
    const p = planShop(shop([work({})]), quick);
    expect(p.breaches).toEqual([]);
    expect(p.plan.map((e) => e.task)).toEqual([
      'intake',
      'load',
      'heat',
      'lift',
      'clean',
      'dryFit',
      'bond',
      'clamped',
      'unclamp',
      'check',
      'handover',
    ]);
    expect(at(p, 'J1', 'lift').startS - at(p, 'J1', 'heat').endS).toBeLessThanOrEqual(90);
    expect(at(p, 'J1', 'handover').startS).toBe(at(p, 'J1', 'bond').endS + 3600);
    expect(p.quality.kind).toBe('best');
  });

  it('bead: closed within its open time, cured on the shelf, handed over after its clock', () => {
    const p = planShop(shop([work({ ways: [bead] })]), quick);
    const wait = at(p, 'J1', 'close').startS - at(p, 'J1', 'bond').endS;
    expect(wait).toBeGreaterThanOrEqual(60);
    expect(wait).toBeLessThanOrEqual(180);
    expect(at(p, 'J1', 'close').endS - at(p, 'J1', 'close').startS).toBe(taskFigures.closeS.value);
    expect(at(p, 'J1', 'cure').endS - at(p, 'J1', 'cure').startS).toBe(3600);
    expect(at(p, 'J1', 'handover').startS).toBeGreaterThanOrEqual(at(p, 'J1', 'close').endS + 6 * 3600);
  });

  it('two ways: the one that is in time is taken, and what has begun leaves the choice open', () => {
    const going = [{ task: 'intake' as const, startS: 0, endS: 300, person: 'B', heater: null }];
    const p = planShop(shop([work({ ways: [bead, work({}).ways[0]!], going })]), quick);
    expect(new Set(p.plan.map((e) => e.variant))).toEqual(new Set(['tape']));
    expect(at(p, 'J1', 'intake')).toMatchObject({ startS: 0, endS: 300, mode: 1 });
    expect(p.breaches).toEqual([]);
  });

  it('a part that comes later keeps the device closed, or only the fit waits for it', () => {
    const partS = 3 * 3600;
    const closed = planShop(shop([work({ partS })]), quick);
    expect(at(closed, 'J1', 'load').startS).toBe(partS);
    const open = planShop(shop([work({ partS, partFirst: false })]), quick);
    expect(at(open, 'J1', 'load').startS).toBeLessThan(partS);
    expect(at(open, 'J1', 'dryFit').startS).toBe(partS);
  });

  it('hot air is held by a person all the while', () => {
    const p = planShop(
      shop([work({ heats: [{ heater: 'plate', held: true, heatS: 150, windowS: 30, reheatS: 60 }] })]),
      quick,
    );
    const heat = at(p, 'J1', 'heat');
    const mode = p.bench.jobs[0]!.variants[0]!.tasks.find((t) => t.id === 'heat')!.modes[heat.mode]!;
    expect(Object.keys(mode.use).sort()).toEqual(['heater:plate', expect.stringMatching(/^person:/)]);
  });

  it('wishes: not before, by whom, and pinned', () => {
    const none = { notBeforeS: null, pinnedS: null, person: null, heater: null };
    const p = planShop(
      shop([
        work({
          wishes: [
            { task: 'clean', ...none, notBeforeS: 7200, person: 'B' },
            { task: 'check', ...none, pinnedS: 5 * 3600 },
          ],
        }),
      ]),
      quick,
    );
    expect(at(p, 'J1', 'clean').startS).toBe(7200);
    const clean = p.bench.jobs[0]!.variants[0]!.tasks.find((t) => t.id === 'clean')!;
    expect(clean.modes.map((m) => Object.keys(m.use))).toEqual([['person:B']]);
    expect(at(p, 'J1', 'check').startS).toBe(5 * 3600);
    expect(p.breaches).toEqual([]);
    // pinned before what must come before it: the checker says so
    const no = planShop(shop([work({ wishes: [{ task: 'check', ...none, pinnedS: 600 }] })]), quick);
    expect(no.breaches.map((b) => b.what)).toContain('window');
  });
});

describe('a plan of the whole bench', () => {
  const many = () =>
    shop([
      work({ id: 'J1', dueS: 5400 }),
      work({ id: 'J2', dueS: 6 * 3600, ways: [bead, work({}).ways[0]!] }),
      work({ id: 'J3', dueS: 3 * 3600 }),
      work({ id: 'J4', dueS: 8 * 3600, handsS: () => 1500 }),
    ]);

  it('never gets worse with more tries, is the same for the same seeds, and always holds', () => {
    const first = planShop(many(), quick);
    const better = planShop(many(), { iterations: 300, seeds: [1, 2, 3] });
    expect(better.objective[0]).toBeLessThanOrEqual(first.objective[0]);
    expect(planShop(many(), { iterations: 300, seeds: [1, 2, 3] }).plan).toEqual(better.plan);
    expect([first.breaches, better.breaches]).toEqual([[], []]);
  });

  it('a plan that stands is kept when nothing changed', () => {
    const p = planShop(many(), { iterations: 200, seeds: [1] });
    expect(planShop(many(), { ...quick, previous: p.plan }).plan).toEqual(p.plan);
  });

  it('another job first: costs something, and the cost is what planning it again gives', () => {
    const p = planShop(many(), { iterations: 300, seeds: [1] });
    const [first] = p.plan.filter((e) => e.startS === 0 && e.job === 'J1');
    const [a] = insteadOf(p, { job: first!.job, task: first!.task }, [{ job: 'J4', task: 'intake' }]);
    const e = at(p, 'J4', 'intake');
    // begun now by the hands of the first, and all else planned again
    const mode = p.bench.jobs
      .find((j) => j.id === 'J4')!
      .variants[0]!.tasks.find((t) => t.id === 'intake')!
      .modes.findIndex((m) => Object.keys(m.use).some((r) => Object.keys(needsOf(p.bench, first!)).includes(r)));
    const started = {
      job: 'J4',
      task: 'intake',
      mode: Math.max(0, mode),
      startS: p.bench.nowS,
      endS: p.bench.nowS + e.endS - e.startS,
    };
    const again = planShop(
      { ...p.bench, started: [...p.bench.started, started] },
      { iterations: 150, seeds: [1], previous: p.plan },
    );
    expect(a!.moreLateS).toBe(again.objective[0] - p.objective[0]);
  });

  it('a job that is late: what helps is found by trying it', () => {
    const p = planShop(shop([work({ id: 'J1', dueS: 3 * 3600, ways: [bead] })]), quick);
    expect(p.late).toHaveLength(1);
    const tape = shop([work({ id: 'J1', dueS: 3 * 3600 })]);
    const [r] = rescues(
      p,
      'J1',
      [
        { id: 'otherWay', what: 'tape', bench: tape },
        { id: 'first', what: '', bench: p.bench },
      ],
      50,
      1,
    );
    expect(r).toMatchObject({ id: 'otherWay', tardinessS: 0, costs: [] });
    expect(rescues(p, 'J1', [{ id: 'first', what: '', bench: p.bench }], 50, 1)).toEqual([]);
  });

  it('a day in which everything happens: no plan of it breaks a rule and no window is missed', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            due: fc.integer({ min: 1, max: 40 }),
            lift: fc.integer({ min: 2, max: 30 }),
            bead: fc.boolean(),
          }),
          {
            minLength: 2,
            maxLength: 6,
          },
        ),
        fc.integer({ min: 0, max: 3 * 3600 }),
        (list, nowS) => {
          const bench = shop(
            list.map((l, i) =>
              work({
                id: `J${i}`,
                dueS: l.due * 1800,
                handsS: (t) => (t === 'lift' ? l.lift : 7) * 60,
                ...(l.bead ? { ways: [bead] } : {}),
              }),
            ),
            { nowS },
          );
          const p = planShop(bench, { iterations: 30, seeds: [1] });
          expect(p.breaches).toEqual([]);
          expect(p.missed).toEqual([]);
          expect(Math.min(...p.plan.map((e) => e.startS))).toBeGreaterThanOrEqual(nowS);
        },
      ),
      { numRuns: 25 },
    );
  });
});

describe('what can be promised', () => {
  it('without scatter the plan itself; with scatter the quantiles lie round it, and the order of them holds', () => {
    const p = planShop(shop([work({})]), quick);
    expect(promisesOf(p, {}, 20).jobs[0]).toMatchObject({ p50S: p.doneS.J1, p95S: p.doneS.J1, inTime: 1 });
    const scatters = Object.fromEntries(
      (['lift', 'clean', 'bond', 'check'] as const).map((t) => [scatterKey('J1', t), { sigma: 0.4, dof: 8 }]),
    );
    const r = promisesOf(p, scatters, 1500, 3).jobs[0]!;
    expect(r.p50S).toBeGreaterThan(p.doneS.J1! - 300);
    expect(r.p80S).toBeGreaterThan(r.p50S);
    expect(r.p95S).toBeGreaterThan(r.p80S);
    expect(promisesOf(p, scatters, 1500, 3).jobs[0]).toEqual(r);
  });

  it('work that would end after closing time goes on next morning, and the promise says so', () => {
    const hours = {
      calendars: {
        open: [
          [0, 5400],
          [24 * 3600, 36 * 3600],
        ] as [number, number][],
      },
    };
    const p = planShop(shop([work({ dueS: null })], hours), quick);
    expect(promisesOf(p, {}, 10).jobs[0]!.p80S).toBeGreaterThan(24 * 3600);
  });

  it('rounds up to a quarter of an hour', () => {
    const t = new Date(2026, 3, 14, 13, 1).getTime();
    expect(new Date(roundUpQuarter(t)).getMinutes()).toBe(15);
    expect(roundUpQuarter(roundUpQuarter(t))).toBe(roundUpQuarter(t));
  });
});

describe('durations of the shop', () => {
  const usual = () => ({ p50: 600, p90: 1000 });
  it('nothing in the log: what is usual; a log of its own: its own', () => {
    expect(new DurationBook([], usual).of('clean', 'ring', 'A').medianS).toBeCloseTo(600, 6);
    const rows = Array.from({ length: 40 }, (_, i) => ({
      stage: 'clean',
      kind: 'ring',
      person: 'A',
      workS: 900 + 10 * (i % 3),
    }));
    const l = new DurationBook(rows, usual).of('clean', 'ring', 'A');
    expect(l.medianS).toBeGreaterThan(850);
    expect(l.medianS).toBeLessThan(915);
    expect(l.counts).toEqual({ own: 40, kind: 40, stage: 40 });
  });

  it('worked example: median 500 s, weight 3; after 620, 700, 560 s the middle is 558.6, 80 % 728.7', () => {
    const book = new DurationBook([], () => ({ p50: 500, p90: 500 * Math.exp(1.28155157 * Math.sqrt(0.1)) }));
    const blank = book.of('lift', 'k', 'p');
    expect(blank.belief).toMatchObject({ kappa: 3, alpha: 3 });
    expect(blank.belief.beta).toBeCloseTo(0.3, 6);
    const own = new DurationBook(
      [620, 700, 560].map((workS) => ({ stage: 'lift', kind: 'k', person: 'p', workS })),
      () => ({ p50: 500, p90: 500 * Math.exp(1.28155157 * Math.sqrt(0.1)) }),
    ).of('lift', 'k', 'p');
    expect(own.medianS).toBeCloseTo(558.6, 1);
    expect(own.p80S).toBeCloseTo(728.7, 0);
  });

  it('a person without a log of this kind starts from what the others took, not from nothing', () => {
    const rows = Array.from({ length: 20 }, () => ({ stage: 'clean', kind: 'ring', person: 'A', workS: 1200 }));
    const b = new DurationBook(rows, usual).of('clean', 'ring', 'B');
    expect(b.counts.own).toBe(0);
    expect(b.medianS).toBeGreaterThan(1000);
    const other = new DurationBook(rows, usual).of('clean', 'tablet', 'B');
    expect(other.medianS).toBeGreaterThan(900);
  });
});

describe('opening hours', () => {
  const week = { days: [null, ...Array.from({ length: 6 }, () => ({ fromMin: 540, toMin: 1080 }))] };
  const monday = new Date(2026, 3, 13, 10).getTime();
  it('a week with a closed Sunday, a break and a time away', () => {
    expect(openSpans(week, monday, 7)).toHaveLength(6);
    const spans = personSpans(week, { breakFromMin: 750, breakMin: 30, off: [2] }, [], monday, 3);
    expect(spans.map((s) => [new Date(s.from).getDay(), (s.to - s.from) / 60e3])).toEqual([
      [1, 210],
      [1, 300],
      [3, 210],
      [3, 300],
    ]);
    const away = { from: monday, to: monday + 3600e3 };
    expect(personSpans(week, undefined, [away], monday, 1).map((s) => (s.to - s.from) / 3600e3)).toEqual([1, 7]);
  });

  it('taking out and joining again gives the same time', () => {
    const spans = [{ from: 0, to: 100 }];
    const cut = without(spans, [
      { from: 20, to: 30 },
      { from: 90, to: 200 },
    ]);
    expect(cut).toEqual([
      { from: 0, to: 20 },
      { from: 30, to: 90 },
    ]);
    expect(merged([...cut, { from: 20, to: 30 }, { from: 90, to: 100 }])).toEqual(spans);
  });
});

it('runs of a promise: all that were asked for up to thirty jobs, then fewer in proportion, never under five hundred', () => {
  expect([1, 30, 60, 100, 1000].map((jobs) => runsFor(2000, jobs))).toEqual([2000, 2000, 1000, 600, 500]);
  expect(runsFor(400, 5)).toBe(400);
});
