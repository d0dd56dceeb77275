import fc from 'fast-check';

import { assignment, boundsOf, poolTime, preemptiveEnd } from './bounds';
import { endOf, fit, fitBack, intersect, openTime } from './calendar';
import { compile } from './compile';
import { violations } from './feasible';
import { compare, Generator } from './generate';
import { improve, qualityOf, solve } from './improve';
import { Profile } from './profile';
import { jobShop, shops } from '../../../test-support/jobShops';
import { firstPlan } from './rules';
import type { Bench, BenchJob, PlanEntry } from './types';

const day = [
  [0, 100],
  [150, 300],
] as const;

describe('calendars', () => {
  it('work fits into one window, or lies over a break', () => {
    expect(fit(day, 60, 50, false)).toBe(150);
    expect(endOf(day, 150, 50, false)).toBe(200);
    expect(fit(day, 60, 50, true)).toBe(60);
    expect(endOf(day, 60, 50, true)).toBe(160);
    expect(fit(day, 120, 10, true)).toBe(150);
    expect(fit(day, 0, 200, false)).toBe(Infinity);
    expect(fit(null, 7, 5, false)).toBe(7);
    expect(fitBack(day, 160, 50)).toBe(60);
    expect(fitBack(day, 90, 200)).toBe(-Infinity);
    expect(openTime(day, 50, 200)).toBe(100);
    expect(intersect(day, [[90, 160]])).toEqual([
      [90, 100],
      [150, 160],
    ]);
  });

  it('back and forth give the same work (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 220 }), fc.integer({ min: 1, max: 60 }), (t, d) => {
        const s = fit(day, t, d, true);
        const e = endOf(day, s, d, true);
        if (s === Infinity) return;
        expect(openTime(day, s, e)).toBe(d);
        expect(fitBack(day, e, d)).toBe(s);
      }),
    );
  });
});

it('a profile is what counting says, second by second (property)', () => {
  const use = fc.tuple(fc.integer({ min: 0, max: 30 }), fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 2 }));
  fc.assert(
    fc.property(
      fc.array(use, { maxLength: 8 }),
      fc.integer({ min: 0, max: 30 }),
      fc.integer({ min: 1, max: 8 }),
      (uses, s, d) => {
        const p = new Profile(3);
        const load = new Array<number>(80).fill(0);
        for (const [from, len, n] of uses) {
          p.add(from, from + len, n);
          for (let i = from; i < from + len; i++) load[i]! += n;
        }
        const free = (from: number) => load.slice(from, from + d).every((l) => l + 1 <= 3);
        let want = s;
        while (!free(want)) want++;
        expect(p.gap(s, d, 1)).toBe(want);
        expect(p.firstBusy(s, s + d, 1) < 0).toBe(free(s));
        expect(p.lastBusy(s, s + d, 1) < 0).toBe(free(s));
      },
    ),
  );
});

describe('published job shops', () => {
  // Fisher & Thompson 1963, Lawrence 1984: proven optima
  it.each(Object.entries(shops))('%s reaches its optimum, and the plan holds', (_, { optimum, text }) => {
    const bench = jobShop(text);
    const g = new Generator(compile(bench));
    const s = solve(g, { iterations: 20_000, seed: 1, target: optimum });
    expect(g.make(s)[1]).toBe(optimum);
    expect(violations(bench, g.entries(s))).toEqual([]);
    expect(boundsOf(g.c).makespanS).toBeLessThanOrEqual(optimum);
  });

  it('bounds: FT06 52 by the preemptive machine, LA01 and LA05 their optimum (published)', () => {
    const span = (k: keyof typeof shops) => boundsOf(compile(jobShop(shops[k].text))).makespanS;
    expect([span('FT06'), span('LA01'), span('LA05')]).toEqual([52, 666, 593]);
  });

  it('Johnson 1954, five items on two machines: 47', () => {
    const bench = jobShop('0 4 1 5\n0 4 1 1\n0 30 1 4\n0 6 1 30\n0 2 1 3');
    const g = new Generator(compile(bench));
    expect(solve(g, { iterations: 4000, seed: 1, target: 47 }).objective[1]).toBe(47);
  });
});

