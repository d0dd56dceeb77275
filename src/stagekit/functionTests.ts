import { orderTests, stepsOfRoute } from '@/core/functions/riskOrder';
import type { JobState } from '@/model/fold';

/** Steps that this job's route puts the device through. */
export const stepsOf = (job: JobState): string[] =>
  stepsOfRoute({
    heated: job.stages.heat !== 'skipped',
    lensOnly: job.route?.work === 'lensCovers',
    internalsOut: job.route?.internalsOut ?? false,
    wholeHousing: job.route?.work === 'wholeHousing',
    bead: job.route?.closedBy === 'bead',
  });

/** What can be wrong on a short test before opening: the functions this route puts at risk most, per minute. */
export function testsOf(job: JobState, short: boolean) {
  const all = orderTests(stepsOf(job), job.device.functions);
  return short ? all.slice(0, 8) : all;
}
