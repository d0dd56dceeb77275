// Many jobs on one bench: how soon a first plan stands, how many are tried in two seconds, and what that is worth against the
// plain rule that a person follows by eye (whoever is due first).
import { boundsOf } from '../src/core/schedule/bounds';
import { compile } from '../src/core/schedule/compile';
import { violations } from '../src/core/schedule/feasible';
import { Generator } from '../src/core/schedule/generate';
import { solve } from '../src/core/schedule/improve';
import { promisesOf } from '../src/core/schedule/promise';
import { firstPlan } from '../src/core/schedule/rules';
import { planShop } from '../src/core/schedule/shopPlan';
import { benchShop } from './benchShop';
import { benchHundred } from './hundredJobs';
import { afterEvent, benchScale } from './scale';

type Median = (work: () => unknown, runs?: number) => number;
type Line = (name: string, value: string) => void;

export async function benchScheduling(median: Median, line: Line): Promise<void> {
  console.log('\nSchedule: 20 jobs, two people');
  const g0 = new Generator(compile(benchShop(20, 1)));
  const firstMs = median(() => firstPlan(g0), 7);
  const frameMs = 1000 / 60;
  line('first plan (eight rules, two variants)', `${(firstMs / frameMs).toFixed(1)} frames (${firstMs.toFixed(0)} ms)`);
  // a task is done late: everything that has not begun is planned again from the plan that stands
  const bench = benchShop(20, 1);
  const standing = planShop(bench, { iterations: 300, seeds: [1] });
  const event = afterEvent(standing);
  const againMs = median(() => planShop(event, { iterations: 0, seeds: [], previous: standing.plan }), 7);
  line(
    'planned again after an event, with the check',
    `${(againMs / firstMs).toFixed(1)} : 1 of a first plan (${againMs.toFixed(0)} ms)`,
  );
  const runs = 2000;
  const promiseMs = median(() => promisesOf(standing, {}, runs), 3);
  line(
    `promises, ${runs} runs of the plan`,
    `${(promiseMs / firstMs).toFixed(0)} : 1 of a first plan (${promiseMs.toFixed(0)} ms)`,
  );
  const hours = (s: number) => (s / 3600).toFixed(2);
  for (const shop of [1, 2, 3]) {
    const own = benchShop(20, shop);
    const g = new Generator(compile(own));
    const dueFirst = firstPlan(g, 'dueDate').objective[0];
    const bound = boundsOf(g.c).tardinessS;
    const results = [1, 2, 3].map((seed) => {
      const began = performance.now();
      const s = solve(g, { iterations: 1e6, seed, target: bound + 1e-6, tell: () => performance.now() - began < 2000 });
      g.make(s);
      return {
        late: s.objective[0],
        made: s.made,
        ms: performance.now() - began,
        breaches: violations(own, g.entries(s)).length,
      };
    });
    const best = Math.min(...results.map((r) => r.late));
    const rate = results.reduce((a, r) => a + r.made, 0) / results.reduce((a, r) => a + r.ms, 0);
    line(
      `shop ${shop}: weighted hours late, due first : best of 3 seeds in 2 s : least possible`,
      `${hours(dueFirst)} : ${hours(best)} : ${hours(bound)}`,
    );
    line(
      `shop ${shop}: plans in 2 s, breaches found by the checker`,
      `${Math.round(2000 * rate)}, ${results.reduce((a, r) => a + r.breaches, 0)}`,
    );
  }
  benchHundred(line, frameMs);
  await benchScale(median, line);
}
