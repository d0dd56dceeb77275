import { SecondsAbove, secondsAboveOf } from '@/core/heat/secondsAbove';
import { horizonS, type Exposure } from '@/core/heat/forecast';
import { hotEndOf } from '@/core/heat/hotEnd';
import { opening, worstWaiting, type Opening, type OpeningInput } from '@/core/heat/opening';
import type { ReducedModel } from '@/core/heat/reduced';
import type { ArcCells } from '@/core/heat/arcs';
import type { HeatRun } from '@/core/heat/run';
import type { Watched } from '@/core/heat/member';
import { memory, type Range } from '@/core/source';
import type { JobState, JointSeen } from '@/model/fold';
import type { CoverSlice } from '@/model/stages/cover';
import { onPlate, type HeatSlice } from '@/model/stages/heat';
import type { Settings } from '@/model/settings';
import { firstPlan, withinUse, type HeatPlanDraft } from './heatPlan';
import { presentJob } from './present';
import { edgeMeans, liftState, pickInForce, thermalJob, type LiftState, type ThermalJob } from './thermalJob';
import { watchMarks } from './watchMarks';

export interface HeatForecast {
  /** the run including the heat that is planned or going on; s from `thermal.t0` */
  run: HeatRun;
  heatStartS: number;
  first: ArcCells;
  /** when it opens, what else is hot then: the one answer of every page */
  opening: Opening;
  tryFromS: Range | null;
  /** easy by (usual), and at the latest (`high`) */
  readyS: Range | null;
  easyUntilS: Range | null;
  gripsAtS: Range | null;
  parts: Partial<Record<Watched, Exposure>>;
  over: Opening['over'];
  /** coldest arc when the device leaves the plate, by number */
  coldest: number;
  setC: number;
  horizonS: number;
}

/** What the opening is computed from, for a run with its heat on. */
export const openingInput = (
  job: JointSeen & Pick<CoverSlice, 'route'>,
  thermal: Pick<ThermalJob, 'arcs'>,
  lift: LiftState,
  run: HeatRun,
  fromS: number,
): OpeningInput => ({
  run,
  fromS,
  arcs: thermal.arcs,
  order: lift.order,
  easyC: lift.easyC,
  workC: lift.workC,
  upperC: lift.upperC,
  marks: watchMarks(job),
});

/**
 * The forecast of a heater at `setC` for the arc to be cut next. Laid on now when it is not on the plate yet.
 * Plain arithmetic on the reduced model: a few milliseconds, so it follows a finger on the slider.
 */
export function heatForecast(
  job: JointSeen & Pick<HeatSlice, 'heat'> & Pick<CoverSlice, 'route'>,
  thermal: ThermalJob,
  lift: LiftState,
  plan: { setC: number; preheated: boolean },
  nowS: number,
): HeatForecast {
  // the heat that is going on is the last one recorded; earlier heats are history
  const on = onPlate(job);
  const heatStartS = on ? (on.at - thermal.t0) / 1e3 : nowS;
  const run = on ? thermal.run : thermal.run.then({ atS: nowS, setC: plan.setC, preheated: plan.preheated });
  const o = opening(openingInput(job, thermal, lift, run, heatStartS));
  const leaveS = o.leaveS ?? heatStartS + 300;
  const from = (r: Range | null): Range | null =>
    r && { low: leaveS + r.low, mean: leaveS + r.mean, high: leaveS + r.high };
  return {
    run,
    heatStartS,
    first: thermal.arcs[lift.order[0] ?? 0]!,
    opening: o,
    tryFromS: o.tryFromS,
    readyS: o.easyByS,
    easyUntilS: from(o.easyForS),
    gripsAtS: from(o.gripsForS),
    parts: o.parts,
    over: o.over,
    coldest: o.coldest?.arc ?? lift.order[0] ?? 0,
    setC: on?.setC ?? plan.setC,
    horizonS: Math.min(leaveS + 120, heatStartS + horizonS),
  };
}

/** The worst case of waiting for the late end by the clock alone; shown under Why. */
export const worstByClock = (job: JointSeen & Pick<CoverSlice, 'route'>, f: HeatForecast) =>
  worstWaiting(f.run, f.opening, watchMarks(job));

