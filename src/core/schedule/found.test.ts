import { compile } from './compile';
import { Generator } from './generate';
import { firstPlan } from './rules';
import { insteadOf, planShop } from './shopPlan';
import { simulate } from './simulate';
import { withReheat } from './reheat';
import { nextHands } from './nextHands';
import { rescues } from './rescues';
import type { Bench, BenchJob } from './types';

/** What independent checks found of the bench: each against a hand-made case or a simulation of its own. */
const bench = (jobs: BenchJob[], more: Partial<Bench> = {}): Bench => ({
  originS: 0,
  nowS: 0,
  calendars: {},
  resources: [
    { id: 'a', kind: 'technician', capacity: 1 },
    { id: 'clips', kind: 'clamp', capacity: 1 },
  ],
  jobs,
  started: [],
  ...more,
});
const clamped = (id: string, dueS: number | null, cureS = 1000): BenchJob => ({
  id,
  releaseS: 0,
  dueS,
  weight: 1,
  variants: [
    {
      id: 'v',
      tasks: [
        { id: 'on', modes: [{ durS: 60, use: { a: 1 } }] },
        { id: 'cure', modes: [{ durS: cureS, use: {} }] },
        { id: 'off', modes: [{ durS: 60, use: { a: 1 } }] },
      ],
      links: [
        { from: 'on', to: 'cure', minS: 0 },
        { from: 'cure', to: 'off', minS: 0 },
      ],
      holds: [{ resource: 'clips', n: 1, from: 'on', to: 'off' }],
    },
  ],
});

describe('promises with holds', () => {
  it('one set of clips and twelve jobs: each waits for the clips of the one before (by hand)', () => {
    const jobs = Array.from({ length: 12 }, (_, i) => clamped(`j${i}`, null));
    const g = new Generator(compile(bench(jobs)));
    const s = simulate(g, firstPlan(g), (_j, _t, _m, planned) => planned, 20);
    const ends = s.jobs.map((j) => j.p50S).sort((x, y) => x - y);
    ends.forEach((e, i) => expect(e).toBe((i + 1) * 1120));
  });

  it('equals an independent simulation when the work scatters: P80 within 2 %, share in time within 3 points', () => {
    const n = 8;
    const jobs = Array.from({ length: n }, (_, i) => clamped(`j${i}`, (i + 1) * 1400));
    const g = new Generator(compile(bench(jobs)));
    const encoding = firstPlan(g);
    // hands take from half to twice as long, evenly in the logarithm
    const stretch = (u: number) => 0.5 * 4 ** u;
    const s = simulate(
      g,
      encoding,
      (_j, task, _m, planned, random) => (task === 'cure' ? planned : planned * 5 * stretch(random())),
      4000,
      3,
    );
    g.make(encoding);
    const order = jobs
      .map((_, i) => i)
      .sort((x, y) => g.startS[g.c.jobs[x]!.variants[0]!.tasks[0]!]! - g.startS[g.c.jobs[y]!.variants[0]!.tasks[0]!]!);
    // own simulation: one set of clips, so the jobs follow one another whole
    let seed = 99;
    const u = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
    const ends: number[][] = jobs.map(() => []);
    for (let run = 0; run < 4000; run++) {
      let t = 0;
      for (const i of order) {
        t += 300 * stretch(u()) + 1000 + 300 * stretch(u());
        ends[i]!.push(t);
      }
    }
    jobs.forEach((job, i) => {
      const mine = [...ends[i]!].sort((x, y) => x - y);
      const p80 = mine[Math.floor(0.8 * mine.length)]!;
      const inTime = mine.filter((e) => e <= job.dueS!).length / mine.length;
      expect(Math.abs(s.jobs[i]!.p80S / p80 - 1)).toBeLessThan(0.02);
      expect(Math.abs(s.jobs[i]!.inTime! - inTime)).toBeLessThan(0.03);
    });
  });
});

describe('"X first" told at its true cost', () => {
  it('two jobs of one person: the other first costs what exchanging them costs (by hand)', () => {
    const one = (id: string, durS: number, dueS: number): BenchJob => ({
      id,
      releaseS: 0,
      dueS,
      weight: 1,
      variants: [{ id: 'v', tasks: [{ id: 't', modes: [{ durS, use: { a: 1 } }] }], links: [], holds: [] }],
    });
    const p = planShop(bench([one('short', 600, 700), one('long', 6000, 7000)]), { iterations: 50, seeds: [1] });
    expect(p.objective[0]).toBe(0);
    const [o] = insteadOf(p, { job: 'short', task: 't' }, [{ job: 'long', task: 't' }]);
    // long 0 to 6000, short ends at 6600: 5900 s late
    expect(o!.moreLateS).toBe(5900);
    expect(o!.newlyLate).toEqual(['short']);
  });

  it('a task that hardly matters is not told as hours: its job has nothing to wait for', () => {
    // the first job's hands are short; putting the other first moves all by a minute, not by its whole cure
    const p = planShop(
      bench([clamped('one', 4000), clamped('two', 6000)], {
        resources: [
          { id: 'a', kind: 'technician', capacity: 1 },
          { id: 'clips', kind: 'clamp', capacity: 2 },
        ],
      }),
      { iterations: 100, seeds: [1, 2] },
    );
    const first = p.plan[0]!;
    const other = p.plan.find((e) => e.job !== first.job && e.task === 'on')!;
    const [o] = insteadOf(p, first, [other]);
    expect(o!.moreLateS).toBeLessThanOrEqual(120);
  });
});