it('who is late nowhere takes the last places: leaving them out changes nothing, with ties too', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ due: fc.integer({ min: 0, max: 12 }), weight: fc.integer({ min: 0, max: 2 }) }), {
        minLength: 1,
        maxLength: 9,
      }),
      fc.array(fc.integer({ min: 0, max: 10 }), { minLength: 9, maxLength: 9 }),
      (jobs, steps) => {
        const at = jobs.map((_, i) => steps.slice(0, i + 1).reduce((a, b) => a + b, 0) % 1000);
        const row = (j: (typeof jobs)[number], n: number) =>
          at.slice(0, n).map((t) => j.weight * Math.max(0, t - j.due));
        const pressed = jobs.filter((j) => row(j, at.length).at(-1)! > 0);
        expect(assignment(pressed.map((j) => row(j, pressed.length)))).toBe(
          assignment(jobs.map((j) => row(j, at.length))),
        );
      },
    ),
  );
});

it('assignment equals every permutation; the pool and the one machine by hand', () => {
  const permute = (l: number[]): number[][] =>
    l.length ? l.flatMap((x, i) => permute([...l.slice(0, i), ...l.slice(i + 1)]).map((r) => [x, ...r])) : [[]];
  fc.assert(
    fc.property(
      fc.array(
        fc.array(fc.oneof(fc.integer({ min: 0, max: 50 }), fc.integer({ min: 0, max: 2 })), {
          minLength: 4,
          maxLength: 4,
        }),
        {
          minLength: 4,
          maxLength: 4,
        },
      ),
      (cost) => {
        const least = Math.min(...permute([0, 1, 2, 3]).map((p) => p.reduce((s, j, i) => s + cost[i]![j]!, 0)));
        expect(assignment(cost)).toBe(least);
      },
    ),
  );
  expect(() =>
    assignment([
      [1, Infinity],
      [2, 3],
    ]),
  ).toThrow('cost: endless');
  expect(poolTime([[[0, 10]], [[5, 20]]], 0, 12)).toBe(8.5);
  expect(poolTime([[[0, 10]]], 0, 12)).toBe(Infinity);
  expect(
    preemptiveEnd([
      { head: 0, work: 4, tail: 1 },
      { head: 2, work: 2, tail: 9 },
    ]),
  ).toBe(13);
});

/** Two jobs at a plate with one pair of hands: heat, then lift within a window, then clamp held until somebody takes it off. */
const job = (id: string, heat: number, lift: number, dueS: number): BenchJob => ({
  id,
  releaseS: 0,
  dueS,
  weight: 1,
  variants: [
    {
      id: 'v',
      tasks: [
        { id: 'heat', modes: [{ durS: heat, use: { plate: 1 } }] },
        { id: 'lift', modes: [{ durS: lift, use: { hands: 1 } }] },
        { id: 'glue', modes: [{ durS: 1, use: { hands: 1 } }] },
        { id: 'off', modes: [{ durS: 1, use: { hands: 1 } }] },
      ],
      links: [
        { from: 'heat', to: 'lift', minS: 0, maxS: 1 },
        { from: 'lift', to: 'glue', minS: 0 },
        { from: 'glue', to: 'off', minS: 2 },
      ],
      holds: [{ resource: 'clamp', n: 1, from: 'glue', to: 'off' }],
    },
  ],
});
const small = (a: [number, number, number], b: [number, number, number]): Bench => ({
  originS: 0,
  nowS: 0,
  calendars: { open: [[0, 40]] },
  resources: [
    { id: 'plate', kind: 'heater', capacity: 1 },
    { id: 'hands', kind: 'technician', capacity: 1, calendar: 'open' },
    { id: 'clamp', kind: 'clamp', capacity: 1 },
  ],
  jobs: [job('A', ...a), job('B', ...b)],
  started: [],
});

