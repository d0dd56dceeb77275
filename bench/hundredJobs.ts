// A hundred open jobs on one bench: what the screen does itself, how soon the first plan is there, how soon all of it.
import { planWork, type PlanPart } from '../src/core/schedule/planWork';
import { demoHistory } from '../src/demo/history';
import { demoJobs, demoSettings } from '../src/demo/shop';
import type { JobEvent } from '../src/model/event';
import { foldJob, type JobState } from '../src/model/fold';
import { shopBench } from '../src/work/bench/shopBench';
import { bookOf } from '../src/work/bench/shopDurations';

const t0 = new Date(2026, 3, 14, 9, 0).getTime();

/** The demo's open jobs over and over, each round promised half a day later. */
export function openJobs(count: number): JobState[] {
  const out: JobState[] = [];
  for (let round = 0; out.length < count; round++)
    for (const log of demoJobs(t0)) {
      const own = log.map((e): JobEvent => {
        const copy = { ...e, jobId: `${e.jobId}-${round}`, id: `${e.id}-${round}` };
        return copy.type === 'opened' && copy.promiseAt != null
          ? { ...copy, label: `${copy.label}-${round}`, promiseAt: copy.promiseAt + round * 12 * 3600e3 }
          : copy;
      });
      const job = foldJob(own);
      if (job?.closedAt === null && out.length < count) out.push(job);
    }
  return out;
}

export function benchHundred(line: (name: string, value: string) => void, frameMs: number): void {
  const book = bookOf(demoHistory(t0).map((l) => foldJob(l)!));
  for (const count of [7, 25, 100]) {
    const input = { jobs: openJobs(count), settings: demoSettings, book, now: t0 + 60e3 };
    shopBench(input);
    const a = performance.now();
    const shop = shopBench(input);
    const screenMs = performance.now() - a;
    const b = performance.now();
    const parts: string[] = [];
    const answer = planWork(
      {
        bench: shop.bench,
        previous: [],
        iterations: 900,
        seeds: [1, 2, 3],
        scatters: shop.scatters,
        runs: 2000,
        first: true,
        budget: { ms: 3000 },
      },
      () => {},
      () => performance.now(),
      (p: PlanPart) =>
        parts.push(`${p.promises ? 'promises' : 'first plan'} ${((performance.now() - b) / 1e3).toFixed(1)} s`),
    );
    line(
      `${count} open jobs: on the screen's thread, then in the worker`,
      `${(screenMs / frameMs).toFixed(1)} frames (${screenMs.toFixed(0)} ms); ${parts.join(', ')}, all ${((performance.now() - b) / 1e3).toFixed(1)} s, breaches ${answer.plan.breaches.length}`,
    );
  }
}
