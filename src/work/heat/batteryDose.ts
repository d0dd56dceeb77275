import { hotOf } from '@/core/heat/run';
import type { ThermalJob } from './thermalJob';

/** Seconds of the run so far with the cell above a mark, by its hot end. */
export function batteryDoseS(thermal: ThermalJob, nowS: number, markC: number): number {
  if (!thermal.switches.length) return 0;
  const end = Math.min(nowS, thermal.switches[thermal.switches.length - 1]!.atS + 1800);
  const step = Math.max(5, end / 60);
  let sum = 0;
  for (let t = 0; t < end; t += step)
    if ((hotOf(thermal.run, 'battery', t)?.hotC ?? 0) >= markC) sum += Math.min(step, end - t);
  return sum;
}
