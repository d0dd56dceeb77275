import type { Exposure } from '../heat/forecast';
import { exposure, readyAt } from '../heat/forecast';
import type { Plate } from '../heat/heater';
import { arcCells, HeatRun, type HeatSwitch } from '../heat/run';
import type { ReducedModel } from '../heat/reduced';
import type { Range } from '../source';
import { planLift, windowOf, type LiftPlan } from './plan';
import { liftThresholds, wedgeState, type LiftCase } from './verdict';

export interface PicksInput {
  plate: Plate;
  ambientC: number;
  switches: readonly HeatSwitch[];
  nowS: number;
  /** the device is off the plate and may still be warm: the plan starts cutting, not heating */
  fromWarm?: boolean;
  setC: number;
  preheated: boolean;
  perimeterMm: number;
  /** arcs still to be cut, in order */
  order: readonly number[];
  lift: Omit<LiftCase, 'pickMm'>;
  picksMm: readonly number[];
  batteryMarks: { cautionC: number; stopC: number };
}

/** What one pick asks for and gives on this device, plate and setpoint. */
export interface PickWay {
  pickMm: number;
  easyC: number | null;
  workC: number | null;
  /** s of the run; null when the plate does not get the starting arc there */
  readyS: Range | null;
  easyForS: Range | null;
  gripsForS: Range | null;
  /** chance of breaking over the whole ring at easyC */
  breakChance: number | null;
  /** up to leaving the plate and the first window */
  battery: Exposure | null;
  plan: LiftPlan | null;
}

/** All picks side by side: heat and pick are chosen together (one law 1). */
export function comparePicks(model: ReducedModel, input: PicksInput): PickWay[] {
  const arcs = arcCells(model, input.perimeterMm);
  const asIs = HeatRun.start(model, input.plate, input.ambientC, input.switches);
  let run = asIs;
  if (!run.onPlate(input.nowS)) run = run.then({ atS: input.nowS, setC: input.setC, preheated: input.preheated });
  const first = arcs[input.order[0] ?? 0]!;
  return input.picksMm.map((pickMm) => {
    const lift = { ...input.lift, pickMm };
    const { easyC, workC } = liftThresholds(lift);
    const none: PickWay = {
      pickMm,
      easyC,
      workC,
      readyS: null,
      easyForS: null,
      gripsForS: null,
      breakChance: null,
      battery: null,
      plan: null,
    };
    if (easyC === null || workC === null) return none;
    const breakChance = wedgeState(lift, easyC, 1).breakChance;
    const readyS = readyAt(run, first, easyC, input.nowS);
    if (!readyS) return { ...none, breakChance };

    const off = run.then({ atS: readyS.high, setC: null, preheated: false });
    const window = windowOf(off, first, { easyC, workC }, readyS.high);
    const minus = (r: Range): Range => ({
      low: r.low - readyS.high,
      mean: r.mean - readyS.high,
      high: r.high - readyS.high,
    });
    return {
      ...none,
      readyS,
      breakChance,
      easyForS: minus(window.easyUntilS),
      gripsForS: minus(window.gripsAtS),
      battery: exposure(off, 'battery', input.batteryMarks, 0, readyS.high + 120),
      plan: planLift({
        run: input.fromWarm ? asIs : run,
        arcs,
        order: input.order,
        easyC,
        workC,
        setC: input.setC,
        nowS: input.nowS,
        batteryMarks: input.batteryMarks,
      }),
    };
  });
}

export type PickReason = 'gentlestForBattery' | 'leastBreaking' | 'nothingWorks';

/**
 * The pick for this job. A cover that is to be saved: least chance of breaking among the picks that keep the cell under its
 * stop mark. A cover that is written off: least battery peak. One law 7.
 */
export function choosePick(
  ways: readonly PickWay[],
  keepCover: boolean,
  stopC: number,
): { way: PickWay | null; reason: PickReason } {
  const works = ways.filter((w) => w.readyS && w.battery && w.battery.peakC.high < stopC);
  if (!works.length) return { way: null, reason: 'nothingWorks' };
  const least = (f: (w: PickWay) => number) => works.reduce((a, b) => (f(b) < f(a) - 1e-9 ? b : a));
  return keepCover
    ? { way: least((w) => w.breakChance ?? 1), reason: 'leastBreaking' }
    : { way: least((w) => w.battery!.peakC.high), reason: 'gentlestForBattery' };
}