/** Magnets of many grades weaken for good from about here; others stand 120 to 150 °C. */
export const magnetC = memory(80, 'magnets of many grades weaken for good from about 80 °C');

/**
 * Under the cover at the coil, where magnets sit, when it usually opens, °C; null without a coil in the device. It is told, and
 * no heat is judged by it: benches pass the mark on every plate, and the device does not say which grade is in it.
 */
export const magnetsAtC = (job: Pick<JointSeen, 'device'>, f: HeatForecast): number | null => {
  const coils = job.device.parts.filter((p) => p.kind === 'coil').map((p) => p.shape);
  return coils.length && f.opening.leaveS !== null ? f.run.hottestUnderC(f.opening.leaveS, coils) : null;
};

/**
 * One temperature of a watched thing at an instant, for tile, headline and limit alike: its usual value, and the hot end
 * that its limit is judged by. Null when the device has none.
 */
export function hotNow(
  f: HeatForecast,
  id: Watched,
  tS: number,
  run: HeatRun = f.run,
): { usualC: number; hotC: number } | null {
  return hotEndOf(f, run, id, tS);
}

/** Seconds above a mark up to an instant, counted live by the hot end, over all heats of the job. */
export function aboveSoFarS(f: HeatForecast, id: Watched, markC: number, tS: number): number {
  const { switches } = f.run;
  const isAbove = (t: number) => (hotNow(f, id, t)?.hotC ?? -Infinity) >= markC;
  const at = switches.map((s) => s.atS);
  return secondsAboveOf(f, `${id} ${markC}`, () => new SecondsAbove(isAbove, Math.min(0, at[0] ?? 0), at)).upTo(tS);
}

export interface HeatAnswer {
  /** the job with the device as it is on the bench */
  job: JobState;
  thermal: ThermalJob;
  lift: LiftState;
  forecast: HeatForecast;
}

/**
 * When this job's bond opens with a heater as it is planned: one function for Heat, Ways, Bench, schedule and quote, with
 * the pick that is in force (law 25). Null when nothing is left to cut.
 */
export function heatAnswer(
  whole: JobState,
  settings: Settings,
  model: ReducedModel,
  now: number,
  plan: HeatPlanDraft = firstPlan(presentJob(whole), settings),
): HeatAnswer | null {
  const job = presentJob(whole);
  const thermal = thermalJob(job, settings, model, now, { heater: plan.heater, use: plan.use });
  const lift = withinUse(
    liftState(
      job,
      settings,
      thermal.path,
      thermal.arcs,
      plan.pickMm ?? pickInForce(job, settings),
      edgeMeans(job, thermal),
      now,
    ),
    plan.use,
  );
  if (!lift.order.length) return null;
  const nowS = job.heat.length ? Math.max(0, (now - thermal.t0) / 1e3) : 0;
  return { job, thermal, lift, forecast: heatForecast(job, thermal, lift, plan, nowS) };
}

export interface Curves {
  stepS: number;
  fromS: number;
  first: number[];
  /** of the first edge */
  low: number[];
  high: number[];
  coldest: number[];
  battery: number[];
}

/** Curves of the plan as it usually goes: bond line and cell. */
export function curvesOf(f: HeatForecast, thermal: ThermalJob, count = 25): Curves {
  const leaveS = f.readyS?.mean ?? f.heatStartS + 300;
  const toS = f.heatStartS + Math.max(180, leaveS - f.heatStartS + 120);
  const off = f.readyS ? f.run.then({ atS: leaveS, setC: null, preheated: false }) : f.run;
  const stepS = (toS - f.heatStartS) / (count - 1);
  const out: Curves = { stepS, fromS: f.heatStartS, first: [], low: [], high: [], coldest: [], battery: [] };
  const usual = off.members[0]!;
  for (let i = 0; i < count; i++) {
    const t = f.heatStartS + i * stepS;
    const first = off.arcC(t, f.first);
    out.first.push(first.mean);
    out.low.push(first.low);
    out.high.push(first.high);
    out.coldest.push(usual.lineC(t, thermal.arcs[f.coldest]!.cells));
    out.battery.push(usual.hottest(t, 'battery')?.atC ?? thermal.ambientC);
  }
  return out;
}
