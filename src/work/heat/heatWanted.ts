import { coverKindOf } from '@/core/device/coverKinds';
import { jointOf } from '@/core/device/jointKinds';
import type { JobState, JobWay, JointSeen } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { onPlate, type HeatSlice } from '@/model/stages/heat';

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
