import { demoHistory } from '@/demo/history';
import { demoJobs, demoSettings } from '@/demo/shop';
import { foldJob } from '@/model/fold';
import { byMonth, outcomeOf } from '@/work/money/jobMoney';
import { breakageOf, comeBacksOf, filtered, learningOf, bondingMethodOf, stageMinutesOf } from './shopStatistics';
import { kindOf, workCached } from '@/work/bench/shopDurations';

const t0 = new Date(2026, 3, 14, 13, 0).getTime();
const everything = [...demoJobs(t0), ...demoHistory(t0)].map((l) => foldJob(l)!);
const none = { person: null, kind: null, school: null, sinceAt: 0 };
const list = filtered(everything, none);
const kind = 'ringGlass/glassOnly';

describe('what the log of two months says', () => {
  it('filters by person, kind, way of bonding and time, and each alone is a part of the whole', () => {
    expect(list).toHaveLength(59);
    const osk = filtered(everything, { ...none, person: 'Osk' });
    const mirel = filtered(everything, { ...none, person: 'Mirel' });
    expect(osk.length + mirel.length).toBe(list.length);
    expect(filtered(everything, { ...none, kind }).every((j) => kindOf(j) === kind)).toBe(true);
    expect(filtered(everything, { ...none, school: 'cutTape' }).every((j) => bondingMethodOf(j) === 'cutTape')).toBe(
      true,
    );
    expect(filtered(everything, { ...none, sinceAt: t0 - 30 * 86400e3 }).length).toBeLessThan(list.length);
  });

  it('minutes: the middle is what counting by hand gives, and cleaning is the stage that overruns', () => {
    const rows = stageMinutesOf(list, null);
    const lifts = list
      .flatMap((j) =>
        workCached(j)
          .filter((w) => w.stage === 'lift' && w.whole)
          .map((w) => w.workS / 60),
      )
      .sort((a, b) => a - b);
    const lift = rows.find((r) => r.stage === 'lift')!;
    expect(lift.n).toBe(lifts.length);
    expect(lift.medianMin).toBeCloseTo(
      lifts.length % 2 ? lifts[lifts.length >> 1]! : (lifts[lifts.length / 2]! + lifts[lifts.length / 2 - 1]!) / 2,
      9,
    );
    expect(rows.filter((r) => r.stands).map((r) => r.stage)).toEqual(['clean']);
    expect(rows.some((r) => r.stage === 'cure')).toBe(false);
    const one = stageMinutesOf(list, 'Osk').find((r) => r.stage === 'lift')!;
    expect(one.n).toBeLessThan(lift.n);
  });

  it('breakage: counts with Wilson, the posterior between prior and counts, and no ranking when it cannot be told', () => {
    const b = breakageOf(list, { chance: 0.02, weight: 8 });
    expect([b.all!.hits, b.all!.of]).toEqual([1, 6]);
    // Beta(0.16 + 1, 7.84 + 5), by hand
    expect([b.belief.a, b.belief.b]).toEqual([expect.closeTo(1.16, 9), expect.closeTo(12.84, 9)]);
    expect(b.belief.mean).toBeCloseTo(1.16 / 14, 9);
    expect(b.difference!.low).toBeLessThan(0);
    expect(b.difference!.high).toBeGreaterThan(0);
    expect(breakageOf([], { chance: 0.02, weight: 8 }).all).toBeNull();
  });

  it('come-backs: which came back, and the share that stays never rises', () => {
    const c = comeBacksOf(list, everything, t0);
    expect([c.all!.hits, c.all!.of]).toEqual([3, 59]);
    expect(c.stays.length).toBeGreaterThan(0);
    const stays = c.stays.map((s) => s.stays);
    expect(stays).toEqual([...stays].sort((a, b) => b - a));
    expect(c.bySchool.reduce((n, s) => n + s.of, 0)).toBe(59);
  });

  it('learning: glass that is glued all over is lifted faster from job to job; too few jobs give no curve', () => {
    const l = learningOf(list, 'fullGlass/glassOnly', 'lift', null)!;
    expect(l.minutes.length).toBeGreaterThanOrEqual(4);
    expect(l.curve.rate).toBeLessThan(1);
    expect(learningOf(list.slice(0, 3), kind, 'lift', null)).toBeNull();
  });
});

describe('money', () => {
  const one = everything.find((j) => j.label === 'J-0130')!;
  it('a job: what was agreed against what it came to', () => {
    const o = outcomeOf(one, demoSettings);
    const worked = workCached(one).reduce((s, w) => s + w.workS, 0) / 60;
    expect(o.minutes).toBeCloseTo(worked, 9);
    expect(o.parts.labourMinor).toBe(Math.round((worked / 60) * demoSettings.ratePerH * 100));
    expect(o.parts.partMinor).toBe(demoSettings.money.prices.phone![`glass.${one.route!.origin}`]);
    expect(o.margin.marginMinor).toBe(o.quoted!.netMinor - o.margin.costMinor);
    expect(o.quoted!.margin).toBeGreaterThanOrEqual(0.15);
  });

  it('a cover that was to be saved and broke is paid for', () => {
    const broke = everything.find((j) => j.broke)!;
    const o = outcomeOf(broke, demoSettings);
    expect(o.parts.brokeMinor).toBe(demoSettings.money.prices[broke.model.kind]!['glass.genuine']);
  });

  it('months add up to their jobs', () => {
    const outcomes = everything.filter((j) => j.closedAt !== null).map((j) => outcomeOf(j, demoSettings));
    const months = byMonth(outcomes);
    expect(months.reduce((n, m) => n + m.jobs, 0)).toBe(outcomes.length);
    expect(months.reduce((n, m) => n + m.costMinor, 0)).toBe(outcomes.reduce((n, o) => n + o.margin.costMinor, 0));
    expect(months.map((m) => m.at)).toEqual([...months.map((m) => m.at)].sort((a, b) => a - b));
    // the one without a quote is counted apart
    expect(months.at(-1)!.free).toBe(1);
  });
});
