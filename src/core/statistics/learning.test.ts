import { marginOf } from '../money/margin';
import { wrightAt, wrightFit, wrightRange } from './learning';
import { overrunOf, standing } from './overruns';
import { wilson } from './rates';
import { kaplanMeier, shareDifference, type Stay } from './survival';

describe('learning', () => {
  it('worked example: 60, 54, 47, 46, 42, 43 min give T1 60.42, b -0.2048, rate 0.8677; the twelfth 36.3', () => {
    const c = wrightFit([60, 54, 47, 46, 42, 43]);
    expect(c.t1).toBeCloseTo(60.42, 2);
    expect(c.b).toBeCloseTo(-0.2048, 4);
    expect(c.rate).toBeCloseTo(0.8677, 4);
    expect(wrightAt(c, 12)).toBeCloseTo(36.3, 1);
    expect(c.rateLow!).toBeLessThan(c.rate);
    expect(c.rateHigh!).toBeGreaterThan(c.rate);
  });

  it('where the curve lies: narrowest at the mean of the logarithms, there t(0.975, 4) = 2.776 of the tables times s/√6', () => {
    const times = [60, 54, 47, 46, 42, 43];
    const c = wrightFit(times);
    const x = times.map((_, i) => Math.log(i + 1));
    const rest = times.map((t, i) => Math.log(t) - Math.log(wrightAt(c, i + 1)));
    const s = Math.sqrt(rest.reduce((a, r) => a + r * r, 0) / 4);
    const middle = Math.exp(x.reduce((a, b) => a + b, 0) / 6);
    const at = (n: number) => {
      const r = wrightRange(c, n)!;
      expect(Math.sqrt(r.low * r.high)).toBeCloseTo(wrightAt(c, n), 9);
      return Math.log(r.high / r.low) / 2;
    };
    expect(at(middle)).toBeCloseTo((2.776 * s) / Math.sqrt(6), 4);
    expect(at(1)).toBeGreaterThan(at(middle));
    expect(at(40)).toBeGreaterThan(at(6));
    expect(wrightRange(wrightFit([60, 50, 45]), 2)).toBeNull();
    // four tries are enough for a range, three are not
    expect(wrightFit([60, 50, 45, 44]).rateLow).not.toBeNull();
  });

  it('times that follow the law exactly give it back with no width; one time is not enough', () => {
    const c = wrightFit(Array.from({ length: 8 }, (_, i) => 50 * (i + 1) ** Math.log2(0.8)));
    expect(c.rate).toBeCloseTo(0.8, 10);
    expect(c.rateHigh! - c.rateLow!).toBeLessThan(1e-9);
    expect(() => wrightFit([60])).toThrow('times');
  });
});

describe('overruns', () => {
  it('a step that always takes a fifth longer; and one that is as planned', () => {
    const slow = overrunOf([1, 2, 3, 4].map((k) => ({ plannedS: 600 * k, workS: 720 * k })))!;
    expect(slow.ratio).toBeCloseTo(1.2, 12);
    expect(slow.over.share).toBe(1);
    expect(slow.lostS).toBeCloseTo(120 * 10, 9);
    expect(overrunOf([{ plannedS: 600, workS: 600 }])).toMatchObject({ n: 1, ratio: 1, p: 1 });
    expect(overrunOf([])).toBeNull();
  });

  it('t interval of the mean logarithm, by hand: 1.1 and 1.3 times', () => {
    const r = overrunOf([
      { plannedS: 100, workS: 110 },
      { plannedS: 100, workS: 130 },
    ])!;
    const [a, b] = [Math.log(1.1), Math.log(1.3)];
    const se = Math.abs(a - b) / 2;
    // t with one degree of freedom at 97.5 %: 12.706 (tables)
    expect(Math.log(r.high)).toBeCloseTo((a + b) / 2 + 12.7062 * se, 3);
    // Cauchy tail: p = 1 - 2/pi atan(t)
    expect(r.p).toBeCloseTo(1 - (2 / Math.PI) * Math.atan((a + b) / 2 / se), 6);
  });

  it('Benjamini and Hochberg 1995, their own example of fifteen p-values at 5 %: four stand', () => {
    const ps = [
      0.0001, 0.0004, 0.0019, 0.0095, 0.0201, 0.0278, 0.0298, 0.0344, 0.0459, 0.324, 0.4262, 0.5719, 0.6528, 0.759, 1,
    ];
    expect(standing(ps, 0.05).filter(Boolean)).toHaveLength(4);
  });
});

describe('come-backs over time', () => {
  it('Kaplan and Meier on the 6-MP remission data (Freireich 1963, from memory)', () => {
    const back = [6, 6, 6, 7, 10, 13, 16, 22, 23];
    const out = [6, 9, 10, 11, 17, 19, 20, 25, 32, 32, 34, 35];
    const list: Stay[] = [
      ...back.map((days) => ({ days, cameBack: true })),
      ...out.map((days) => ({ days, cameBack: false })),
    ];
    const s = kaplanMeier(list);
    expect(s.map((x) => Number(x.stays.toFixed(3)))).toEqual([0.857, 0.807, 0.753, 0.69, 0.627, 0.538, 0.448]);
    expect(s[0]!.se).toBeCloseTo(0.0764, 4);
    expect(s[0]!.atRisk).toBe(21);
  });

  it('difference of two shares: 56 of 70 less 48 of 80 is 0.0524 to 0.3339 (Newcombe 1998, from memory)', () => {
    const share = (hits: number, of: number) => ({ hits, of, ...wilson(hits, of) });
    const d = shareDifference(share(56, 70), share(48, 80));
    expect(d.low).toBeCloseTo(0.0524, 4);
    expect(d.high).toBeCloseTo(0.3339, 4);
  });
});

it('margin of a job: what was charged less parts, what was used, time and what went wrong', () => {
  const m = marginOf({
    netMinor: 12000,
    partsMinor: 4200,
    usedMinor: 150,
    minutes: 62,
    ratePerHourMinor: 3000,
    extraMinor: 0,
    overheadMinor: 400,
  });
  expect(m.costMinor).toBe(4200 + 150 + 3100 + 400);
  expect(m.marginMinor).toBe(12000 - m.costMinor);
  expect(m.share).toBeCloseTo(0.346, 3);
  expect(marginOf({ ...zero, netMinor: 0, partsMinor: 10 }).share).toBeNull();
});
const zero = {
  netMinor: 0,
  partsMinor: 0,
  usedMinor: 0,
  minutes: 0,
  ratePerHourMinor: 0,
  extraMinor: 0,
  overheadMinor: 0,
};

it('a time of nothing, or a single one, is named and gives no curve', () => {
  for (const bad of [[10, 0], [0, 10], [10], [], [10, -1], [10, NaN]]) expect(() => wrightFit(bad)).toThrow(/times/);
});
