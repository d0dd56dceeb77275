import { hotOf } from '@/core/heat/run';
import { SecondsAbove, secondsAboveOf } from '@/core/heat/secondsAbove';
import type { ThermalJob } from './thermalJob';

/** Seconds of the run so far with the cell above a mark, by its hot end. */
export function batteryDoseS(thermal: ThermalJob, nowS: number, markC: number): number {
  if (!thermal.switches.length) return 0;
  const end = Math.min(nowS, thermal.switches[thermal.switches.length - 1]!.atS + 1800);
  const isAbove = (t: number) => (hotOf(thermal.run, 'battery', t)?.hotC ?? 0) >= markC;
  return secondsAboveOf(
    thermal.run,
    `dose ${markC}`,
    () =>
      new SecondsAbove(
        isAbove,
        0,
        thermal.switches.map((s) => s.atS),
      ),
  ).upTo(end);
}
