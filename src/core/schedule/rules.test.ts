import { compile } from './compile';
import { Generator } from './generate';
import { firstPlan } from './rules';
import type { Bench, BenchJob } from './types';

/** One pair of hands, and jobs of one task each. */
const one = (id: string, durS: number, dueS: number | null, weight = 1, releaseS = 0): BenchJob => ({
  ...{ id, releaseS, dueS, weight },
  variants: [{ id: 'v', tasks: [{ id: 't', modes: [{ durS, use: { a: 1 } }] }], links: [], holds: [] }],
});
const bench = (jobs: BenchJob[], nowS = 0): Bench => ({
  ...{ originS: 0, nowS, calendars: {}, started: [], jobs },
  resources: [{ id: 'a', kind: 'technician', capacity: 1 }],
});
/** Ids in the order in which a rule has them begin. */
const order = (jobs: BenchJob[], rule: string, nowS = 0): string => {
  const c = compile(bench(jobs, nowS));
  const g = new Generator(c);
  const plan = firstPlan(g, rule);
  return plan.order.map((b) => c.jobs[c.blocks[b]!.job]!.id).join('');
};

// worked by hand: lengths, due dates and weights such that each rule has an order of its own
const jobs = [one('A', 300, 1100, 1), one('B', 100, 2000, 5), one('C', 200, 1900, 1, 5)];

it.each([
  // by due date
  ['dueDate', 'ACB'],
  // shortest first, by length over weight: 300, 20, 200
  ['weightedShortest', 'BCA'],
  ['shortest', 'BCA'],
  ['mostWorkLeft', 'ACB'],
  // due less work: 800, 1900, 1700
  ['slack', 'ACB'],
  // what is left until it is due, over the weight, at 1000 s: 100, 200, 900
  ['weightedDue', 'ABC'],
  // whoever came first
  ['arrival', 'ABC'],
])('%s: %s', (rule, expected) => {
  expect(order(jobs, rule, 1000)).toBe(expected);
});

it('the cost of being late, at 1000 s (Vepsalainen and Morton 1987, k = 2, worked by hand)', () => {
  // mean work 200: A (1/300)·exp(0) = 0.00333; B (5/100)·exp(−900/400) = 0.00527; C (1/200)·exp(−700/400) = 0.00087
  expect(order(jobs, 'tardinessCost', 1000)).toBe('BAC');
});

it('what cannot be in time any more costs its whole weight: the length of the work counts from now', () => {
  // A is late already: (1/300)·exp(0) = 0.00333; B (3/100)·exp(−900/400) = 0.00316
  expect(order([one('A', 300, 1100, 1), one('B', 100, 2000, 3)], 'tardinessCost', 1000)).toBe('AB');
});

it('a rule does not look at the hour: everything an hour later is the same order', () => {
  const later = jobs.map((j) => ({ ...j, releaseS: j.releaseS + 3600, dueS: j.dueS === null ? null : j.dueS + 3600 }));
  for (const rule of ['dueDate', 'weightedShortest', 'slack', 'weightedDue', 'tardinessCost', 'arrival'])
    expect(order(later, rule, 4600)).toBe(order(jobs, rule, 1000));
});

it('of all rules the best plan is taken', () => {
  const g = new Generator(compile(bench(jobs, 1000)));
  const all = [
    'dueDate',
    'weightedShortest',
    'slack',
    'weightedDue',
    'tardinessCost',
    'arrival',
    'shortest',
    'mostWorkLeft',
  ];
  const best = firstPlan(g).objective[0];
  for (const rule of all) expect(firstPlan(g, rule).objective[0]).toBeGreaterThanOrEqual(best);
});
