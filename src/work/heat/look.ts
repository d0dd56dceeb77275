import { fallsBelow, readyAt } from '@/core/heat/forecast';
import type { LiftState, ThermalJob } from './thermalJob';

export interface Look {
  /** the arc to be cut next stays easy until, and has gripped at, s of the run, as it usually is */
  easyUntilS: number;
  gripsAtS: number;
  /** how long heat would take from now, s; null: it does not get there */
  reheatS: number | null;
}

/** One look at the cooling line of a device that is off the heat: what is left of the window, and what a reheat takes. */
export function lookAt(thermal: ThermalJob, lift: LiftState, setC: number, nowS: number): Look {
  const arc = thermal.arcs[lift.order[0] ?? 0]!;
  const until = (c: number | null) => (c === null ? nowS : fallsBelow(thermal.run, arc, c, nowS).mean);
  const again = thermal.run.then({ atS: nowS, setC, preheated: true });
  const ready = lift.easyC === null ? null : readyAt(again, arc, lift.easyC, nowS);
  return {
    easyUntilS: until(lift.easyC),
    gripsAtS: until(lift.workC),
    reheatS: ready ? ready.mean - nowS : null,
  };
}
