import { type JobWork } from '@/core/schedule/jobTasks';
import type { JobState } from '@/model/fold';
import { stageDefs } from '@/model/stages';
import { benchFigures, type BenchInput, type Frame } from './benchInput';
import { closeLeft } from './closeLeft';
import { heatLeft } from './heatLeft';
import { jobHands } from './jobHands';

/** What is left of a job and what of it goes on, from its log, the settings and its own plans. */
export function jobWork(job: JobState, o: BenchInput, f: Frame): JobWork {
  const { settings } = o;
  const at = jobHands(job, o, f);
  const { left, going, todo, handsS, running, begin, works } = at;
  for (const stage of new Set(job.way.map((s) => s.stage))) {
    const { work } = stageDefs[stage];
    if (work.how !== 'hands' || !todo(stage)) continue;
    left.add(work.task);
    if (works(stage)) begin(work.task, running!.fromAt);
  }
  const { heats, lifter } = heatLeft(job, o, f, at);
  const { ways, handOverFromS } = closeLeft(job, o, f, at);
  // a part that should have come is not here before somebody says so
  const partS =
    job.partDue?.dueAt != null && !job.bonded
      ? Math.max(f.s(job.partDue.dueAt), f.nowS + (job.partDue.dueAt <= o.now ? benchFigures.overdueS.value : 0))
      : null;
  return {
    id: job.id,
    // the schedule knows a stage once; that it is done at several joints is in its minutes
    steps: [...new Set(job.way.map((s) => s.stage))].map((s) => stageDefs[s].work),
    releaseS: Math.min(f.s(job.openedAt), f.nowS),
    dueS: job.promiseAt === null ? null : f.s(job.promiseAt),
    weight: job.comeBack ? benchFigures.comeBackWeight.value : 1,
    left,
    handsS,
    heats,
    ways,
    partS,
    partFirst: !settings.openBeforePart && !job.opened,
    going,
    handOverFromS,
    wishes: [
      ...(lifter !== null && !job.wishes.has('lift')
        ? [{ task: 'lift' as const, notBeforeS: null, pinnedS: null, person: lifter, heater: null }]
        : []),
      ...[...job.wishes.values()].map((w) => ({
        task: w.task,
        notBeforeS: w.kind === 'notBefore' && w.wishAt !== null ? f.s(w.wishAt) : null,
        pinnedS: w.kind === 'pinned' && w.wishAt !== null && w.wishAt > o.now ? f.s(w.wishAt) : null,
        person: w.person,
        heater: w.heater,
      })),
    ],
  };
}
