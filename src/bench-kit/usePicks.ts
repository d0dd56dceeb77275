import { jointOf } from '@/core/device/jointKinds';
import { useQuery } from '@tanstack/react-query';

import { picksFor } from '@/core/lift/verdict';
import type { PicksInput } from '@/core/lift/picks';
import type { JobState } from '@/model/fold';
import { onPlate } from '@/model/stages/heat';
import type { Settings } from '@/model/settings';
import { liftCase, type LiftState, type ThermalJob } from '@/work/heat/thermalJob';
import { watchMarks } from '@/work/heat/watchMarks';
import { picksInWorker } from '@/workers/thermalClient';

/**
 * All picks side by side for this device and setpoint, from the worker. Keeps the last answer while a new one comes; asks
 * nothing until the device's model is there.
 */
export function usePicks(
  job: JobState,
  settings: Settings,
  thermal: ThermalJob | null,
  lift: LiftState | null,
  setC: number,
  preheated: boolean,
) {
  const heat = onPlate(job);
  const on = heat !== null;
  const input: PicksInput | null =
    thermal && lift
      ? {
          heater: thermal.heater,
          use: thermal.use,
          ambientC: thermal.ambientC,
          air: thermal.air,
          switches: on ? thermal.switches : [],
          nowS: on ? (heat.at - thermal.t0) / 1e3 : 0,
          setC,
          preheated,
          perimeterMm: thermal.path.lengthMm,
          order: lift.order,
          lift: liftCase(job, settings),
          picksMm: picksFor(jointOf(job.bond).wholeFace),
          marks: watchMarks(job),
        }
      : null;
  return usePicksAnswer(thermal, input);
}

/** What is left to cut from a device that is off the plate and still warm: millimetres in this window, reheats to expect. */
export function useRest(
  job: JobState,
  settings: Settings,
  thermal: ThermalJob | null,
  lift: LiftState | null,
  setC: number,
  nowS: number,
) {
  const input: PicksInput | null =
    thermal && lift && lift.order.length
      ? {
          heater: thermal.heater,
          use: thermal.use,
          ambientC: thermal.ambientC,
          air: thermal.air,
          switches: thermal.switches,
          nowS,
          fromWarm: true,
          setC,
          preheated: true,
          perimeterMm: thermal.path.lengthMm,
          order: lift.order,
          lift: liftCase(job, settings),
          picksMm: [lift.pickMm],
          marks: watchMarks(job),
        }
      : null;
  return usePicksAnswer(thermal, input);
}

function usePicksAnswer(thermal: ThermalJob | null, input: PicksInput | null) {
  return useQuery({
    queryKey: ['picks', thermal?.model.modes.digest, input],
    queryFn: () => picksInWorker(thermal!.model.modes, input!),
    enabled: input !== null,
    placeholderData: (old) => old,
    gcTime: 60_000,
  });
}
