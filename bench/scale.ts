// 20, 100 and 300 open jobs, and 10,000 finished ones: the first plan, a replan after an event, the lists, search, memory.
import { PlanSession } from '../src/core/schedule/planSession';
import { planShop, type ShopPlan } from '../src/core/schedule/shopPlan';
import { demoHistory } from '../src/demo/history';
import { demoSettings } from '../src/demo/shop';
import { foldJob, type JobState } from '../src/model/fold';
import { benchItems } from '../src/places/bench/benchItems';
import { nextHands } from '../src/core/schedule/nextHands';
import { shopBench } from '../src/work/bench/shopBench';
import { bookOf } from '../src/work/bench/shopDurations';
import { textSearch } from '../src/work/textSearch';
import { at, bigJobs } from './bigShop';
import { openJobs } from './hundredJobs';

type Median = (work: () => unknown, runs?: number) => number;
type Line = (name: string, value: string) => void;

const heap = () => {
  (globalThis as { gc?: () => void }).gc?.();
  return process.memoryUsage().heapUsed / 2 ** 20;
};

/** The first task of the plan, done late by a quarter of an hour: what a bench notes ten times in a day. */
export function afterEvent(standing: Pick<ShopPlan, 'bench' | 'plan'>, which = 0): ShopPlan['bench'] {
  const first = [...standing.plan].sort((a, b) => a.endS - b.endS)[which]!;
  const nowS = first.endS + 900;
  return {
    ...standing.bench,
    nowS,
    started: standing.plan
      .filter((e) => e.startS < nowS)
      .map((e) => ({
        job: e.job,
        task: e.task,
        mode: e.mode,
        startS: e.startS,
        endS: e.endS + (e === first ? 900 : 0),
      })),
  };
}

/** How a time grows with the number: 1 is in step with it. */
const power = (a: number, b: number, by: number) => Math.log(b / a) / Math.log(by);

/**
 * Something noted every `everyMs` while a better plan is looked for: with what was found taken over, and thrown away as it used
 * to be. @returns share of the search that was done when the last note came
 */
async function searchedDespiteNotes(first: ShopPlan, notes: number, everyMs: number, goesOn: boolean): Promise<number> {
  const around = {
    nowMs: () => performance.now(),
    pause: (ms: number) => new Promise<void>((go) => setTimeout(go, ms)),
  };
  let session = new PlanSession(around);
  let { bench, plan } = first;
  let share = 0;
  for (let n = 0; n < notes; n++) {
    if (!goesOn) session = new PlanSession(around);
    const asked = { bench, previous: plan, iterations: 900, seeds: [1, 2, 3], scatters: {}, runs: 500, restMs: 0 };
    session
      .ask(
        asked,
        (s) => (share = s),
        () => {},
      )
      .catch(() => undefined);
    await around.pause(everyMs);
    session.hold();
    // what is noted is planned at once, from what stands on the screen
    bench = afterEvent({ bench, plan }, n);
    plan = planShop(bench, { iterations: 0, seeds: [], previous: plan, inForce: true }).plan;
  }
  return share;
}

export async function benchScale(median: Median, line: Line): Promise<void> {
  console.log('\nScale: open jobs on the bench');
  const book = bookOf(demoHistory(at).map((l) => foldJob(l)!));
  const rows = [20, 100, 300].map((count) => {
    const jobs = openJobs(count);
    const input = { jobs, settings: demoSettings, book, now: at };
    const shop = shopBench(input);
    const standing = planShop(shop.bench, { iterations: 0, seeds: [] });
    const event = afterEvent(standing);
    const runs = count > 100 ? 3 : 5;
    return {
      count,
      bench: median(() => shopBench(input), runs),
      first: median(() => planShop(shop.bench, { iterations: 0, seeds: [] }), runs),
      again: median(() => planShop(event, { iterations: 0, seeds: [], previous: standing.plan, inForce: true }), runs),
      items: median(() => benchItems(jobs, demoSettings, at), runs),
      next: median(() => nextHands(standing), runs),
    };
  });
  for (const [name, key] of [
    ['the bench as tasks', 'bench'],
    ['first plan', 'first'],
    ['planned again after an event', 'again'],
    ['the lists of the Bench', 'items'],
    ['hands needed next', 'next'],
  ] as const) {
    const [a, b, c] = rows.map((r) => r[key]);
    line(
      `${name}: 20, 100, 300 open jobs`,
      `${[a, b, c].map((x) => x!.toFixed(x! < 10 ? 1 : 0)).join(', ')} ms; grows as n^${power(b!, c!, 3).toFixed(2)}`,
    );
  }
  const hundred = shopBench({ jobs: openJobs(100), settings: demoSettings, book, now: at });
  const begun = planShop(hundred.bench, { iterations: 0, seeds: [] });
  const shares: string[] = [];
  for (const goesOn of [false, true])
    shares.push((100 * (await searchedDespiteNotes(begun, 6, 800, goesOn))).toFixed(0));
  line(
    '100 open jobs, six notes 0.8 s apart: of the search done, begun anew and gone on',
    `${shares[0]} % and ${shares[1]} %`,
  );
  const before = heap();
  const logs = bigJobs(10_000);
  const states: JobState[] = [];
  const foldMs = median(() => {
    states.length = 0;
    for (const l of logs) states.push(foldJob(l)!);
  }, 1);
  line('10,000 finished jobs folded', `${foldMs.toFixed(0)} ms, ${(heap() - before).toFixed(0)} MB with their logs`);
  const textOf = (j: JobState) => `${j.label} ${j.customerMark} ${j.device.name} ${j.model.name}`;
  const search = textSearch(states, textOf);
  const began = performance.now();
  search('0143');
  const built = performance.now() - began;
  line(
    'search of 10,000: made once, then each letter',
    `${built.toFixed(0)} ms, ${median(() => search('ring 5'), 5).toFixed(1)} ms`,
  );
  const open = openJobs(100);
  line(
    'the Bench with 100 open and 10,000 finished, lists and bench',
    `${median(() => {
      benchItems([...states, ...open], demoSettings, at);
      shopBench({ jobs: [...states, ...open], settings: demoSettings, book, now: at });
    }, 3).toFixed(0)} ms`,
  );
}
