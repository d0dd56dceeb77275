import { exposure, fallsBelow, readyAt, type Exposure } from '@/core/heat/forecast';
import type { ArcCells, HeatRun } from '@/core/heat/run';
import type { Range } from '@/core/source';
import { partsOver } from '@/core/lift/picks';
import { batteryMarks, partStopC, type LiftState, type ThermalJob } from './thermalJob';
import { onPlate, type JobState } from '@/model/fold';

export interface HeatForecast {
  /** the run including the heat that is planned or going on; s from `thermal.t0` */
  run: HeatRun;
  heatStartS: number;
  first: ArcCells;
  readyS: Range | null;
  easyUntilS: Range | null;
  gripsAtS: Range | null;
  battery: Exposure | null;
  camera: Exposure | null;
  display: Exposure | null;
  /** parts that pass their stop mark before or just after the device leaves the plate */
  over: ('battery' | 'camera' | 'display')[];
  /** coldest arc when the device leaves the plate, by number */
  coldest: number;
  setC: number;
  horizonS: number;
}

/**
 * The forecast of a plate at `setC` for the arc to be cut next. Laid on now when it is not on the plate yet.
 * Plain arithmetic on the reduced model: a few milliseconds, so it follows a finger on the slider.
 */
export function heatForecast(
  job: JobState,
  thermal: ThermalJob,
  lift: LiftState,
  plan: { setC: number; preheated: boolean },
  nowS: number,
): HeatForecast {
  // the heat that is going on is the last one recorded; earlier heats are history
  const on = onPlate(job);
  const heatStartS = on ? (on.at - thermal.t0) / 1e3 : nowS;
  const run = on ? thermal.run : thermal.run.then({ atS: nowS, setC: plan.setC, preheated: plan.preheated });
  const first = thermal.arcs[lift.order[0] ?? 0]!;
  const readyS = lift.easyC === null ? null : readyAt(run, first, lift.easyC, heatStartS);
  const leaveS = readyS ? readyS.high : heatStartS + 300;
  const off = run.then({ atS: leaveS, setC: null, preheated: false });
  const endS = leaveS + 120;
  const marks = (kind: 'camera' | 'display') => {
    const limit = job.device.parts.find((p) => p.kind === kind)?.limitC;
    return limit ? { cautionC: limit.caution.value, stopC: limit.stop.value } : null;
  };
  const dose = (kind: 'camera' | 'display') => {
    const m = marks(kind);
    return m ? exposure(off, kind, m, heatStartS, endS, 8) : null;
  };
  const at = run.arcsC(leaveS, thermal.arcs);
  return {
    run,
    heatStartS,
    first,
    readyS,
    easyUntilS: readyS && lift.easyC !== null ? fallsBelow(off, first, lift.easyC, leaveS) : null,
    gripsAtS: readyS && lift.workC !== null ? fallsBelow(off, first, lift.workC, leaveS) : null,
    // the dose sums all heats of this job
    battery: exposure(off, 'battery', batteryMarks(job.device), 0, endS, Math.max(4, endS / 60)),
    camera: dose('camera'),
    display: dose('display'),
    over: readyS ? partsOver(off, leaveS, { battery: batteryMarks(job.device).stopC, ...partStopC(job.device) }) : [],
    coldest: at.reduce((m, r, i) => (r.low < at[m]!.low ? i : m), 0),
    setC: on?.setC ?? plan.setC,
    horizonS: endS,
  };
}

export interface Curves {
  stepS: number;
  fromS: number;
  first: number[];
  coldest: number[];
  battery: number[];
}

/** Curves of the plan: low bound of the bond line, high bound of the cell. */
export function curvesOf(f: HeatForecast, thermal: ThermalJob, count = 41): Curves {
  const toS = f.heatStartS + Math.max(180, (f.readyS?.high ?? f.heatStartS + 300) - f.heatStartS + 120);
  const off = f.readyS ? f.run.then({ atS: f.readyS.high, setC: null, preheated: false }) : f.run;
  const stepS = (toS - f.heatStartS) / (count - 1);
  const out: Curves = { stepS, fromS: f.heatStartS, first: [], coldest: [], battery: [] };
  for (let i = 0; i < count; i++) {
    const t = f.heatStartS + i * stepS;
    const [a, b] = off.arcsC(t, [f.first, thermal.arcs[f.coldest]!]);
    out.first.push(a!.low);
    out.coldest.push(b!.low);
    out.battery.push(off.partC(t, 'battery')?.high ?? thermal.ambientC);
  }
  return out;
}
