import type { Exposure } from '../heat/forecast';
import { exposure, readyAt } from '../heat/forecast';
import type { Heater } from '../heat/heater';
import { arcCells, HeatRun, type HeatSwitch, type HeatUse } from '../heat/run';
import type { ReducedModel } from '../heat/reduced';
import type { Range } from '../source';
import { planLift, windowOf, type LiftPlan } from './plan';
import { liftThresholds, wedgeState, type LiftCase } from './verdict';

export interface PicksInput {
  heater: Heater;
  use: HeatUse;
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
  /** stop marks of the other watched parts */
  stopC: Partial<Record<'camera' | 'display', number>>;
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
  /** the parts whose stop mark is passed by the high bound before the device leaves the plate */
  over: ('battery' | 'camera' | 'display')[];
  plan: LiftPlan | null;
}

/** All picks side by side: heat and pick are chosen together (one law 1). */
export function comparePicks(model: ReducedModel, input: PicksInput): PickWay[] {
  const arcs = arcCells(model, input.perimeterMm);
  const asIs = HeatRun.start(model, input.heater, input.ambientC, input.switches, input.use);
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
      over: [],
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
      over: partsOver(off, readyS.high, { battery: input.batteryMarks.stopC, ...input.stopC }),
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

/** Watched parts whose high bound passes its stop mark within two minutes round an instant (parts lag behind the plate). */
export function partsOver(
  run: HeatRun,
  atS: number,
  stopC: Partial<Record<'battery' | 'camera' | 'display', number>>,
): ('battery' | 'camera' | 'display')[] {
  return (['battery', 'camera', 'display'] as const).filter((id) => {
    const limit = stopC[id];
    if (limit === undefined) return false;
    for (let t = atS; t <= atS + 120; t += 15) if ((run.partC(t, id)?.high ?? -Infinity) >= limit) return true;
    return false;
  });
}

export type PickReason = 'gentlestForBattery' | 'leastBreaking' | 'nothingWorks';

/**
 * The pick for this job. A cover that is to be saved: least chance of breaking among the picks that keep every part under
 * its stop mark. A cover that is written off: least battery peak. One law 7. When no pick keeps within the limits, the
 * gentlest is named, and that it does not.
 */
export function choosePick(ways: readonly PickWay[], keepCover: boolean): { way: PickWay | null; reason: PickReason } {
  const soft = ways.filter((w) => w.readyS && w.battery);
  const works = soft.filter((w) => !w.over.length);
  const least = (list: readonly PickWay[], f: (w: PickWay) => number) =>
    list.length ? list.reduce((a, b) => (f(b) < f(a) - 1e-9 ? b : a)) : null;
  const peak = (w: PickWay) => w.battery!.peakC.high;
  if (!works.length) return { way: least(soft, peak), reason: 'nothingWorks' };
  return keepCover
    ? { way: least(works, (w) => w.breakChance ?? 1), reason: 'leastBreaking' }
    : { way: least(works, peak), reason: 'gentlestForBattery' };
}
