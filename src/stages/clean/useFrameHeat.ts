import { useMemo } from 'react';

import { coolC } from '@/core/clean/zones';
import { bondPerimeter } from '@/core/device/perimeter';
import { heatModelled } from '@/core/device/thermalStack';
import { firstTrue } from '@/core/heat/forecast';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { lookedAtS, thermalJob } from '@/work/heat/thermalJob';
import { useThermal } from '@/bench-kit/useThermal';

/** How warm the frame still is, at most, and when it is cool enough for tape, alcohol and a dry fit. */
export function useFrameHeat(job: JobState, settings: Settings, now: number) {
  const source = useThermal(job.device, job.bond);
  const path = useMemo(() => bondPerimeter(job.device, job.bond), [job.device, job.bond]);
  const thermal = useMemo(
    () =>
      source.model && job.heat.length && heatModelled(job.device, job.bond)
        ? thermalJob(job, settings, source.model, 0)
        : null,
    [source.model, job, settings],
  );
  const roomC = job.ambientC ?? settings.roomC;
  const nowS = thermal ? (now - thermal.t0) / 1e3 : 0;
  const frameC = thermal ? Math.max(...thermal.run.arcsC(nowS, thermal.arcs).map((r) => r.high)) : roomC;
  // looked at every half minute
  const lookS = thermal ? lookedAtS(thermal, nowS, 30) : 0;
  const coolAtS = useMemo(
    () =>
      thermal
        ? firstTrue(
            (t) => Math.max(...thermal.run.arcsC(t, thermal.arcs).map((r) => r.high)) <= coolC.value,
            lookS,
            lookS + 7200,
            120,
          )
        : null,
    [thermal, lookS],
  );
  return { path, roomC, frameC, heatedHere: thermal !== null, coolInS: Math.max(0, (coolAtS ?? nowS) - nowS) };
}

export type FrameHeat = ReturnType<typeof useFrameHeat>;
