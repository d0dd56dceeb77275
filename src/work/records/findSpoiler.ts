import { foldJob, type JobState } from '@/model/fold';
import type { KnownEvent } from '@/model/event';
import type { Settings } from '@/model/settings';
import { stageWork } from '@/model/stageWork';
import { scatterOf } from '@/work/check/cameraJob';
import { cureOf } from '@/work/cure/cureJob';
import { functionState } from '@/work/check/faults';
import { flushOf } from '@/work/check/flushJob';
import { outcomeOf } from '@/work/money/jobMoney';
import { sealOf } from '@/work/check/sealJob';
import { openScrews, stripWork } from '@/work/strip/stripJob';

export interface Spoiler {
  job: JobState;
  event: KnownEvent;
  /** without it, what could not be computed can be */
  certain: boolean;
}

/** What pages derive from a job, one after the other. */
type Derivation = (job: JobState, settings: Settings, now: number) => unknown;
const derivations: readonly Derivation[] = [
  (job, s) => sealOf(job, s.leakLimit),
  (job, s, now) => (job.bonded ? cureOf(job, s, now) : null),
  (job) => flushOf(job),
  (job) => scatterOf([job]),
  (job) => functionState(job),
  (job) => stripWork(job),
  (job) => openScrews(job),
  (job) => stageWork(job),
  (job, s) => outcomeOf(job, s),
];

/** Entries whose loss ends the job, or that hold nothing that is computed with. */
const kept: ReadonlySet<string> = new Set(['opened', 'undo', 'leaveOut', 'amend', 'note', 'photo', 'photoGone']);
const mostTried = 400;

const thrownBy = (f: () => unknown): string | null => {
  try {
    f();
    return null;
  } catch (e) {
    return e instanceof Error ? e.message : String(e);
  }
};

/**
 * The entry that a page broke on: the newest one without which everything that throws now does not. Where nothing of what
 * is known to be derived throws, the newest entry that holds a value of the message, else the newest of all.
 */
export function findSpoiler(
  jobs: readonly JobState[],
  settings: Settings,
  now: number,
  message: string,
  derive = derivations,
): Spoiler | null {
  for (const job of jobs) {
    const broken = derive.filter((d) => thrownBy(() => d(job, settings, now)) !== null);
    if (!broken.length) continue;
    const tried = candidates(job).slice(0, mostTried);
    for (const event of tried) {
      const without = foldWithout(job, event.id);
      if (without && broken.every((d) => thrownBy(() => d(without, settings, now)) === null))
        return { job, event, certain: true };
    }
    if (tried[0]) return { job, event: tried[0], certain: false };
  }
  const numbers: string[] = message.match(/-?\d+(\.\d+)?(e[+-]?\d+)?/g) ?? [];
  const words = [...message.matchAll(/"([^"]+)"/g)].map((m) => m[1]!);
  const marks = [...numbers.filter((n) => n.length > 1), ...words];
  const latest = jobs
    .flatMap((job) =>
      candidates(job)
        .slice(0, 60)
        .map((event) => ({ job, event })),
    )
    .sort((a, b) => b.event.loggedAt - a.event.loggedAt);
  const named = latest.find(({ event }) => marks.some((m) => JSON.stringify(event).includes(m)));
  const best = named ?? (jobs.length === 1 ? latest[0] : undefined);
  return best ? { ...best, certain: false } : null;
}

const candidates = (job: JobState) => job.effective.filter((e) => !kept.has(e.type)).reverse();

function foldWithout(job: JobState, id: string): JobState | null {
  try {
    return foldJob(job.log.filter((e) => e.id !== id));
  } catch {
    return null;
  }
}
