import { edgeWindows, type EdgeWindow } from '../lift/depth';
import { edgeOrder, type EdgeStep } from '../lift/order';
import { pickPaceMmS } from '../lift/pickPace';
import { slowShare, upperC } from '../lift/verdict';
import { firstGap } from '../lift/firstGap';
import { defOf } from '../heat/heaterDefs';
import type { Heater } from '../heat/heater';
import { answersOf } from '../heat/heaterKind';
import type { HeatUse } from '../heat/member';
import { atLimit } from '../heat/hotEnd';
import { opening } from '../heat/opening';
import { firstTrue } from '../heat/forecast';
import { bondBelowC } from '../alcohol/interlock';
import { heatsBuyLittle } from '../lift/givingUp';
import { HeatRun } from '../heat/run';
import { restUnderK } from '../lift/plan';
import { randomOf } from '../numeric/random';
import type { PracticeBench } from './bench';
import { Counter } from './counter';
import { GlueBelief } from './glueBelief';
import type { BenchState, HandAction, Happened } from './happened';
import { handFigures, hurryS, mannerOf, slowestMmS, type Manner, type Style } from './manner';
import { distance, middle, pushMm, stretchesOf, within } from './stretches';
import type { Visitor } from './visitor';

export interface Worked {
  state: BenchState;
  happened: Happened[];
  heats: number;
  /** when hands went to the counter; null: they did not */
  wentS: number | null;
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
  /** somebody comes to the counter meanwhile */
  visitor?: Visitor;
}

/** Hands at a ring: what they know is what the app believes, and of the truth only what is felt. */
class RingHands {
  readonly out: Worked;
  private readonly glue: GlueBelief;
  private readonly counter: Counter;
  private believed: HeatRun;
  private readonly steps: EdgeStep[];
  private readonly windows: EdgeWindow[];
  private readonly gapAt: number;
  private readonly manner: Manner;
  private stuckHere = 0;
  /** what was free at the beginning of each heat, mm */
  private readonly freeAt: number[] = [];

  constructor(private readonly at: HandsInput) {
    const { about } = at.bench;
    const { device, bond, outs } = about;
    this.manner = mannerOf(at.style, randomOf(at.seed * 40503 + 11));
    const { lengthMm } = about.path;
    this.glue = new GlueBelief(about.lift, at.pickMm, { lengthMm, ringMm: bond.widthMm, ambientC: about.ambientC });
    this.steps = edgeOrder(device, bond, outs);
    this.windows = edgeWindows(device, bond, outs);
    this.gapAt = firstGap(device, bond, outs, this.steps[0]!.edge, [], []).blade.sMm;
    this.counter = new Counter(at.visitor);
    this.out = { state: at.bench.start(), happened: [], heats: 0, wentS: null };
    this.believed = HeatRun.start(about.model!, at.heater, about.ambientC, [], at.use, about.air);
  }

  private over(): boolean {
    const { state } = this.out;
    return state.broke !== null || state.flash || state.free || (this.at.enough?.(state) ?? false);
  }

  private act(a: HandAction, dtS: number): void {
    const { state, happened } = this.at.bench.step(this.out.state, a, dtS);
    this.out.state = state;
    this.out.happened.push(...happened);
  }

  /** To the counter and back, where nothing is on the heat. */
  private goesToCounter(): void {
    const takesS = this.counter.goes(this.out.state.tS);
    if (takesS !== null) this.act({ kind: 'wait' }, takesS);
  }

  private tellsGrip(tC: number): void {
    if (this.manner.feels) this.glue.tellsGrip(tC);
  }

  /** Heat after heat bought next to nothing: drops along the rest of this edge, off the heat and under 60 °C, and time to run in. */
  private wicks(e: EdgeStep): void {
    const { tS } = this.out.state;
    const { arcs } = this.at.bench.about;
    const cool = (t: number) => arcs.every((a) => this.believed.members[0]!.lineC(t, a.cells) <= bondBelowC.value);
    const cooled = firstTrue(cool, tS, tS + 3600, 10);
    if (cooled !== null && cooled > tS) this.act({ kind: 'wait' }, cooled - tS);
    const { fromMm, toMm } = e;
    this.glue.wets({ fromMm, toMm, atS: this.out.state.tS });
    this.act({ kind: 'alcohol', fromMm, toMm }, handFigures.wickS.value);
  }

  /** Alcohol keeps a hot element away until it is gone; a plate or a mat drives it off, with the air moving. */
  private dries(untilS: number): void {
    const leftS = untilS - this.out.state.tS;
    this.glue.dried();
    if (leftS > 0 && answersOf(this.at.heater).hotElement) this.act({ kind: 'wait' }, leftS);
  }

