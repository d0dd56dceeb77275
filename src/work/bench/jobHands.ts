import { remainingS } from '@/core/schedule/durations';
import { type Going, type TaskId } from '@/core/schedule/jobTasks';
import type { JobState } from '@/model/fold';
import { learnedStage, stageOf } from '@/model/taskNames';
import { kindOf, workCached } from './shopDurations';

import { type BenchInput, type Frame } from './benchInput';

/** What is noted while the work of one job is gathered. */
export type JobHands = ReturnType<typeof jobHands>;

/** Who is at a job, how long its tasks take them, what is left of it and what goes on. */
export function jobHands(job: JobState, o: BenchInput, f: Frame) {
  const { book } = o;
  const kind = kindOf(job);
  /** steps of a stage that are left: one for each joint that it is still to be done at */
  const steps = (stage: keyof JobState['stages']) =>
    job.way.filter((s) => s.stage === stage && ['todo', 'started'].includes(job.progress[s.key] ?? '')).length;
  const todo = (stage: keyof JobState['stages']) => steps(stage) > 0;
  const left = new Set<TaskId>();
  const going: Going[] = [];
  const stretch = o.stretch?.get(job.id) ?? 1;
  const aside = (stage: string) => {
    const done = workCached(job).filter((w) => w.stage === stage && w.toAt === null);
    return done.reduce((m, w) => m + w.workS, 0);
  };
  const handsS = (t: TaskId, person: string): number => {
    const stage = learnedStage(t);
    if (!stage) return 60;
    const l = book.of(stage, kind, person);
    const usual = l.medianS * stretch * Math.max(1, steps(stage));
    const before = aside(stage);
    return before > 0 ? Math.max(60, remainingS({ mu: Math.log(usual), sigma: l.scatter.sigma }, before)) : usual;
  };
  const running = workCached(job).find((w) => w.toAt === null) ?? null;
  const worker = running
    ? ([...f.working].find(([p, id]) => id === job.id && p === running.person)?.[0] ?? null)
    : null;
  const begin = (t: TaskId, startAt: number, moreS = 0, heater: string | null = null) => {
    const person = worker !== null && f.names.includes(worker) ? worker : (f.names[0] ?? null);
    const startS = f.s(startAt);
    const l = book.of(learnedStage(t) ?? stageOf(t), kind, person ?? '');
    const leftS = remainingS(
      { mu: Math.log(l.medianS * stretch), sigma: l.scatter.sigma },
      Math.max(0, f.nowS - startS),
    );
    // a running task is never over before somebody says so
    going.push({
      task: t,
      startS,
      endS: f.nowS + Math.max(60, Math.round(Math.min(leftS, 2 * 3600))) + Math.round(moreS),
      person,
      heater,
    });
  };
  const works = (stage: string) => worker !== null && running?.stage === stage;
  return { left, going, todo, handsS, running, worker, begin, works };
}