it('a missed window gives its reheat to every way of closing', () => {
  const job = clamped('j', null);
  const link = { from: 'on', to: 'cure', minS: 0, maxS: 10, reheat: [{ durS: 30, use: {} }] };
  const v = { ...job.variants[0]!, links: [link, job.variants[0]!.links[1]!] };
  const two = bench([{ ...job, variants: [v, { ...v, id: 'w' }] }]);
  const r = withReheat(two, { job: 'j', from: 'on', to: 'cure' }, 0)!;
  for (const x of r.bench.jobs[0]!.variants) expect(x.tasks.map((t) => t.id)).toContain(r.task);
});

describe('nothing hangs on a figure that is none', () => {
  it.each<[string, (b: Bench) => Bench]>([
    ['now', (b) => ({ ...b, nowS: NaN })],
    ['not before', (b) => ({ ...b, jobs: [{ ...b.jobs[0]!, releaseS: NaN }] })],
    ['capacity', (b) => ({ ...b, resources: b.resources.map((r) => ({ ...r, capacity: NaN })) })],
    ['due', (b) => ({ ...b, jobs: [{ ...b.jobs[0]!, dueS: NaN }] })],
    [
      'hold',
      (b) => ({
        ...b,
        jobs: [
          {
            ...b.jobs[0]!,
            variants: [{ ...b.jobs[0]!.variants[0]!, holds: [{ resource: 'clips', n: NaN, from: 'on', to: 'off' }] }],
          },
        ],
      }),
    ],
    [
      'duration',
      (b) => ({
        ...b,
        jobs: [
          {
            ...b.jobs[0]!,
            variants: [
              {
                ...b.jobs[0]!.variants[0]!,
                tasks: [{ id: 'on', modes: [{ durS: NaN, use: {} }] }],
                links: [],
                holds: [],
              },
            ],
          },
        ],
      }),
    ],
  ])('%s is named', (field, break_) => {
    expect(() => planShop(break_(bench([clamped('j', 100)])), { iterations: 0, seeds: [] })).toThrow(new RegExp(field));
  });

  it('windows that overlap count once', () => {
    const b = bench([], {
      calendars: {
        day: [
          [0, 100],
          [50, 150],
        ],
      },
      resources: [{ id: 'a', kind: 'technician', capacity: 1, calendar: 'day' }],
    });
    expect(compile(b).calendars[0]).toEqual([[0, 150]]);
  });
});

it('a plan in force stays when another is better by less than is worth it, and changes when it is worth it', () => {
  const one = (id: string, durS: number, dueS: number | null): BenchJob => ({
    id,
    releaseS: 0,
    dueS,
    weight: 1,
    variants: [{ id: 'v', tasks: [{ id: 't', modes: [{ durS, use: { a: 1 } }] }], links: [], holds: [] }],
  });
  const standing = (dueS: number) => {
    const b = bench([one('x', 600, null), one('y', 600, dueS)]);
    const previous = ['x', 'y'].map((job, i) => ({
      job,
      variant: 'v',
      task: 't',
      mode: 0,
      startS: 600 * i,
      endS: 600 * (i + 1),
    }));
    return planShop(b, { iterations: 100, seeds: [1], previous, inForce: true });
  };
  // y would be five minutes late: not worth that everybody looks anew
  expect(standing(900).plan[0]!.job).toBe('x');
  // ten and more: worth it
  expect(standing(590).plan[0]!.job).toBe('y');
});

/** One task of a person. */
const single = (id: string, durS: number, dueS: number | null, releaseS = 0): BenchJob => ({
  ...{ id, releaseS, dueS, weight: 1 },
  variants: [{ id: 'v', tasks: [{ id: 't', modes: [{ durS, use: { a: 1 } }] }], links: [], holds: [] }],
});
const plan = (b: Bench) => planShop(b, { iterations: 60, seeds: [1], previous: [] });

it('what comes in later is next, and not ready yet', () => {
  const [later] = nextHands(plan(bench([single('x', 100, null, 500)])));
  expect(later).toMatchObject({ person: 'a', ready: false, untilS: null });
  expect(later!.entry.startS).toBe(500);
  expect(nextHands(plan(bench([single('x', 100, null)])))[0]!.ready).toBe(true);
});

it('a rescue tells what it costs the others: by hand, two jobs of 600 s and 900 s for one pair of hands', () => {
  // both due at 1000 s: the short one first leaves the long one 500 s late; its rescue, the long one alone first, costs the short 500 s
  const both = bench([single('long', 900, 1000), single('short', 600, 1000)]);
  const p = plan(both);
  const late = p.doneS.long! > 1000 ? 'long' : 'short';
  const other = late === 'long' ? 'short' : 'long';
  const first: Bench = { ...both, jobs: both.jobs.map((j) => (j.id === other ? { ...j, releaseS: 1 } : j)) };
  const held: Bench = {
    ...first,
    jobs: first.jobs.map((j) => (j.id === other ? { ...j, releaseS: late === 'long' ? 900 : 600 } : j)),
  };
  const [r] = rescues(p, late, [{ id: 'first', what: late, bench: held }], 60, 1);
  expect(r).toMatchObject({ id: 'first', endS: late === 'long' ? 900 : 600, tardinessS: 0 });
  expect(r!.costs).toEqual([{ job: other, tardinessS: 500 }]);
  // what helps by less than half a minute is none
  expect(rescues(p, late, [{ id: 'otherWay', what: '', bench: both }], 60, 1)).toEqual([]);
});
