import { defOf } from '@/core/heat/heaterDefs';
import { maskFoil, type Mask } from '@/core/heat/backPattern';
import type { Heater } from '@/core/heat/heater';
import type { HeatSwitch, HeatUse } from '@/core/heat/member';
import { judgement } from '@/core/source';
import { cameraZones } from '@/core/device/thermalStack';
import type { Bond, Device } from '@/core/device/types';
import type { UseRecord } from '@/model/event';
import type { JobState } from '@/model/fold';
import { heaterOf, type Settings } from '@/model/settings';

/** Share of the contact that is left round the cameras when the face rests on its bump, or hangs over the edge there. */
export const bumpShare = judgement(0.5, 'a camera bump lifts the glass round it off the plate, assumed');
export const overShare = judgement(0, 'the bump hangs over the edge of the plate: no contact there');
/** A plate that was switched off loses its heat this slowly, with the device still on it. */
export const coolingLagS = judgement(600, 'time constant of a plate that is switched off, assumed');

export const bumps = (device: Device, bond: Bond): boolean => cameraZones(device, bond).length > 0;

/** What a recorded use means on this device: places under a mask, places off the plate. */
export function heatUse(device: Device, bond: Bond, use: UseRecord | undefined): HeatUse {
  const zones = cameraZones(device, bond);
  const masks: Mask[] = use?.masked
    ? [...zones, ...device.parts.filter((p) => p.kind === 'hinge').map((p) => p.shape)].map((shape) => ({
        shape,
        factor: maskFoil.value,
      }))
    : [];
  const factor = use?.lies === 'bump' ? bumpShare.value : use?.lies === 'over' ? overShare.value : null;
  return {
    path: use?.path,
    standoffMm: use?.standoffMm,
    masks,
    lifted: factor === null ? [] : zones.map((shape) => ({ shape, factor })),
  };
}

/**
 * What happened to the device, as switches of the heat model. A heater that switches itself off does so here too when
 * nobody took the device off before; the device then stays on the cooling plate.
 */
export function heatSwitches(
  job: Pick<JobState, 'heat' | 'device' | 'bond'>,
  settings: Settings,
  t0: number,
  ambientC: number,
): HeatSwitch[] {
  return job.heat.flatMap((h, i): HeatSwitch[] => {
    const atS = (h.at - t0) / 1e3;
    if (h.setC === null) return [{ atS, setC: null, preheated: false }];
    const heater = heaterOf(settings, h.heater);
    const use = heatUse(job.device, job.bond, h.use);
    const on: HeatSwitch = { atS, setC: h.setC, preheated: h.preheated, heater, use };
    const offS = autoOffAt(heater, atS);
    const nextS = job.heat[i + 1] ? (job.heat[i + 1]!.at - t0) / 1e3 : Infinity;
    if (offS === null || nextS <= offS) return [on];
    return [on, cooling(heater, use, h.setC, offS, ambientC)];
  });
}

export const autoOffAt = (heater: Heater, onS: number): number | null =>
  heater.autoOffS === null ? null : onS + heater.autoOffS;

/** A contact heater that is off but still under the device; air simply ends. */
function cooling(heater: Heater, use: HeatUse, setC: number, atS: number, ambientC: number): HeatSwitch {
  if (!defOf(heater).under) return { atS, setC: null, preheated: false };
  return {
    atS,
    setC: ambientC - heater.offsetK.value,
    preheated: false,
    fromC: setC + heater.offsetK.value,
    lagS: coolingLagS.value,
    heater,
    use,
  };
}
