import { edgeWindows } from '../lift/depth';
import { edgeOrder, type EdgeStep } from '../lift/order';
import { liftThresholds, paceMmS, slowShare, upperC } from '../lift/verdict';
import { adhesiveRecord } from '../adhesives';
import { firstGap } from '../lift/firstGap';
import { fitScale, gripFigures, scaleU, withScale, type GaveWay } from '../lift/scale';
import { defOf } from '../heat/heaterDefs';
import type { Heater } from '../heat/heater';
import type { HeatUse } from '../heat/member';
import { opening } from '../heat/opening';
import { firstTrue } from '../heat/forecast';
import { HeatRun, hotOf } from '../heat/run';
import { restUnderK } from '../lift/plan';
import { randomOf } from '../numeric/random';
import { commonPractice, judgement } from '../source';
import type { BenchState, HandAction, Happened, PracticeBench } from './bench';

/** Who works: by the calls as they are shown, or in one of the ways in which people go wrong. */
export type Style = 'guided' | 'reckless' | 'timid' | 'random';
export const styles: readonly Style[] = ['guided', 'reckless', 'timid', 'random'];

export const handFigures = {
  cupStepN: judgement(10, 'a hand pulls a cup harder by so much at a time'),
  cupMostN: commonPractice(60, 'more than this is not pulled at a small cup'),
  mostHeats: judgement(24, 'after so many heats somebody stops and asks'),
  /** s from a call that it grips to the device on the heat again */
  turnS: judgement(8, 'a device is laid back on the plate'),
};

/** Slower than this nobody goes on: it is heated again. */
const slowestMmS = judgement(0.08, 'under a millimetre in ten seconds a bond counts as gripping');

/** What a style does with the calls: when it takes the device off, how fast and how deep it goes, and whether it feels. */
interface Manner {
  /** of the time until it goes easily */
  heatShare: number;
  late: boolean;
  /** of the speed that is said */
  speed: number;
  /** over what is said, mm; still within the limit where it is 0 or less */
  deeperMm: number;
  /** slows down and reheats when the pick does not follow */
  feels: boolean;
}

const mannerOf = (style: Style, random: () => number): Manner =>
  ({
    guided: { heatShare: 1, late: false, speed: 1, deeperMm: 0, feels: true },
    reckless: { heatShare: 0.45, late: false, speed: 4, deeperMm: 4, feels: false },
    timid: { heatShare: 1, late: true, speed: 0.3, deeperMm: -0.5, feels: true },
    random: {
      heatShare: 0.3 + 1.2 * random(),
      late: random() < 0.3,
      speed: 0.2 + 3 * random(),
      deeperMm: -1 + 5 * random(),
      feels: random() < 0.5,
    },
  })[style];

export interface Worked {
  state: BenchState;
  happened: Happened[];
  heats: number;
}

export interface HandsInput {
  bench: PracticeBench;
  heater: Heater;
  use: HeatUse;
  setC: number;
  pickMm: number;
  style: Style;
  /** of the hand's own chances, where its style has some */
  seed: number;
  /** where it is far enough; all of it is off when it is not said */
  enough?: (s: BenchState) => boolean;
}

/**
 * Works a ring from the first heat until it is off or something ended it, by what the app believes: its heat model, its
 * thresholds, its order and its depths; of the truth only what a hand feels. The same input, the same end.
 */
