import { quantileS } from '@/core/schedule/durations';
import { nextHands } from '@/core/schedule/nextHands';
import { promisesOf } from '@/core/schedule/promise';
import { planShop } from '@/core/schedule/shopPlan';
import { demoHistory } from '@/demo/history';
import { demoJobs, demoSettings } from '@/demo/shop';
import type { JobEvent, NewEvent } from '@/model/event';
import { foldJob, type JobState } from '@/model/fold';
import { stageWork } from '@/model/stageWork';
import { eventsOn } from '../../../test-support/dayOf';
import { benchFigures, personId } from './benchInput';
import { atWork, shopBench } from './shopBench';
import { bookOf, workedRows } from './shopDurations';

const t0 = new Date(2026, 3, 14, 13, 0).getTime();
const min = 60_000;
const logs = demoJobs(t0);
const fold = (l: readonly JobEvent[]) => foldJob(l)!;
const jobs = logs.map(fold);
const book = bookOf([...jobs, ...demoHistory(t0).map(fold)]);
const more = (id: string, list: [at: number, by: string, e: NewEvent][]): JobState =>
  fold([
    ...logs.find((x) => x[0]!.jobId === id)!,
    ...list.flatMap(([at, by, e], i) => eventsOn(id, 'n', i, at, by, [e])),
  ]);
const plan = (list: readonly JobState[], now = t0, settings = demoSettings) => {
  const shop = shopBench({ jobs: list, settings, book, now });
  return { shop, plan: planShop(shop.bench, { iterations: 0, seeds: [] }) };
};
const at = (p: ReturnType<typeof plan>, job: string, task: string) =>
  p.plan.plan.find((e) => e.job === job && e.task === task);