/** Least tardiness of all plans on whole seconds, every one asked by the checker of its rules. */
function byForce(bench: Bench): number {
  let best = Infinity;
  const tasks = bench.jobs.flatMap((j) => j.variants[0]!.tasks.map((t) => ({ j, t })));
  const links = bench.jobs.flatMap((j) => j.variants[0]!.links.map((l) => ({ ...l, job: j.id })));
  const plan: PlanEntry[] = [];
  const go = (k: number) => {
    const late = bench.jobs.reduce(
      (s, j) => s + Math.max(0, Math.max(0, ...plan.filter((e) => e.job === j.id).map((e) => e.endS)) - j.dueS!),
      0,
    );
    if (late >= best) return;
    if (k === tasks.length) {
      if (!violations(bench, plan).length) best = late;
      return;
    }
    const { j, t } = tasks[k]!;
    const durS = t.modes[0]!.durS;
    const into = links.filter((l) => l.job === j.id && l.to === t.id);
    const endOf = (id: string) => plan.find((e) => e.job === j.id && e.task === id)!.endS;
    const from = Math.max(0, ...into.map((l) => endOf(l.from) + l.minS));
    const to = Math.min(16, ...into.map((l) => endOf(l.from) + (l.maxS ?? 99)));
    const own = Object.keys(t.modes[0]!.use)[0]!;
    for (let s = from; s <= to; s++) {
      const busy = plan.some((e) => {
        const m = bench.jobs.find((x) => x.id === e.job)!.variants[0]!.tasks.find((x) => x.id === e.task)!.modes[0]!;
        return m.use[own] && e.startS < s + durS && s < e.endS;
      });
      if (busy) continue;
      plan.push({ job: j.id, variant: 'v', task: t.id, mode: 0, startS: s, endS: s + durS });
      go(k + 1);
      plan.pop();
    }
  };
  go(0);
  return best;
}

describe('windows, holds and hands', () => {
  it.each([
    [
      [2, 3, 8],
      [3, 1, 6],
    ],
    [
      [1, 2, 5],
      [4, 2, 9],
    ],
    [
      [3, 2, 7],
      [3, 2, 7],
    ],
  ] as [[number, number, number], [number, number, number]][])('%j and %j: as good as trying everything', (a, b) => {
    const bench = small(a, b);
    const want = byForce(bench);
    for (const seed of [1, 2]) {
      const g = new Generator(compile(bench));
      const s = solve(g, { iterations: 3000, seed });
      expect(g.make(s)[0]).toBe(want);
      expect(violations(bench, g.entries(s))).toEqual([]);
      expect(boundsOf(g.c).tardinessS).toBeLessThanOrEqual(want + 1e-9);
    }
  });

  it('the same seed gives the same plan, improving never makes it worse, and it can be stopped', () => {
    const g = new Generator(compile(small([3, 2, 7], [3, 2, 7])));
    const first = firstPlan(g);
    const [a, b] = [1, 1].map((seed) => improve(g, first, { iterations: 500, seed }));
    expect(a!.order).toEqual(b!.order);
    expect(compare(a!.objective, first.objective)).toBeLessThanOrEqual(0);
    expect(improve(g, first, { iterations: 5000, seed: 1, tell: () => false }).made).toBe(0);
  });

  it('what has started stays, nothing new comes before now, and a window that is missed is named', () => {
    const bench: Bench = {
      ...small([2, 3, 8], [3, 1, 6]),
      nowS: 6,
      started: [{ job: 'A', task: 'heat', mode: 0, startS: 0, endS: 2 }],
    };
    const g = new Generator(compile(bench));
    const s = firstPlan(g);
    g.make(s);
    // A was heated until 2 and its lift had to start by 3
    expect(g.missed.map((m) => [g.c.tasks[m.from]!.id, g.c.tasks[m.to]!.id])).toEqual([['heat', 'lift']]);
    expect(violations(bench, g.entries(s)).map((v) => v.what)).toEqual(['window']);
    for (const e of g.entries(s)) if (e.task !== 'heat' || e.job !== 'A') expect(e.startS).toBeGreaterThanOrEqual(6);
  });

  it('says how good it is: best where the bound is reached', () => {
    const g = new Generator(compile(small([2, 3, 30], [3, 1, 30])));
    const s = solve(g, { iterations: 500, seed: 1 });
    expect(qualityOf(g, s.objective)).toEqual({ kind: 'best' });
    expect(qualityOf(g, [1e6, 0, 0])).toEqual({ kind: 'notProven' });
  });
});

