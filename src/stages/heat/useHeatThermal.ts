import { useMemo, useState } from 'react';

import type { ReducedModel } from '@/core/heat/reduced';
import type { Range } from '@/core/source';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { useInstruments } from '@/bench-kit/instruments';
import { thermalJob, type ThermalJob } from '@/work/heat/thermalJob';
import { nowMs } from '@/store/clock';
import { probeNow } from './LiveProbe';
import type { HeatPlanNow } from './useHeatPlan';
import { useProbed } from './useProbedHeater';

export interface HeatThermal {
  live: ReturnType<typeof useInstruments>;
  probe: ReturnType<typeof probeNow> | null;
  /** was the heater corrected by the probe */
  used: boolean;
  /** bond line that the model expects at an instant, °C */
  expected: (at: number) => Range;
  thermal: ThermalJob | null;
}

/** The heat model of the job with the heater as the probe has corrected it. */
export function useHeatThermal(
  job: JobState,
  settings: Settings,
  model: ReducedModel | null,
  { on, plan, heater }: HeatPlanNow,
  now: number,
): HeatThermal {
  const live = useInstruments();
  const ambientC = job.ambientC ?? settings.roomC;
  const heatNow = useMemo(
    // a reheat starts from a warm device: only the first heat is corrected by the probe
    () =>
      on && on.setC !== null && job.heat.length === 1 ? { at: on.at, setC: on.setC, preheated: on.preheated } : null,
    [on, job.heat.length],
  );
  const heatModel = useMemo(
    () => (model ? thermalJob(job, settings, model, 0, { heater: plan.heater, use: plan.use }) : null),
    [job, settings, model, plan.heater, plan.use],
  );
  const expected = (at: number): Range =>
    heatModel && job.heat.length
      ? heatModel.run.arcC((at - heatModel.t0) / 1e3, heatModel.arcs[0]!)
      : { low: ambientC, mean: ambientC, high: ambientC };
  const probe = live.state === 'off' || live.state === 'connecting' ? null : probeNow(live, expected, now, ambientC);
  const probed = useProbed(settings, model, heater, heatNow, ambientC, live.readings, probe, Math.floor(now / 10_000));
  // before the first heat the run starts "now": one fixed instant for this mount keeps the forecast still
  const [openedAt] = useState(() => nowMs());
  const thermal = useMemo(
    () => (model ? thermalJob(job, probed.settings, model, openedAt, { heater: plan.heater, use: plan.use }) : null),
    [job, probed.settings, model, openedAt, plan.heater, plan.use],
  );
  return { live, probe, used: probed.used, expected, thermal };
}