export function workRing({ bench, heater, use, setC, pickMm, style, seed, enough }: HandsInput): Worked {
  const { about } = bench;
  const { path, device, bond, arcs, outs } = about;
  const manner = mannerOf(style, randomOf(seed * 40503 + 11));
  let lift = { ...about.lift, pickMm };
  let th = liftThresholds(lift);
  const seen: GaveWay[] = [];
  // what does not give where it should have is told to the app, which then believes in a stronger glue and asks for more heat
  const tellsGrip = (tC: number) => {
    // under where it goes easily a bond grips as it should: that says nothing of its strength
    if (!manner.feels || th.easyC === null || tC < th.easyC - scaleU.temperature.value) return;
    const { adhesive, hMm, ringMm, fullArea } = about.lift;
    seen.push({
      adhesive: adhesive.id,
      gave: false,
      liftMm: pickMm,
      tC,
      uK: gripFigures.uK.value,
      hMm,
      ringMm,
      fullArea,
    });
    const fit = fitScale(adhesive.id, seen, () => about.lift.cover);
    lift = { ...lift, adhesive: withScale(adhesiveRecord(adhesive.id), fit) };
    th = liftThresholds(lift);
  };
  const steps = edgeOrder(device, bond, outs);
  const windows = edgeWindows(device, bond, outs);
  const first = firstGap(device, bond, outs, steps[0]!.edge, [], []);
  const out: Worked = { state: bench.start(), happened: [], heats: 0 };
  let believed = HeatRun.start(about.model, heater, about.ambientC, [], use, about.air);
  const over = () => out.state.broke !== null || out.state.flash || out.state.free || (enough?.(out.state) ?? false);
  const act = (a: HandAction, dtS: number): Happened[] => {
    const { state, happened } = bench.step(out.state, a, dtS);
    out.state = state;
    out.happened.push(...happened);
    return happened;
  };
  const lead = defOf(heater).leadS.value;

  /** Heats until the next arcs go, as the call says; longer where the last heat was not enough. */
  const heat = (order: readonly number[], notEnough: boolean) => {
    out.heats++;
    const caution = about.marks.battery?.cautionC;
    if (manner.feels && caution !== undefined && out.heats > 1) {
      // a battery that is warm from the last heat rests first
      const coolC = caution - restUnderK.value;
      const cooled = firstTrue(
        (t) => (believed.members[0]!.hottest(t, 'battery')?.atC ?? 0) <= coolC,
        out.state.tS,
        out.state.tS + 3600,
        30,
      );
      if (cooled !== null && cooled > out.state.tS && notEnough) act({ kind: 'wait' }, cooled - out.state.tS);
    }
    const fromS = out.state.tS;
    believed = believed.then({ atS: fromS, setC, preheated: true, heater, use });
    act({ kind: 'heat', heater, use, setC, preheated: true }, 0);
    const o = opening({
      ...{ run: believed, fromS, arcs, order, easyC: th.easyC, workC: th.workC },
      ...{ upperC: upperC(lift), marks: about.marks },
    });
    const late = manner.late || notEnough;
    const at = late ? o.easyByS?.high : o.easyByS?.mean;
    let until = at ?? o.tryFromS?.high ?? fromS + 300;
    if (late || manner.heatShare === 1) {
      // the page counts down to the battery's limit as well, and says to take it off
      const stopC = about.marks.battery?.stopC;
      const hot =
        stopC === undefined
          ? null
          : firstTrue((t) => (hotOf(believed, 'battery', t)?.hotC ?? 0) >= stopC, fromS, until, 5);
      if (hot !== null) until = Math.max(fromS + 1, hot - 1);
    }
    act({ kind: 'wait' }, Math.max(1, (until - fromS) * (late ? 1 : manner.heatShare)));
    believed = believed.then({ atS: out.state.tS, setC: null, preheated: false });
    act({ kind: 'off' }, lead);
  };
  const believedC = (sMm: number) => {
    const step = path.lengthMm / arcs.length;
    const arc = arcs[Math.floor((path.wrap(sMm) + step / 2) / step) % arcs.length]!;
    return believed.members[0]!.lineC(out.state.tS, arc.cells);
  };
  const arcsOf = (e: EdgeStep) =>
    arcs.flatMap((a, i) => {
      const mid = (a.fromMm + a.toMm) / 2;
      return path.point(mid).edge === e.edge ? [i] : [];
    });

  heat(arcsOf(steps[0]!), false);
  // the first gap: a cup, pulled harder and harder, and heat again where it does not give
  const gapAt = first.blade.sMm;
  while (!out.state.cut.free.length && !over() && out.heats < handFigures.mostHeats.value) {
    for (let n = handFigures.cupStepN.value; n <= handFigures.cupMostN.value; n += handFigures.cupStepN.value) {
      act({ kind: 'pull', sMm: gapAt, forceN: n }, 1);
      if (out.state.cut.free.length || over()) break;
    }
    if (!out.state.cut.free.length && !over()) {
      tellsGrip(believedC(gapAt));
      act({ kind: 'wait' }, handFigures.turnS.value);
      heat(arcsOf(steps[0]!), manner.feels);
    }
  }

  let stuckHere = 0;
  for (const e of steps) {
    const w = windows.find((x) => x.edge === e.edge)!;
    for (const stretch of stretchesOf(bench, out.state, e, gapAt)) {
      const way = Math.sign(stretch.toMm - stretch.fromMm);
      let sMm = stretch.fromMm;
      while ((stretch.toMm - sMm) * way > 0.25 && !over() && out.heats <= handFigures.mostHeats.value) {
        // nothing enters where there is no room: the pick comes out and goes in behind it
        const closed = w.closed.find((c) => within(path.wrap(sMm), c, path.lengthMm));
        if (closed && manner.deeperMm <= 0) {
          sMm += way;
          continue;
        }
        const depthMm = Math.min(w.needMm, Math.max(w.limitMm, bench.needMm)) + manner.deeperMm;
        const tC = believedC(sMm);
        const pace = paceMmS(tC, th.easyC, th.workC);
        let speed = (pace || (manner.feels ? 0 : slowShare)) * manner.speed;
        // a hand slows down until the bond follows, and stops where that is no speed any more
        if (manner.feels && speed > 0) {
          const share = [1, 0.7, 0.5, 0.35, 0.2].find(
            (k) => bench.feel(out.state, path.wrap(sMm), pickMm, speed * k) === 'goes',
          );
          speed = share === undefined || speed * share < slowestMmS.value ? 0 : speed * share;
        }
        // round a corner at a tenth, as the call says
        if (manner.feels && path.point(sMm + 3 * way).corner) speed = Math.min(speed, slowShare * manner.speed);
        if (speed === 0) {
          stuckHere++;
          tellsGrip(believedC(sMm));
          act({ kind: 'wait' }, handFigures.turnS.value);
          heat(
            [...arcsOf(e)].sort(
              (a, b) => distance(middle(arcs[a]!), sMm, path.lengthMm) - distance(middle(arcs[b]!), sMm, path.lengthMm),
            ),
            stuckHere > 1,
          );
          if (out.heats > handFigures.mostHeats.value) break;
          continue;
        }
        // so short that it is felt when it stops going
        let mm = Math.min(2, Math.max(0.3, 3 * speed), Math.abs(stretch.toMm - sMm));
        // it stops short of what is shut
        if (manner.deeperMm <= 0)
          while (mm > 0.5 && w.closed.some((c) => within(path.wrap(sMm + way * mm), c, path.lengthMm))) mm -= 0.5;
        const before = out.state.cut.freeMm;
        act({ kind: 'push', sMm, depthMm, speedMmS: speed * way, pickMm }, mm / speed);
        if (out.state.cut.freeMm > before) stuckHere = 0;
        sMm += way * mm;
      }
      if (over()) break;
    }
    if (over()) break;
  }
  return out;
}

