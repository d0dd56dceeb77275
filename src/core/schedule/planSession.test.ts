import { randomOf } from '../numeric/random';
import { compare } from './generate';
import { LeftError } from './leftError';
import { PlanSession, type SessionQuestion } from './planSession';
import { planWork, type PlanPart } from './planWork';
import { planShop } from './shopPlan';
import type { Bench, BenchJob } from './types';

/** Thirty jobs for one pair of hands, due too soon for all: the rules leave much for a search to find. */
const random = randomOf(11);
const jobs: BenchJob[] = Array.from({ length: 30 }, (_, i) => ({
  id: `j${i}`,
  releaseS: 0,
  dueS: Math.round(2000 + 9000 * random()),
  weight: 1 + Math.floor(9 * random()),
  variants: [
    {
      id: 'v',
      tasks: [{ id: 't', modes: [{ durS: Math.round(100 + 900 * random()), use: { a: 1 } }] }],
      links: [],
      holds: [],
    },
  ],
}));
const bench: Bench = {
  originS: 0,
  nowS: 0,
  calendars: {},
  resources: [{ id: 'a', kind: 'technician', capacity: 1 }],
  jobs,
  started: [],
};
const question = (b: Bench, more: Partial<SessionQuestion> = {}): SessionQuestion => ({
  bench: b,
  previous: planShop(b, { iterations: 0, seeds: [] }).plan,
  iterations: 500,
  seeds: [1, 2, 3],
  scatters: {},
  runs: 20,
  tries: 20,
  restMs: 5,
  ...more,
});
/** What was noted meanwhile: the first job of the plan has begun. */
const begun = (b: Bench, at: { job: string; task: string; mode: number }): Bench => ({
  ...b,
  nowS: 60,
  started: [
    {
      job: at.job,
      task: at.task,
      mode: at.mode,
      startS: 0,
      endS: b.jobs.find((j) => j.id === at.job)!.variants[0]!.tasks[0]!.modes[0]!.durS,
    },
  ],
});

/** A session whose clock goes on by 12 ms each time it is looked at; `onPause` hears of each pause. */
function sessionOf(onPause: (n: number, ms: number) => void = () => {}) {
  let now = 0;
  let pauses = 0;
  return new PlanSession({
    nowMs: () => (now += 12),
    pause: async (ms) => {
      now += ms;
      await Promise.resolve();
      onPause(++pauses, ms);
    },
  });
}
const nothing = () => {};

it('left alone it answers what the work in one go answers', async () => {
  const shares: number[] = [];
  const answer = await sessionOf().ask(question(bench), (s) => shares.push(s), nothing);
  expect(answer.plan).toEqual(planWork(question(bench), nothing).plan);
  expect(shares).toEqual([...shares].sort((a, b) => a - b));
  expect(shares.at(-1)).toBeGreaterThan(0.9);
});

it('a question in the middle goes on from what was found, and does what was left of the work', async () => {
  const whole = planShop(bench, { iterations: 500, seeds: [1, 2, 3] });
  const changed = begun(bench, whole.plan[0]!);
  // the plan on the screen knows nothing of what the search had found
  const asked = question(changed, { seeds: [1, 2, 3], iterations: 0 });
  const alone = await sessionOf().ask(asked, nothing, nothing);
  let second: Promise<unknown> | null = null;
  const shares: number[] = [];
  const session = sessionOf((n) => {
    if (n !== 12) return;
    second = session.ask(asked, (s) => shares.push(s), nothing);
  });
  await expect(session.ask(question(bench), nothing, nothing)).rejects.toThrow(LeftError);
  const after = (await second!) as typeof alone;
  // no plan is searched for the changed bench: what is better was found before it changed
  expect(compare(after.plan.objective, alone.plan.objective)).toBeLessThan(0);
  expect(after.plan.breaches).toEqual([]);
  expect(after.plan.plan.find((e) => e.job === whole.plan[0]!.job)!.startS).toBe(0);
  expect(shares[0]).toBeGreaterThan(0.05);
  expect(shares[0]).toBeLessThanOrEqual(0.95);
});

it('held it stands still, and keeps what it has for the next question', async () => {
  const session = sessionOf((n) => n === 12 && session.hold());
  await expect(session.ask(question(bench), nothing, nothing)).rejects.toThrow(LeftError);
  const nextShares: number[] = [];
  const found = await session.ask(question(bench, { iterations: 0 }), (s) => nextShares.push(s), nothing);
  const rules = planShop(bench, { iterations: 0, seeds: [] });
  expect(compare(found.plan.objective, rules.objective)).toBeLessThan(0);
  expect(nextShares[0]).toBeGreaterThan(0.05);
  // and once it has answered there is nothing left to take over
  const again = await session.ask(question(bench, { iterations: 0 }), nothing, nothing);
  expect(again.plan.objective).toEqual(rules.objective);
});

it('a first plan is told at once, takes over nothing, and what is in force is left only for what is worth it', async () => {
  const parts: PlanPart[] = [];
  let pausedMs = 0;
  const session = sessionOf((_, ms) => (pausedMs += ms));
  const first = await session.ask(question(bench, { first: true, previous: [] }), nothing, (p) => parts.push(p));
  expect(parts[0]).toMatchObject({ promises: null, others: null });
  expect(parts[0]!.plan.plan).toHaveLength(30);
  expect(pausedMs).toBe(5);
  expect(compare(first.plan.objective, parts[0]!.plan.objective)).toBeLessThanOrEqual(0);
  // a gain of less than ten minutes in all: the plan in force stays, whatever was found
  const standing = first.plan.plan;
  const small = await session.ask(
    question(bench, { previous: standing, inForce: true, iterations: 0, found: [...standing] }),
    nothing,
    nothing,
  );
  const order = (plan: typeof standing) => plan.map((e) => e.job);
  expect(order(small.plan.plan)).toEqual(order(standing));
});