  /** What the page proposes where it grips: a pick that needs less heat; where heats buy next to nothing, alcohol. */
  private changesWay(e: EdgeStep): boolean {
    if (!this.manner.feels || this.manner.late) return false;
    if (this.glue.takesThickerPick()) return true;
    const { freeMm } = this.out.state.cut;
    if (!heatsBuyLittle(this.freeAt.map((mm, i) => (this.freeAt[i + 1] ?? freeMm) - mm))) return false;
    // what the heats before it bought says nothing of what comes after it
    this.freeAt.length = 0;
    this.freeAt.push(freeMm);
    this.wicks(e);
    return true;
  }

  private believedC(sMm: number): number {
    const { path, arcs } = this.at.bench.about;
    const step = path.lengthMm / arcs.length;
    const arc = arcs[Math.floor((path.wrap(sMm) + step / 2) / step) % arcs.length]!;
    return this.believed.members[0]!.lineC(this.out.state.tS, arc.cells);
  }

  private arcsOf(e: EdgeStep): number[] {
    const { path, arcs } = this.at.bench.about;
    return arcs.flatMap((a, i) => (path.point(middle(a)).edge === e.edge ? [i] : []));
  }

  /** A battery that is warm from the last heat rests before the next one. */
  private rests(): void {
    const caution = this.at.bench.about.marks.battery?.cautionC;
    if (caution === undefined) return;
    const { tS } = this.out.state;
    const coolC = caution - restUnderK.value;
    const cool = (t: number) => (this.believed.members[0]!.hottest(t, 'battery')?.atC ?? 0) <= coolC;
    const cooled = firstTrue(cool, tS, tS + 3600, 30);
    if (cooled !== null && cooled > tS) this.act({ kind: 'wait' }, cooled - tS);
  }

  /** Heats until the next arcs go, as the call says; longer where the last heat was not enough. */
  private heat(order: readonly number[], notEnough: boolean): void {
    const { heater, use, setC, bench } = this.at;
    const { arcs, marks } = bench.about;
    this.out.heats++;
    this.freeAt.push(this.out.state.cut.freeMm);
    if (this.manner.feels && this.out.heats > 1 && notEnough) this.rests();
    const fromS = this.out.state.tS;
    this.believed = this.believed.then({ atS: fromS, setC, preheated: true, heater, use });
    this.act({ kind: 'heat', heater, use, setC, preheated: true }, 0);
    const o = opening({
      ...{ run: this.believed, fromS, arcs, order, easyC: this.glue.th.easyC, workC: this.glue.th.workC },
      ...{ upperC: upperC(this.glue.lift), marks },
    });
    const late = this.manner.late || notEnough;
    const at = late ? o.easyByS?.high : o.easyByS?.mean;
    let until = at ?? o.tryFromS?.high ?? fromS + 300;
    if (late || this.manner.heatShare === 1) {
      // the page counts down to every limit as well, and says to take it off
      const hot = firstTrue((t) => atLimit(o, this.believed, marks, t), fromS, until, 5);
      if (hot !== null) until = Math.max(fromS + 1, hot - 1);
    }
    const warmS = Math.max(1, (until - fromS) * (late ? 1 : this.manner.heatShare));
    this.counter.goesWhileWarming(fromS, fromS + warmS);
    this.act({ kind: 'wait' }, warmS);
    this.believed = this.believed.then({ atS: this.out.state.tS, setC: null, preheated: false });
    this.act({ kind: 'off' }, defOf(heater).leadS.value);
  }

  /** The first gap: a cup, pulled harder and harder, and heat again where it does not give. */
  private opensGap(): void {
    const { cupStepN, cupMostN, mostHeats, turnS } = handFigures;
    const first = this.arcsOf(this.steps[0]!);
    const open = () => this.out.state.cut.free.length > 0;
    while (!open() && !this.over() && this.out.heats < mostHeats.value) {
      for (let n = cupStepN.value; n <= cupMostN.value; n += cupStepN.value) {
        this.act({ kind: 'pull', sMm: this.gapAt, forceN: n }, 1);
        if (open() || this.over()) break;
      }
      if (!open() && !this.over()) {
        this.tellsGrip(this.believedC(this.gapAt));
        this.goesToCounter();
        this.act({ kind: 'wait' }, turnS.value);
        this.heat(first, this.manner.feels);
      }
    }
  }