describe('the demo shop as a bench', () => {
  const all = plan(jobs);

  it('every open job is planned, the plan holds, and no window is missed', () => {
    expect(all.plan.breaches).toEqual([]);
    expect(all.plan.missed).toEqual([]);
    expect(new Set(all.plan.plan.map((e) => e.job)).size).toBe(jobs.filter((j) => j.closedAt === null).length);
  });

  it('what runs stays: the plate until it is ready, clamps until their clock, the lift inside its window', () => {
    const heat = at(all, 'demo-0142', 'heat')!;
    expect(heat.endS - heat.startS).toBe(142);
    expect(at(all, 'demo-0142', 'lift')!.startS).toBeLessThanOrEqual(heat.endS + benchFigures.windowS.value);
    const clamped = at(all, 'demo-0139', 'clamped')!;
    expect(clamped.startS).toBe((t0 - 8 * min - all.shop.originAt) / 1e3);
    expect(at(all, 'demo-0139', 'unclamp')!.startS).toBeGreaterThanOrEqual(clamped.endS);
    // a cold night on a bead: handed over only after its own clock
    expect(at(all, 'demo-0132', 'clamped')).toBeUndefined();
    expect(at(all, 'demo-0132', 'cure') ?? at(all, 'demo-0132', 'check')).toBeDefined();
  });

  it('the first that hands do is what its window hurries', () => {
    const [first] = nextHands(all.plan);
    expect(first).toMatchObject({ entry: { job: 'demo-0142', task: 'lift' } });
  });

  it('a part on order: not opened before it is here; the shop can choose to open first', () => {
    const due = (jobs.find((j) => j.id === 'demo-0134')!.partDue!.dueAt! - all.shop.originAt) / 1e3;
    expect(at(all, 'demo-0134', 'load')!.startS).toBeGreaterThanOrEqual(due);
    const early = plan(jobs, t0, { ...demoSettings, openBeforePart: true });
    expect(at(early, 'demo-0134', 'load')!.startS).toBeLessThan(due);
    expect(at(early, 'demo-0134', 'dryFit')!.startS).toBeGreaterThanOrEqual(due);
  });

  it('a part that should have come is not here before somebody says so', () => {
    const due = jobs.find((j) => j.id === 'demo-0134')!.partDue!.dueAt!;
    const after = due + 3600e3;
    const p = plan(jobs, after);
    expect(at(p, 'demo-0134', 'load')!.startS).toBeGreaterThanOrEqual(p.shop.bench.nowS + benchFigures.overdueS.value);
    const here = more('demo-0134', [[after, 'Osk', { type: 'partDue', part: 'outer glass', dueAt: null, here: true }]]);
    const now = plan([...jobs.filter((j) => j.id !== 'demo-0134'), here], after);
    expect(here.partDue).toBeNull();
    expect(at(now, 'demo-0134', 'intake')!.startS).toBeLessThan(now.shop.bench.nowS + 24 * 3600);
  });

  it('a job that waits for years is left out, and the others keep their plan', () => {
    const far = more('demo-0134', [[t0, 'Osk', { type: 'partDue', part: 'glass', dueAt: 8e15, here: false }]]);
    const p = plan([...jobs.filter((j) => j.id !== 'demo-0134'), far]);
    expect(p.shop.leftOut).toMatchObject([{ job: { id: 'demo-0134' }, why: 'farAhead' }]);
    expect(p.plan.breaches).toEqual([]);
    expect(at(p, 'demo-0141', 'dryFit')).toBeDefined();
  });

  it('a shop that opens too shortly for a task names the job and the task', () => {
    const short = {
      ...demoSettings,
      rota: {},
      hours: { days: Array.from({ length: 7 }, () => ({ fromMin: 600, toMin: 606 })) },
    };
    const p = plan(
      jobs.filter((j) => j.id === 'demo-0143'),
      t0,
      short,
    );
    expect(p.plan.breaches).toEqual([{ what: 'calendar', job: 'demo-0143', where: 'lift' }]);
  });

  it('before a route was chosen tape and bead are both open, and the plan takes one', () => {
    const open = jobs.map((j) => (j.id === 'demo-0143' ? { ...j, route: null } : j));
    const p = plan(open);
    const job = p.shop.bench.jobs.find((j) => j.id === 'demo-0143')!;
    expect(job.variants.map((v) => v.id)).toEqual(['tape', 'bead']);
    expect(new Set(p.plan.plan.filter((e) => e.job === 'demo-0143').map((e) => e.variant)).size).toBe(1);
  });

  it('a swollen cell is not planned', () => {
    const swollen = more('demo-0143', [[t0, 'Osk', { type: 'finding', kind: 'cellSwollen', answer: 'yes' }]]);
    const p = plan([...jobs.filter((j) => j.id !== 'demo-0143'), swollen]);
    expect(p.shop.leftOut).toMatchObject([{ job: { id: 'demo-0143' }, why: 'swollen' }]);
    expect(at(p, 'demo-0143', 'heat')).toBeUndefined();
  });

  it('called away: the person is not counted on until then; nobody at all is named', () => {
    const away = { id: 'a', person: 'Mirel', fromAt: t0, toAt: t0 + 60 * min };
    const p = plan(jobs, t0, { ...demoSettings, absences: [away] });
    const nowS = p.shop.bench.nowS;
    const mine = p.plan.plan.filter((e) => {
      const v = p.plan.bench.jobs.find((j) => j.id === e.job)!.variants.find((x) => x.id === e.variant)!;
      return personId('Mirel') in v.tasks.find((t) => t.id === e.task)!.modes[e.mode]!.use && e.startS >= nowS;
    });
    expect(Math.min(...mine.map((e) => e.startS))).toBeGreaterThanOrEqual(nowS + 3600);
    const shut = { ...demoSettings, hours: { days: Array.from({ length: 7 }, () => null) } };
    expect(() =>
      plan(
        jobs.filter((j) => j.heat.length === 0),
        t0 + 60 * min,
        shut,
      ),
    ).toThrow('opening hours');
  });

  it('work outside the opening hours: who is at it stays on', () => {
    const shut = { ...demoSettings, hours: { days: Array.from({ length: 7 }, () => ({ fromMin: 60, toMin: 120 })) } };
    const p = plan(jobs, t0, shut);
    expect(p.shop.late).toContain('Mirel');
    expect(at(p, 'demo-0142', 'lift')!.startS).toBeLessThan(p.shop.bench.nowS + 600);
  });

  it('an overrun moves what comes after, never what has begun', () => {
    const begun = more('demo-0141', [
      [t0 - 2 * min, 'Osk', { type: 'work', stage: 'dryFit', to: 'begun', plannedS: 300 }],
    ]);
    const rest = jobs.filter((j) => j.id !== 'demo-0141');
    const p = plan([...rest, begun]);
    const fit = at(p, 'demo-0141', 'dryFit')!;
    expect(fit.startS).toBe((t0 - 2 * min - p.shop.originAt) / 1e3);
    expect(fit.endS).toBeGreaterThan(p.shop.bench.nowS);
    const later = plan([...rest, begun], t0 + 20 * min);
    expect(at(later, 'demo-0141', 'dryFit')!.endS).toBeGreaterThan(later.shop.bench.nowS);
    expect(later.plan.breaches).toEqual([]);
  });

  it('a promise: the quantiles are in order and lie within the days that are planned', () => {
    const { jobs: list } = promisesOf(all.plan, all.shop.scatters, 200);
    for (const j of list) {
      expect(j.p80S).toBeGreaterThanOrEqual(j.p50S);
      expect(j.p95S).toBeGreaterThanOrEqual(j.p80S);
      expect(Number.isFinite(j.p95S)).toBe(true);
    }
  });
});

