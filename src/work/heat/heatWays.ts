import { coverKindOf } from '@/core/device/coverKinds';
import { jointOf } from '@/core/device/jointKinds';
import { defOf } from '@/core/heat/heaterDefs';
import type { ReducedModel } from '@/core/heat/reduced';
import { answersOf } from '@/core/heat/heaterKind';
import type { Heater } from '@/core/heat/heater';
import { taskFigures, type HeatWay } from '@/core/schedule/jobTasks';
import type { JobState, JobWay, JointSeen } from '@/model/fold';
import { onPlate, type HeatSlice } from '@/model/stages/heat';
import { contactsOf, heaterOf, type Settings } from '@/model/settings';
import { heatAnswer } from './heatForecast';
import { firstPlan, setFor } from './heatPlan';

/** Does the plan need to know how long this job heats. */
export const needsHeat = (job: Pick<JobWay, 'closedAt' | 'stages'> & JointSeen & HeatSlice): boolean =>
  job.closedAt === null &&
  jointOf(job.bond).glued &&
  !coverKindOf(job.face).lens &&
  (job.stages.heat === 'todo' ||
    job.stages.heat === 'started' ||
    job.stages.lift === 'todo' ||
    job.stages.lift === 'started') &&
  onPlate(job) === null;

/** What the heating time of a job depends on: while it is the same, so is the answer. */
export const heatKey = (job: JobState, settings: Settings): string =>
  JSON.stringify([
    job.id,
    job.model.version,
    job.bond.id,
    job.heat.length,
    job.plan,
    job.keepCover,
    job.findings.chip?.answer,
    job.ambientC ?? settings.roomC,
    [...job.freeEdges],
    settings.plate,
    settings.heaters,
    settings.breakLimit,
    settings.draught,
    job.parts,
    job.alcohol.length,
    settings.seen.length,
  ]);

/**
 * Heating time and window of a job on the heaters that can do it: the one it is planned with, and the plates and mats beside it.
 * The one answer of the Heat page, at its usual instant; heaters that do not open it, or not within the marks, are left out
 * unless they are the one it is planned with.
 */
export function heatWays(job: JobState, settings: Settings, model: ReducedModel, now: number): HeatWay[] {
  const draft = firstPlan(job, settings);
  const planned = heaterOf(settings, draft.heater);
  const others: Heater[] = !defOf(planned).under ? [] : contactsOf(settings).filter((h) => h.id !== planned.id);
  return [planned, ...others].flatMap((heater): HeatWay[] => {
    const own = heater === planned;
    const f = heatAnswer(
      job,
      settings,
      model,
      now,
      own
        ? draft
        : { ...draft, heater: heater.id, use: {}, setC: setFor(heater, job), preheated: answersOf(heater).preheated },
    )?.forecast;
    if (!f?.readyS || !f.easyUntilS || (!own && f.over.length)) return [];
    const heatS = f.readyS.mean - f.heatStartS;
    return [
      {
        heater: heater.id,
        held: !defOf(heater).under || heatS <= taskFigures.standByS.value,
        heatS,
        windowS: Math.max(10, f.easyUntilS.mean - f.readyS.mean),
        reheatS: Math.max(20, heatS * taskFigures.reheatShare.value),
      },
    ];
  });
}