  /** How fast the pick goes from a place on, mm/s: 0 where no speed is one. */
  private speedAt(sMm: number, way: number): number {
    const { bench } = this.at;
    const { path } = bench.about;
    const { manner } = this;
    const { pickMm } = this.glue;
    const th = this.glue.thAt(path.wrap(sMm), this.out.state.tS);
    const pace = pickPaceMmS(this.glue.lift, th, this.believedC(sMm));
    let speed = (pace || (manner.feels ? 0 : slowShare)) * manner.speed;
    // a hand slows down until the bond follows, and stops where that is no speed any more
    if (manner.feels && speed > 0) {
      const share = [1, 0.7, 0.5, 0.35, 0.2].find(
        (k) => bench.feel(this.out.state, path.wrap(sMm), pickMm, speed * k) === 'goes',
      );
      speed = share === undefined || speed * share < slowestMmS.value ? 0 : speed * share;
    }
    // round a corner at a tenth, as the call says
    if (manner.feels && path.point(sMm + 3 * way).corner) speed = Math.min(speed, slowShare * manner.speed);
    return speed;
  }

  /** On the heat again, what lies next to where it grips first. */
  private heatsAgain(e: EdgeStep, sMm: number): void {
    const { path, arcs } = this.at.bench.about;
    const far = (i: number) => distance(middle(arcs[i]!), sMm, path.lengthMm);
    this.stuckHere++;
    const wetUntilS = this.glue.wetUntilS();
    if (wetUntilS !== null) this.dries(wetUntilS);
    else {
      this.tellsGrip(this.believedC(sMm));
      if (this.changesWay(e)) return;
    }
    // it has to be heated anyway: the counter first
    this.goesToCounter();
    this.act({ kind: 'wait' }, handFigures.turnS.value);
    this.heat(
      this.arcsOf(e).sort((a, b) => far(a) - far(b)),
      this.stuckHere > 1,
    );
  }

  private cuts(e: EdgeStep, stretch: { fromMm: number; toMm: number }): void {
    const { bench } = this.at;
    const { path } = bench.about;
    const { manner, out } = this;
    const most = handFigures.mostHeats.value;
    const w = this.windows.find((x) => x.edge === e.edge)!;
    const shut = (s: number) => w.closed.some((c) => within(path.wrap(s), c, path.lengthMm));
    const depthMm = Math.min(w.needMm, Math.max(w.limitMm, bench.needMm)) + manner.deeperMm;
    const way = Math.sign(stretch.toMm - stretch.fromMm);
    let sMm = stretch.fromMm;
    while ((stretch.toMm - sMm) * way > 0.25 && !this.over() && out.heats <= most) {
      // nothing enters where there is no room: the pick comes out and goes in behind it
      if (manner.deeperMm <= 0 && shut(sMm)) {
        sMm += way;
        continue;
      }
      const speed = this.speedAt(sMm, way);
      if (speed === 0) {
        this.heatsAgain(e, sMm);
        if (out.heats > most) break;
        continue;
      }
      const leftMm = Math.abs(stretch.toMm - sMm);
      const mm = pushMm(speed, leftMm, (d) => manner.deeperMm <= 0 && shut(sMm + way * d));
      // a customer does not wait for ever, and soft glue can be warmed again
      const leavesS = this.counter.waitsUntilS(out.state.tS);
      if (leavesS !== null && leavesS - out.state.tS < hurryS.value) {
        this.goesToCounter();
        continue;
      }
      const before = out.state.cut.freeMm;
      this.act({ kind: 'push', sMm, depthMm, speedMmS: speed * way, pickMm: this.glue.pickMm }, mm / speed);
      if (out.state.cut.freeMm > before) this.stuckHere = 0;
      sMm += way * mm;
    }
  }

  work(): Worked {
    const { out } = this;
    this.heat(this.arcsOf(this.steps[0]!), false);
    this.opensGap();
    for (const e of this.steps) {
      for (const stretch of stretchesOf(this.at.bench, this.out.state, e, this.gapAt)) {
        this.cuts(e, stretch);
        if (this.over()) break;
      }
      if (this.over()) break;
    }
    if (out.state.broke === null && !out.state.flash) this.goesToCounter();
    out.wentS = this.counter.wentS;
    return out;
  }
}

/**
 * Works a ring from the first heat until it is off or something ended it, by what the app believes: its heat model, its
 * thresholds, its order and its depths; of the truth only what a hand feels. The same input, the same end.
 */
export const workRing = (input: HandsInput): Worked => new RingHands(input).work();
