import type { StageMinutes } from '@/core/intake/collection';
import { routeMinutes } from '@/core/intake/route';
import { workDefs, type Work } from '@/core/intake/works';
import { DurationBook, type Worked } from '@/core/schedule/learned';
import type { JobState, JointSeen } from '@/model/fold';
import type { CoverSlice } from '@/model/stages/cover';
import { coverWorkAt } from '@/model/jobWorks';
import { stageWork } from '@/model/stageWork';
import { stageMinutes, usualMinutes } from '@/model/stages';

/** What a job is worked as, before anything was chosen. */
export const workOf = (job: Pick<JointSeen, 'face' | 'model' | 'bond'> & CoverSlice): Work =>
  job.route?.work ?? (job.keepCover ? 'openClose' : coverWorkAt(job));

/** Kind of job that durations are learned by: how the cover is held, and what is done. */
export const kindOf = (job: Pick<JointSeen, 'face' | 'model' | 'bond'> & CoverSlice): string =>
  `${job.face.construction}/${workOf(job)}`;

/** Usual and long duration of a stage for a kind of job, s: the shop's figures, stretched to the minutes of the work. */
export function usualS(stage: string, kind: string, pieces = 1): { p50: number; p90: number } {
  const [construction, work] = kind.split('/') as [JobState['face']['construction'], Work];
  const m = (stageMinutes as Readonly<Record<string, StageMinutes | undefined>>)[stage];
  if (!m) return { p50: 300, p90: 600 };
  if (!m.ofRoute) return { p50: m.p50.value * 60, p90: m.p90.value * 60 };
  const own =
    routeMinutes(work, { construction, pieces }) -
    (workDefs[work].internalsOut ? (stageMinutes.strip?.p50.value ?? 0) : 0);
  const factor = Math.max(0.3, own / usualMinutes);
  return { p50: m.p50.value * 60 * factor, p90: m.p90.value * 60 * factor };
}

/** Everything that was worked through without being called away. */
export const workedRows = (
  jobs: readonly JobState[],
): (Worked & { plannedS: number | null; at: number; jobId: string })[] =>
  jobs.flatMap((job) =>
    workCached(job)
      .filter((w) => w.whole)
      .map((w) => ({
        stage: w.stage,
        kind: kindOf(job),
        person: w.person,
        workS: w.workS,
        plannedS: w.plannedS,
        at: w.fromAt,
        jobId: job.id,
      })),
  );

const works = new WeakMap<JobState, ReturnType<typeof stageWork>>();
/** Work of a job's stages; a job's state is never changed in place, so it is kept with it. */
export function workCached(job: JobState): ReturnType<typeof stageWork> {
  let w = works.get(job);
  if (!w) works.set(job, (w = stageWork(job)));
  return w;
}

const books = new WeakMap<readonly JobState[], DurationBook>();
/** What the log says of durations; kept with the list of jobs, which is never changed in place. */
export function bookOf(jobs: readonly JobState[]): DurationBook {
  let b = books.get(jobs);
  if (!b) books.set(jobs, (b = new DurationBook(workedRows(jobs), (s, k) => usualS(s, k))));
  return b;
}
