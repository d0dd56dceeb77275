import { orderTests, stepsOfRoute } from '@/core/functions/riskOrder';
import { coverKindOf } from '@/core/device/coverKinds';
import { workDefs, worksAt } from '@/core/intake/works';
import { shippedTables, type FaultTables } from '@/core/functions/tables';
import type { JobState } from '@/model/fold';

/** Steps that the works of a route add; the inside that comes out all the same takes its plugs with it. */
function putsOf(route: JobState['route']): string[] {
  if (!route) return [];
  const own = worksAt(route).filter((w) => route.internalsOut || !workDefs[w].internalsOut);
  const puts = own.flatMap((w) => workDefs[w].puts);
  return route.internalsOut && !puts.includes('battDisconnect')
    ? [...puts, 'battDisconnect', 'coilRemove', 'cameraRemove']
    : puts;
}

/** Steps that this job's route puts the device through, and those that its log tells of besides. */
export function stepsOf(job: JobState): string[] {
  const steps = new Set(
    stepsOfRoute({
      heated: job.stages.heat !== 'skipped',
      lensOnly: coverKindOf(job.face).lens,
      puts: putsOf(job.route),
      bead: job.route?.closedBy === 'bead',
      has: {
        cable: job.device.cables.length > 0,
        coil: job.device.parts.some((p) => p.kind === 'coil'),
        camera: job.device.parts.some((p) => p.kind === 'camera'),
      },
    }),
  );
  // hot air has a way of the nozzle, a plate has none
  if (job.heat.some((h) => h.setC !== null && h.use?.path)) steps.add('hotAir');
  if (job.alcohol.some((a) => a.use === 'gap')) steps.add('solventWick');
  for (const p of job.device.parts)
    if (job.parts[p.id] && job.parts[p.id] !== 'in') {
      if (p.kind === 'coil') steps.add('coilRemove');
      if (p.kind === 'camera') steps.add('cameraRemove');
    }
  return [...steps];
}

/** What can be wrong on a short test before opening: the functions this route puts at risk most, per minute. */
export function testsOf(job: JobState, short: boolean, tables: FaultTables = shippedTables) {
  const all = orderTests(stepsOf(job), job.device.functions, tables);
  return short ? all.slice(0, 8) : all;
}
