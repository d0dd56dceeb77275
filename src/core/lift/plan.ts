import { exposure, firstReach, firstTrue, horizonS, type Exposure } from '../heat/forecast';
import { leadOf } from '../heat/heaterDefs';
import { type ArcCells } from '../heat/arcs';
import { sameWorldK, type HeatRun } from '../heat/run';
import { judgement } from '../source';
import { paceMmS } from './verdict';

export interface LiftPlanInput {
  /** run so far (on the plate or not), arcs of the bond in the order in which they will be cut */
  run: HeatRun;
  arcs: readonly ArcCells[];
  order: readonly number[];
  easyC: number;
  workC: number;
  setC: number;
  /** speed of the pick by the line's temperature, mm/s; what heat alone lets it have when it is not said */
  paceMmS?: (tC: number) => number;
  /** where the plan starts, s of the run */
  nowS: number;
  batteryMarks: { cautionC: number; stopC: number };
}

export interface LiftPlan {
  /** millimetres cut in each window, the first window first */
  windowsMm: number[];
  reheats: number;
  /** pauses in which the cell cools before the next reheat */
  rests: number;
  totalS: number;
  finished: boolean;
  /** why the plan does not finish: the battery would pass its stop mark, or the line never gets soft enough */
  stoppedBy: 'battery' | 'cold' | null;
  battery: Exposure | null;
}

const maxReheats = 16;
const stepS = 2;
/** Longest time at full speed that a heat is prolonged for, when the battery allows it, s. */
const usefulS = judgement(60, 'time at full speed worth heating longer for');
/** A heat that the cell cuts short is only worth it when the arc is this far above workC, K. */
const workMarginK = judgement(3, 'enough above gripping for a slow cut');
/** A rest ends when the cell is this far under its caution mark, K. */
export const restUnderK = judgement(15, 'cool enough that the next heat starts well below the caution mark');

const lineC = (run: HeatRun, tS: number, arc: ArcCells) => run.members[0]!.lineC(tS, arc.cells);
const cellC = (run: HeatRun, tS: number) => run.members[0]!.hottest(tS, 'battery')?.atC ?? -Infinity;

/**
 * Walks the whole ring against the cooling line as it usually is: each arc is cut at full speed while it is at easyC, slower
 * as it cools down to workC, and the device goes back on the plate when the arc has gripped. Law 3.
 */
export function planLift(input: LiftPlanInput): LiftPlan {
  const { arcs, order, easyC, workC, setC, batteryMarks } = input;
  const pace = input.paceMmS ?? ((tC: number) => paceMmS(tC, easyC, workC));

  let run = input.run;
  let t = input.nowS;
  const windowsMm: number[] = [];
  let heats = 0;
  let rests = 0;
  let done = 0;
  let cut = 0;
  // a warm device is cut at once; a cold one is heated first, and that heat is no reheat
  const next = order.length ? arcs[order[0]!]! : null;
  const startsWarm = next !== null && !run.onPlate(t) && lineC(run, t, next) >= workC;
  const result = (stoppedBy: LiftPlan['stoppedBy']): LiftPlan => ({
    windowsMm,
    reheats: Math.max(0, heats - (startsWarm ? 0 : 1)),
    rests,
    totalS: t - input.nowS,
    finished: stoppedBy === null,
    stoppedBy,
    battery: exposure(run, 'battery', batteryMarks, 0, t, Math.max(5, t / 150)),
  });

  /** Puts the device on the plate (after a rest if the cell needs one) and takes it off when the arc is soft. */
  const heatFor = (arc: ArcCells): 'battery' | 'cold' | null => {
    if (heats > maxReheats) return 'cold';
    const before = run;
    const opening = heats === 0 && !startsWarm;
    if (!run.onPlate(t)) run = run.then({ atS: t, setC, preheated: true });
    let leave = leaveAt(run, arc, input, t, opening);
    if (leave === 'battery' && !opening) {
      const coolC = batteryMarks.cautionC - restUnderK.value;
      const cooled = firstTrue((s) => cellC(before, s) <= coolC, t, t + horizonS, 60);
      if (cooled === null) return 'battery';
      rests++;
      run = before.then({ atS: cooled, setC, preheated: true });
      leave = leaveAt(run, arc, input, cooled, opening);
    }
    if (typeof leave === 'string') return leave;
    heats++;
    run = run.then({ atS: leave, setC: null, preheated: false });
    t = leave + leadOf(run.heater);
    return null;
  };

  /** Cuts until the next arc has gripped or nothing is left; returns the millimetres of this window. */
  const cutOn = (): number => {
    let window = 0;
    while (done < order.length) {
      const arc = arcs[order[done]!]!;
      const now = lineC(run, t, arc);
      const v = pace(now);
      if (v === 0) break;
      const left = arc.toMm - arc.fromMm - cut;
      const stepMm = Math.min(v * stepS, left);
      t += stepMm / v;
      window += stepMm;
      cut += stepMm;
      if (stepMm >= left - 1e-9) {
        cut = 0;
        done++;
      }
    }
    return window;
  };

  if (startsWarm) windowsMm.push(cutOn());
  while (done < order.length) {
    const problem = heatFor(arcs[order[done]!]!);
    if (problem) return result(problem);
    const window = cutOn();
    windowsMm.push(window);
    if (window === 0) return result('cold');
  }
  return result(null);
}

/**
 * When to leave the plate for an arc: with a useful time at full speed when the cell allows it, else as soon as the arc is
 * ready. A later arc needs only workC when its turn comes (law 3), so there the cell's stop mark may cut the heat short.
 */
function leaveAt(
  run: HeatRun,
  arc: ArcCells,
  { easyC, workC, batteryMarks }: LiftPlanInput,
  fromS: number,
  opening: boolean,
): number | 'battery' | 'cold' {
  const cool = (s: number) => cellC(run, s) < batteryMarks.stopC - sameWorldK.value;
  const readyS = (leadS: number) =>
    firstReach((s) => run.members[0]!.lineAfterC(s, leadS, arc.cells), easyC, fromS, fromS + horizonS);
  const long = readyS(leadOf(run.heater) + usefulS.value);
  if (long !== null && cool(long)) return long;
  const ready = readyS(leadOf(run.heater));
  if (ready !== null && cool(ready)) return ready;
  if (opening) return ready !== null ? 'battery' : 'cold';
  const hot = firstTrue((s) => !cool(s), fromS, fromS + horizonS, 30);
  if (hot === null) return 'cold';
  const leave = hot - 0.25;
  const then = run.members[0]!.lineAfterC(leave, leadOf(run.heater), arc.cells);
  return leave > fromS && then >= workC + workMarginK.value ? leave : 'battery';
}