describe('how long a stage took', () => {
  it('two months of work are durations, by person and kind', () => {
    const rows = workedRows(demoHistory(t0).map(fold));
    expect(rows.length).toBeGreaterThan(400);
    expect(new Set(rows.map((r) => r.person))).toEqual(new Set(['Mirel', 'Osk']));
    expect(rows.every((r) => r.plannedS !== null && r.workS > 0)).toBe(true);
    const osk = book.of('clean', 'ringGlass/glassOnly', 'Osk');
    const mirel = book.of('clean', 'ringGlass/glassOnly', 'Mirel');
    expect(osk.counts.own).toBeGreaterThan(5);
    expect(osk.medianS).toBeGreaterThan(mirel.medianS);
    expect(quantileS({ mu: Math.log(osk.medianS), sigma: osk.scatter.sigma }, 0.8)).toBeGreaterThan(osk.medianS);
  });

  it('taken up, laid aside, taken up again: the seconds add up', () => {
    const job = more('demo-0141', [
      [t0, 'Osk', { type: 'work', stage: 'dryFit', to: 'begun' }],
      [t0 + 4 * min, 'Osk', { type: 'work', stage: 'dryFit', to: 'aside' }],
      [t0 + 90 * min, 'Osk', { type: 'work', stage: 'dryFit', to: 'begun' }],
      [t0 + 93 * min, 'Osk', { type: 'stage', stage: 'dryFit', to: 'done' }],
    ]);
    const own = stageWork(job).find((w) => w.stage === 'dryFit')!;
    expect(own).toMatchObject({ workS: 420, person: 'Osk', whole: true });
  });

  it('called away in between is no duration; a tick afterwards is none either', () => {
    const gap = more('demo-0141', [
      [t0, 'Osk', { type: 'work', stage: 'dryFit', to: 'begun' }],
      [t0 + 50 * min, 'Osk', { type: 'stage', stage: 'dryFit', to: 'done' }],
    ]);
    expect(stageWork(gap).find((w) => w.stage === 'dryFit')!.whole).toBe(false);
    const tick = more('demo-0141', [[t0, 'Osk', { type: 'stage', stage: 'dryFit', to: 'done' }]]);
    expect(stageWork(tick).some((w) => w.stage === 'dryFit')).toBe(false);
  });

  it('a person is at one job: the one that was touched last', () => {
    const a = more('demo-0141', [[t0 - 5 * min, 'Osk', { type: 'work', stage: 'dryFit', to: 'begun' }]]);
    expect(atWork([a], t0).get('Osk')).toBe('demo-0141');
    const b = more('demo-0143', [[t0 - 1 * min, 'Osk', { type: 'work', stage: 'heat', to: 'begun' }]]);
    expect(atWork([a, b], t0).get('Osk')).toBe('demo-0143');
  });
});
