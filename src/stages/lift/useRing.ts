import { useMemo } from 'react';

import type { JobState } from '@/model/fold';
import { heatCount, onPlate } from '@/model/stages/heat';
import type { Settings } from '@/model/settings';
import { batteryDoseS } from '@/work/heat/batteryDose';
import { lookAt } from '@/work/heat/look';
import { edgeMeans, liftState, lookedAtS, thermalJob, type LiftState, type ThermalJob } from '@/work/heat/thermalJob';
import { batteryMarks } from '@/work/heat/watchMarks';
import { useRest } from '@/bench-kit/usePicks';
import { useThermal } from '@/bench-kit/useThermal';
import { useRingGeometry } from './ringWork';

type Rest = NonNullable<ReturnType<typeof useRest>['data']>[number]['plan'];

/** A ring that is being cut, as it stands: its line, its window, what the rest of it takes. */
export interface RingNow {
  thermal: ThermalJob;
  lift: LiftState;
  geometry: ReturnType<typeof useRingGeometry>;
  /** it lies on the heater; it was on one at all */
  on: boolean;
  heated: boolean;
  /** it is pried off without heat */
  cold: boolean;
  nowS: number;
  setC: number;
  /** window and reheat as they were looked at within the last seconds; null: nothing to look at */
  look: ReturnType<typeof lookAt> | null;
  /** of the cell above its caution mark, all heats, s */
  doseS: number;
  restS: number;
  rest: Rest | null;
}

/** Null while the heat model is not there. */
export function useRing(
  job: JobState,
  settings: Settings,
  now: number,
): { source: ReturnType<typeof useThermal>; ring: RingNow | null } {
  const source = useThermal(job.device, job.bond);
  const { model } = source;
  const firstHeat = job.heat[0]?.at ?? 0;
  const thermal = useMemo(
    () => (model ? thermalJob(job, settings, model, firstHeat) : null),
    [job, settings, model, firstHeat],
  );
  // alcohol in the edge goes on softening: looked at every ten seconds
  const wetAt = job.alcohol.length ? Math.floor(now / 1e4) * 1e4 : null;
  const lift = useMemo(
    () =>
      thermal ? liftState(job, settings, thermal.path, thermal.arcs, undefined, edgeMeans(job, thermal), wetAt) : null,
    [job, settings, thermal, wetAt],
  );
  const geometry = useRingGeometry(job, thermal, lift && job.cut.freeMm < 3 ? lift.nextEdge : null);
  const on = onPlate(job) !== null;
  const heated = heatCount(job) > 0;
  const cold = !heated && job.stages.heat === 'skipped';
  const nowS = thermal && heated ? (now - thermal.t0) / 1e3 : 0;
  const setC = job.plan?.setC ?? 110;
  // one look at the cooling line every 5 s settles the window and what a reheat takes
  const lookS = thermal ? lookedAtS(thermal, nowS, 5) : 0;
  const look = useMemo(
    () => (thermal && lift && lift.order.length && !on && heated ? lookAt(thermal, lift, setC, lookS) : null),
    [thermal, lift, on, heated, lookS, setC],
  );
  const { cautionC } = batteryMarks(job.device);
  const doseS = useMemo(() => (thermal ? batteryDoseS(thermal, lookS, cautionC) : 0), [thermal, lookS, cautionC]);
  const restS = thermal ? lookedAtS(thermal, nowS, 20) : 0;
  const rest = useRest(job, settings, thermal, lift, setC, restS).data?.[0]?.plan ?? null;
  const ring =
    thermal && lift ? { thermal, lift, geometry, on, heated, cold, nowS, setC, look, doseS, restS, rest } : null;
  return { source, ring };
}
