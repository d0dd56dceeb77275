import type { ReducedModel } from '@/core/heat/reduced';
import type { Heater } from '@/core/heat/heater';
import { taskFigures, type HeatWay } from '@/core/schedule/jobTasks';
import { onPlate, type JobState } from '@/model/fold';
import { heaterOf, type Settings } from '@/model/settings';
import { heatForecast } from './heatForecast';
import { airUse, firstPlan, usualOf } from './heatPlan';
import { edgeMeans, liftState, pickInForce, thermalJob } from './thermalJob';

/** Does the plan need to know how long this job heats. */
export const needsHeat = (job: JobState): boolean =>
  job.closedAt === null &&
  job.bond.zone !== 'clips' &&
  !['lensInRing', 'frameLens'].includes(job.face.construction) &&
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
  ]);

/**
 * Heating time and window of a job on the heaters that can do it: the one it is planned with, and the plates and mats beside it.
 * From its own heat model, on the late end; heaters that never get it soft are left out.
 */
export function heatWays(job: JobState, settings: Settings, model: ReducedModel, now: number): HeatWay[] {
  const planned = heaterOf(settings, job.plan?.heater);
  const others: Heater[] =
    planned.kind === 'air'
      ? []
      : [settings.plate, ...settings.heaters].filter((h) => h.kind !== 'air' && h.id !== planned.id);
  return [planned, ...others].flatMap((heater): HeatWay[] => {
    const draft = firstPlan(job, settings);
    const own = heater === planned;
    const use = own ? draft.use : heater.kind === 'air' ? airUse('edge', job, undefined, 1) : {};
    const thermal = thermalJob(job, settings, model, now, { heater: heater.id, use });
    const lift = liftState(
      job,
      settings,
      thermal.path,
      thermal.arcs,
      draft.pickMm ?? pickInForce(job, settings),
      edgeMeans(job, thermal),
    );
    if (!lift.order.length) return [];
    const nowS = Math.max(0, (now - thermal.t0) / 1e3);
    const setC = own ? draft.setC : usualOf(heater);
    const f = heatForecast(job, thermal, lift, { setC, preheated: heater.kind !== 'mat' }, nowS);
    if (!f.readyS || !f.easyUntilS) return [];
    const heatS = f.readyS.high - f.heatStartS;
    return [
      {
        heater: heater.id,
        held: heater.kind === 'air' || heatS <= taskFigures.standByS.value,
        heatS,
        windowS: Math.max(10, f.easyUntilS.low - f.readyS.high),
        reheatS: Math.max(20, heatS * taskFigures.reheatShare.value),
      },
    ];
  });
}
