import { compile } from './compile';
import { fromQuantiles, quantileS } from './durations';
import { violations } from './feasible';
import { Generator } from './generate';
import { firstPlan } from './rules';
import { planShop } from './shopPlan';
import { quantile, simulate } from './simulate';
import type { Bench, Link } from './types';

const chain = (n: number): Bench => ({
  originS: 0,
  nowS: 0,
  calendars: {},
  resources: [{ id: 'hands', kind: 'technician', capacity: 1 }],
  started: [],
  jobs: [
    {
      id: 'A',
      releaseS: 0,
      dueS: 4600,
      weight: 1,
      variants: [
        {
          id: 'v',
          tasks: Array.from({ length: n }, (_, i) => ({ id: `t${i}`, modes: [{ durS: 500, use: { hands: 1 } }] })),
          links: Array.from({ length: n - 1 }, (_, i) => ({ from: `t${i}`, to: `t${i + 1}`, minS: 0 })),
          holds: [],
        },
      ],
    },
  ],
});

it('a chain of eight lognormals: mean and scatter add up (analytic), quantiles between them', () => {
  const d = fromQuantiles(450, 700);
  const g = new Generator(compile(chain(8)));
  const n = 4000;
  const r = simulate(g, firstPlan(g), (_j, _t, _m, _s, random) => quantileS(d, Math.max(1e-12, random())), n, 3);
  const mean = 8 * Math.exp(d.mu + d.sigma ** 2 / 2);
  const sd = Math.sqrt(8 * (Math.exp(d.sigma ** 2) - 1) * Math.exp(2 * d.mu + d.sigma ** 2));
  const [a] = r.jobs;
  expect(Math.abs(a!.p50S - mean)).toBeLessThan(0.25 * sd);
  // the sum is nearly normal: 0.84 and 1.64 standard deviations over its mean
  expect(Math.abs((a!.p80S - mean) / sd - 0.84)).toBeLessThan(0.15);
  expect(Math.abs((a!.p95S - mean) / sd - 1.64)).toBeLessThan(0.25);
  expect(a!.inTime).toBeGreaterThan(0.7);
  expect(r.missed).toBe(0);
  const again = simulate(g, firstPlan(g), (_j, _t, _m, _s, random) => quantileS(d, Math.max(1e-12, random())), n, 3);
  expect(again.jobs).toEqual(r.jobs);
});

it('quantiles of type 7', () => {
  expect(quantile([1, 2, 3, 4], 0.5)).toBe(2.5);
  expect(quantile([1, 2, 3, 4, 5], 0.8)).toBeCloseTo(4.2, 12);
});

const heatLift = (link: Partial<Link>, over: Partial<Bench> = {}): Bench => ({
  originS: 0,
  nowS: 0,
  calendars: {},
  resources: [
    { id: 'plate', kind: 'heater', capacity: 1 },
    { id: 'hands', kind: 'technician', capacity: 1 },
  ],
  started: [],
  jobs: [
    {
      id: 'A',
      releaseS: 0,
      dueS: 1000,
      weight: 1,
      variants: [
        {
          id: 'v',
          tasks: [
            { id: 'heat', modes: [{ durS: 180, use: { plate: 1 } }] },
            { id: 'lift', modes: [{ durS: 120, use: { hands: 1 } }] },
          ],
          links: [{ from: 'heat', to: 'lift', minS: 0, maxS: 60, ...link }],
          holds: [],
        },
      ],
    },
  ],
  ...over,
});
const reheat = [{ durS: 90, use: { plate: 1 } }];
const late = { nowS: 600, started: [{ job: 'A', task: 'heat', mode: 0, startS: 0, endS: 180 }] };

describe('from here on', () => {
  it('called away over a window: a reheat is put in, what has started stays, and the plan holds', () => {
    const r = planShop(heatLift({ reheat }, late), { iterations: 200, seeds: [1] });
    expect(r.inserted).toEqual([{ job: 'A', task: 'heat.reheat1' }]);
    expect(r.missed).toEqual([]);
    expect(r.plan.map((e) => [e.task, e.startS, e.endS])).toEqual([
      ['heat', 0, 180],
      ['heat.reheat1', 600, 690],
      ['lift', 690, 810],
    ]);
    expect(violations(r.bench, r.plan)).toEqual([]);
  });

  it('without a reheat the window stays missed and is named', () => {
    const r = planShop(heatLift({}, late), { iterations: 200, seeds: [1] });
    expect(r.inserted).toEqual([]);
    expect(r.missed).toEqual([{ job: 'A', from: 'heat', to: 'lift' }]);
  });

  it('nothing missed: nothing is put in', () => {
    const r = planShop(heatLift({ reheat }, { ...late, nowS: 200 }), { iterations: 200, seeds: [1] });
    expect(r.inserted).toEqual([]);
    expect(r.plan.at(-1)).toMatchObject({ task: 'lift', startS: 200 });
  });

  it('in a simulation a missed window costs its reheat', () => {
    const one = heatLift({ reheat });
    const other = {
      ...one.jobs[0]!,
      id: 'B',
      variants: [
        { id: 'v', tasks: [{ id: 'strip', modes: [{ durS: 170, use: { hands: 1 } }] }], links: [], holds: [] },
      ],
    };
    const g = new Generator(compile({ ...one, jobs: [...one.jobs, other] }));
    const plan = firstPlan(g);
    const asPlanned = simulate(g, plan, (_j, _t, _m, s) => s, 10, 1);
    expect(asPlanned.missed).toBe(0);
    expect(asPlanned.jobs[0]!.p50S).toBe(300);
    // the other job holds the hands until 400: the window closed at 240
    const over = simulate(g, plan, (_j, t, _m, s) => (t === 'strip' ? 400 : s), 10, 1);
    expect(over.missed).toBe(1);
    expect(over.jobs[0]!.p50S).toBe(400 + 120 + 90);
  });
});