describe('the checker', () => {
  const bench = small([2, 3, 30], [3, 1, 30]);
  const g = new Generator(compile(bench));
  const s = firstPlan(g);
  g.make(s);
  const good = g.entries(s);
  const broken = (change: (e: PlanEntry) => PlanEntry | null) =>
    violations(
      bench,
      good.flatMap((e) => change(e) ?? []),
    ).map((v) => v.what);
  const at = (job: string, task: string, by: number) => (e: PlanEntry) =>
    e.job === job && e.task === task ? { ...e, startS: e.startS + by, endS: e.endS + by } : e;

  it('finds every kind of breach', () => {
    expect(violations(bench, good)).toEqual([]);
    expect(broken((e) => (e.job === 'A' && e.task === 'off' ? null : e))).toContain('tasks');
    expect(broken((e) => (e.job === 'A' ? null : e))).toContain('variant');
    expect(broken(at('A', 'heat', -50))).toContain('release');
    expect(broken(at('A', 'off', 60))).toContain('calendar');
    expect(broken(at('A', 'lift', 30))).toContain('window');
    expect(broken((e) => ({ ...e, startS: 1, endS: 1 + e.endS - e.startS }))).toContain('capacity');
    expect(
      violations({ ...bench, started: [{ job: 'A', task: 'heat', mode: 0, startS: 17, endS: 19 }] }, good).map(
        (v) => v.what,
      ),
    ).toContain('started');
  });
});

describe('bad input is named', () => {
  const bench = small([2, 3, 8], [3, 1, 6]);
  const change = (f: (v: BenchJob['variants'][number]) => Partial<BenchJob['variants'][number]>): Bench => ({
    ...bench,
    jobs: [{ ...bench.jobs[0]!, variants: bench.jobs[0]!.variants.map((v) => ({ ...v, ...f(v) })) }],
  });

  it.each([
    [{ ...bench, calendars: { open: [] } }, /calendar open: never open/],
    [{ ...bench, calendars: {} }, /calendar: open/],
    [
      { ...bench, started: [{ job: bench.jobs[0]!.id, task: 'heat', mode: 0, startS: 0, endS: NaN }] },
      /begun: 0 to NaN s does not work/,
    ],
    [change((v) => ({ links: [...v.links, { from: 'off', to: 'heat', minS: 0 }] })), /needs itself in a circle/],
    [
      change((v) => ({ links: [{ ...v.links[0]!, minS: 5 }, ...v.links.slice(1)] })),
      /heat to lift: 1 s.*at least the 5 s/,
    ],
    [change(() => ({ links: [{ from: 'heat', to: 'nothing', minS: 0 }] })), /link: nothing/],
    [change((v) => ({ tasks: [{ id: 'heat', modes: [{ durS: -1, use: {} }] }, ...v.tasks.slice(1)] })), /duration: -1/],
    [
      change((v) => ({ tasks: [{ id: 'heat', modes: [{ durS: 1, use: { mat: 1 } }] }, ...v.tasks.slice(1)] })),
      /resource: mat/,
    ],
  ] as [Bench, RegExp][])('case %#', (b, message) => {
    expect(() => compile(b)).toThrow(message);
  });
});