const middle = (a: { fromMm: number; toMm: number }) => (a.fromMm + a.toMm) / 2;

const distance = (a: number, b: number, l: number) => {
  const d = (((a - b) % l) + l) % l;
  return Math.min(d, l - d);
};

const within = (s: number, w: { fromMm: number; toMm: number }, l: number) =>
  (((s - w.fromMm) % l) + l) % l <= w.toMm - w.fromMm;

/** The ways that a pick goes along an edge: on from what is open, from the first gap to both sides. */
function stretchesOf(
  bench: PracticeBench,
  s: BenchState,
  e: EdgeStep,
  gapAt: number,
): { fromMm: number; toMm: number }[] {
  const { path } = bench.about;
  const inside = [gapAt, gapAt - path.lengthMm, gapAt + path.lengthMm].find((g) => g > e.fromMm && g < e.toMm);
  if (inside !== undefined)
    return [
      { fromMm: inside, toMm: e.toMm },
      { fromMm: inside, toMm: e.fromMm },
    ];
  const openAt = (x: number) => s.cut.freeWithin({ fromMm: x - 4, toMm: x + 4 }) > 2;
  return openAt(e.toMm) && !openAt(e.fromMm)
    ? [{ fromMm: e.toMm, toMm: e.fromMm }]
    : [{ fromMm: e.fromMm, toMm: e.toMm }];
}
