import type { Exposure } from '../heat/forecast';
import type { Heater } from '../heat/heater';
import { opening, type Marks, type Over } from '../heat/opening';
import { arcCells } from '../heat/arcs';
import { HeatRun, type BenchAir } from '../heat/run';
import type { HeatSwitch, HeatUse, Watched } from '../heat/member';
import type { ReducedModel } from '../heat/reduced';
import type { Range } from '../source';
import { planLift, type LiftPlan } from './plan';
import { pickPacer } from './pickPace';
import { liftThresholds, upperC, wedgeState, type LiftCase } from './verdict';

export interface PicksInput {
  heater: Heater;
  use: HeatUse;
  ambientC: number;
  air?: BenchAir | undefined;
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
  marks: Partial<Record<Watched, Marks>>;
}

/** What one pick asks for and gives on this device, plate and setpoint. */
export interface PickWay {
  pickMm: number;
  easyC: number | null;
  workC: number | null;
  /** s of the run; null when the plate does not get the starting arc there */
  tryFromS: Range | null;
  readyS: Range | null;
  easyForS: Range | null;
  gripsForS: Range | null;
  /** chance of breaking over the whole ring at easyC */
  breakChance: number | null;
  /** when the bond opens, and after */
  battery: Exposure | null;
  /** what passes its stop mark when the bond opens with this pick */
  over: Over[];
  /** bond plane when it opens with this pick, on the raster of the modes, °C; null when it does not */
  fieldC: Float64Array | null;
  plan: LiftPlan | null;
}

/** All picks side by side: heat and pick are chosen together (law 1). */
export function comparePicks(model: ReducedModel, input: PicksInput): PickWay[] {
  const arcs = arcCells(model, input.perimeterMm);
  const asIs = HeatRun.start(model, input.heater, input.ambientC, input.switches, input.use, input.air);
  let run = asIs;
  if (!run.onPlate(input.nowS)) run = run.then({ atS: input.nowS, setC: input.setC, preheated: input.preheated });
  return input.picksMm.map((pickMm) => {
    const lift = { ...input.lift, pickMm };
    const { easyC, workC } = liftThresholds(lift);
    const o = opening({
      run,
      fromS: input.nowS,
      arcs,
      order: input.order,
      easyC,
      workC,
      upperC: upperC(lift),
      marks: input.marks,
    });
    return {
      pickMm,
      easyC,
      workC,
      tryFromS: o.tryFromS,
      readyS: o.easyByS,
      easyForS: o.easyForS,
      gripsForS: o.gripsForS,
      breakChance: easyC === null ? null : wedgeState(lift, easyC, 1).breakChance,
      battery: o.parts.battery ?? null,
      over: o.over,
      fieldC: o.easyByS ? run.picture(o.easyByS.mean) : null,
      plan:
        easyC === null || workC === null || !o.easyByS
          ? null
          : planLift({
              run: input.fromWarm ? asIs : run,
              arcs,
              order: input.order,
              easyC,
              workC,
              setC: input.setC,
              paceMmS: pickPacer(lift, { easyC, workC }),
              nowS: input.nowS,
              batteryMarks: input.marks.battery ?? { cautionC: 1e3, stopC: 1e3 },
            }),
    };
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
