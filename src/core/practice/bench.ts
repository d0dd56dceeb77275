import { slotDryS } from '../alcohol/drying';
import type { Perimeter } from '../device/perimeter';
import type { Bond, Device, Pt } from '../device/types';
import type { ArcCells } from '../heat/arcs';
import { defaultPlate, type Heater } from '../heat/heater';
import type { HeatSwitch, HeatUse, Watched } from '../heat/member';
import type { Marks } from '../heat/opening';
import type { ReducedModel } from '../heat/reduced';
import { HeatRun, type BenchAir } from '../heat/run';
import { Advance } from '../lift/advance';
import { cornerRule } from '../lift/corner';
import { depthLimitAt, type KeepOut } from '../lift/depth';
import { softened } from '../lift/fractureEnergy';
import { breakHazard, coverStrengthMPa } from '../lift/strength';
import { cutSpeed, wedgeState, type LiftCase } from '../lift/verdict';
import { commonPractice, judgement } from '../source';
import { heaterAsIs, truthFigures, type Truth } from './truth';

/** What is practised on, as the app believes it to be. */
export interface PracticeCase {
  device: Device;
  bond: Bond;
  model: ReducedModel;
  path: Perimeter;
  arcs: readonly ArcCells[];
  ambientC: number;
  air: BenchAir;
  /** without the pick, which the hand brings */
  lift: Omit<LiftCase, 'pickMm'>;
  outs: readonly KeepOut[];
  marks: Partial<Record<Watched, Marks>>;
}

export const practiceFigures = {
  /** a small cup lets go of glass under more than this */
  cupHoldsN: commonPractice(70, 'a small suction cup slips or lets go above some 60 to 80 N'),
  gapHalfMm: judgement(12, 'a first gap is about as wide as the blade and a little more'),
  spanMm: judgement(20, 'length of edge that a cup bends'),
  restMm: judgement(4, 'a millimetre or two beside a place that is left shut comes with the cover'),
  fastShare: judgement(1.5, 'half as fast again as is comfortable is called too fast'),
  tearMmS: judgement(1, 'a pick that is forced into a bond that does not follow strains this much of it a second'),
};

/** What a hand does for a stretch of time. */
export type HandAction =
  | { kind: 'wait' }
  | { kind: 'heat'; heater: Heater; use: HeatUse; setC: number; preheated: boolean }
  | { kind: 'off' }
  /** a cup at a place of the edge, pulled with so many newtons */
  | { kind: 'pull'; sMm: number; forceN: number }
  /** a pick in the gap, `depthMm` from the cover's edge, moved along s; a negative speed goes back */
  | { kind: 'push'; sMm: number; depthMm: number; speedMmS: number; pickMm: number }
  | { kind: 'alcohol'; fromMm: number; toMm: number };

export type Refusal = 'onHeat' | 'nothingOnHeat' | 'noGap' | 'over';

/** What came of it; instants are seconds of the exercise. */
export type Happened =
  | { what: 'gap'; atS: number; sMm: number; tC: number; forceN: number }
  | { what: 'holds'; atS: number; sMm: number; tC: number; needN: number }
  | { what: 'cupOff'; atS: number; sMm: number; tC: number }
  | { what: 'stuck'; atS: number; sMm: number; tC: number; speedMmS: number }
  | { what: 'shallow'; atS: number; sMm: number; depthMm: number; needMm: number }
  | {
      what: 'broke';
      atS: number;
      sMm: number;
      tC: number;
      stressMPa: number;
      charMPa: number;
      because: BreakCause;
      crack: Pt[];
    }
  | {
      what: 'hurt';
      atS: number;
      sMm: number;
      depthMm: number;
      limitMm: number;
      part: string;
      name: string;
      why: KeepOut['why'];
    }
  | { what: 'partHot'; atS: number; part: Watched; tC: number; stopC: number }
  | { what: 'flash'; atS: number }
  | { what: 'free'; atS: number }
  | { what: 'refused'; atS: number; why: Refusal };

/** Why a cover broke, by what was furthest from what the call allows. */
export type BreakCause = 'cold' | 'fast' | 'chip' | 'corner' | 'pull' | 'chance';

export interface BenchState {
  tS: number;
  switches: readonly HeatSwitch[];
  cut: Advance;
  /** expected number of breaks so far */
  hazard: number;
  /** most that a pull has added to it: a second one as strong adds nothing */
  pullHazard: number;
  broke: Extract<Happened, { what: 'broke' }> | null;
  hurt: readonly Extract<Happened, { what: 'hurt' }>[];
  wet: readonly { fromMm: number; toMm: number; atS: number }[];
  flash: boolean;
  /** seconds of each watched part above its stop mark, and its hottest */
  hot: Partial<Record<Watched, { peakC: number; aboveStopS: number }>>;
  /** all of the bond is cut */
  free: boolean;
}

/**
 * A made-up device on a bench: state and action in, state and what happened out. The bond gives, holds and breaks by the
 * same laws as the app's own calls, with the truth in place of the belief; nothing is drawn that the seed does not say.
 */
export class PracticeBench {
  readonly lift: Omit<LiftCase, 'pickMm'>;
  readonly outs: readonly KeepOut[];
  readonly needMm: number;
  private readonly ambientC: number;
  private readonly runs = new Map<string, HeatRun>();

  constructor(
    readonly about: PracticeCase,
    readonly truth: Truth,
  ) {
    const { lift, bond, outs } = about;
    const { scale } = lift.adhesive.debond;
    this.ambientC = about.ambientC + truth.ambientK;
    this.lift = {
      ...lift,
      adhesive: {
        ...lift.adhesive,
        debond: { ...lift.adhesive.debond, scale: { ...scale, value: scale.value * Math.exp(truth.lnScale) } },
      },
    };
    // a pick cuts the ring when it reaches its inner edge; the calls ask for a little more
    this.needMm = bond.insetMm + bond.widthMm;
    // the app keeps a margin from every part: what is hurt is the part itself, as far off its place as the seed says
    this.outs = outs.map((k) => ({ ...k, clearMm: Math.min(k.clearMm, truth.partsMm) }));
  }

  start(): BenchState {
    return {
      tS: 0,
      switches: [],
      cut: Advance.none(this.about.path.lengthMm),
      hazard: 0,
      pullHazard: 0,
      broke: null,
      hurt: [],
      wet: [],
      flash: false,
      hot: {},
      free: false,
    };
  }

  /** The true run of a history of heats: each goes on from the one before it. */
  run(switches: readonly HeatSwitch[]): HeatRun {
    const key = switches.map((x) => `${x.atS} ${x.setC} ${x.heater?.id ?? ''}`).join('|');
    let run = this.runs.get(key);
    if (!run) {
      const { model, air } = this.about;
      const last = switches[switches.length - 1]!;
      run =
        switches.length > 1
          ? this.run(switches.slice(0, -1)).then(last)
          : HeatRun.start(model, last.heater ?? defaultPlate, this.ambientC, switches, {}, air);
      if (this.runs.size > 200) this.runs.clear();
      this.runs.set(key, run);
    }
    return run;
  }

  onHeat(s: Pick<BenchState, 'switches'>): boolean {
    return (s.switches.at(-1)?.setC ?? null) !== null;
  }

  /** Temperature of the line at a place, as it truly is, °C. */
  lineC(s: Pick<BenchState, 'switches'>, sMm: number, tS: number): number {
    if (!s.switches.length) return this.ambientC;
    return this.run(s.switches).members[0]!.lineC(tS, this.arcAt(sMm).cells);
  }

  /** Hottest of a watched thing, °C; null when the device has none. */
  partC(s: Pick<BenchState, 'switches'>, id: Watched, tS: number): number | null {
    if (!s.switches.length) return this.about.marks[id] ? this.ambientC : null;
    return this.run(s.switches).members[0]!.hottest(tS, id)?.atC ?? null;
  }

  private arcAt(sMm: number): ArcCells {
    const { arcs, path } = this.about;
    const step = path.lengthMm / arcs.length;
    return arcs[Math.floor((path.wrap(sMm) + step / 2) / step) % arcs.length]!;
  }

  /** Flaw of the edge at a place: what was answered, or a chip that nobody saw. */
  flawUm(sMm: number): number {
    const { path, lift } = this.about;
    const near = this.truth.chips.filter((c) => {
      const d = path.wrap(c.sMm - sMm);
      return Math.min(d, path.lengthMm - d) <= truthFigures.chipReachMm.value;
    });
    return Math.max(lift.flawUm, ...near.map((c) => c.flawUm));
  }

  /** What is lifted at a place and an instant: its glue with what alcohol has done to it. */
  caseAt(s: BenchState, sMm: number, tS: number, pickMm: number): LiftCase {
    const { debond } = this.lift.adhesive;
    const soaked = s.wet.reduce(
      (m, w) =>
        within(this.about.path, sMm, w) && !this.dried(w, tS)
          ? Math.min(m, softened(this.lift.adhesive.debond, tS - w.atS))
          : m,
      1,
    );
    const adhesive =
      soaked === 1
        ? this.lift.adhesive
        : {
            ...this.lift.adhesive,
            debond: { ...debond, scale: { ...debond.scale, value: debond.scale.value * soaked } },
          };
    return { ...this.lift, adhesive, pickMm, flawUm: this.flawUm(sMm) };
  }

  /** What ran into the slot has left it: the law that the calls go by. */
  private dried(w: BenchState['wet'][number], tS: number): boolean {
    const tC = Math.min(79, Math.max(-19, this.ambientC));
    return tS - w.atS > slotDryS(tC, Math.min(this.about.bond.widthMm, 10));
  }

  /**
   * How the pick feels at a place: it goes at this speed, only at a slower one, or not at all. What a hand knows without
   * being told a temperature.
   */
  feel(s: BenchState, sMm: number, pickMm: number, speedMmS: number): 'goes' | 'heavy' | 'stuck' {
    const c = this.caseAt(s, sMm, s.tS, pickMm);
    const tC = this.lineC(s, sMm, s.tS);
    if (wedgeState(c, tC, speedMmS).opens) return 'goes';
    return wedgeState(c, tC, speedMmS * 0.1).opens ? 'heavy' : 'stuck';
  }

  /** Force at which the edge gives to a cup, N: the ring as a line spring over its decay length, at the lift where it opens. */
  pullNeedN(s: BenchState, sMm: number): number {
    const c = this.caseAt(s, sMm, s.tS, 0.5);
    const { opening } = wedgeState(c, this.lineC(s, sMm, s.tS), 1);
    return 2 * c.adhesive.debond.kNmm3.value * c.ringMm * opening.ellMm * opening.openLiftMm;
  }

  /**
   * One stretch of time of one action. Nothing un-breaks: after a cover broke, a flash or the end, hands only wait.
   * @param dtS over 0 s, at most an hour
   */
  step(s: BenchState, a: HandAction, dtS: number): { state: BenchState; happened: Happened[] } {
    const refuse = (why: Refusal) => {
      const waited = this.passed(s, dtS);
      return { state: waited.state, happened: [{ what: 'refused' as const, atS: s.tS, why }, ...waited.happened] };
    };
    if ((s.broke || s.flash || s.free) && a.kind !== 'wait' && a.kind !== 'off') return refuse('over');
    switch (a.kind) {
      case 'wait':
        return this.passed(s, dtS);
      case 'heat': {
        const heater = heaterAsIs(a.heater, this.truth);
        const on: HeatSwitch = { atS: s.tS, setC: a.setC, preheated: a.preheated, heater, use: a.use };
        // alcohol that is in the slot still, or that runs onto a hot device, flashes (common practice: never beside heat)
        if (s.wet.some((w) => !this.dried(w, s.tS))) return this.flashed(s, dtS);
        return this.passed({ ...s, switches: [...s.switches.filter((x) => x.atS < s.tS), on] }, dtS);
      }
      case 'off':
        if (!this.onHeat(s)) return refuse('nothingOnHeat');
        return this.passed(
          { ...s, switches: [...s.switches.filter((x) => x.atS < s.tS), { atS: s.tS, setC: null, preheated: false }] },
          dtS,
        );
      case 'alcohol':
        if (this.onHeat(s)) return this.flashed(s, dtS);
        return this.passed({ ...s, wet: [...s.wet, { fromMm: a.fromMm, toMm: a.toMm, atS: s.tS }] }, dtS);
      case 'pull':
        if (this.onHeat(s)) return refuse('onHeat');
        return this.pulled(s, a, dtS);
      case 'push':
        if (this.onHeat(s)) return refuse('onHeat');
        if (!s.cut.free.length) return refuse('noGap');
        return this.pushed(s, a, dtS);
    }
  }

  private flashed(s: BenchState, dtS: number) {
    const then = this.passed({ ...s, flash: true }, dtS);
    return { state: then.state, happened: [{ what: 'flash' as const, atS: s.tS }, ...then.happened] };
  }

  /** Time goes by: what is hot is counted. */
  private passed(s: BenchState, dtS: number): { state: BenchState; happened: Happened[] } {
    const happened: Happened[] = [];
    const hot = { ...s.hot };
    const n = s.switches.length ? Math.max(1, Math.ceil(dtS / 10)) : 1;
    for (let i = 1; i <= n; i++) {
      const tS = s.tS + (i * dtS) / n;
      for (const id of Object.keys(this.about.marks) as Watched[]) {
        const tC = this.partC(s, id, tS);
        const stopC = this.about.marks[id]!.stopC;
        if (tC === null) continue;
        const before = hot[id] ?? { peakC: -Infinity, aboveStopS: 0 };
        if (tC >= stopC && before.peakC < stopC) happened.push({ what: 'partHot', atS: tS, part: id, tC, stopC });
        hot[id] = { peakC: Math.max(before.peakC, tC), aboveStopS: before.aboveStopS + (tC >= stopC ? dtS / n : 0) };
      }
    }
    return { state: { ...s, tS: s.tS + dtS, hot }, happened };
  }

  private pulled(s: BenchState, a: Extract<HandAction, { kind: 'pull' }>, dtS: number) {
    const tC = this.lineC(s, a.sMm, s.tS);
    const needN = this.pullNeedN(s, a.sMm);
    const forceN = Math.min(a.forceN, practiceFigures.cupHoldsN.value);
    const c = this.caseAt(s, a.sMm, s.tS, 0.5);
    const { opening } = wedgeState(c, tC, 1);
    const { charMPa } = coverStrengthMPa(c.cover, c.hMm, c.flawUm);
    const stressMPa = opening.onsetMPa * Math.min(1, forceN / needN);
    const hazard = breakHazard(stressMPa, charMPa, practiceFigures.spanMm.value);
    const added = Math.max(0, hazard - s.pullHazard);
    const next = { ...s, hazard: s.hazard + added, pullHazard: Math.max(s.pullHazard, hazard) };
    if (next.hazard >= this.truth.nerve) return this.breaks(next, a.sMm, tC, stressMPa, charMPa, 'pull', dtS);
    const then = this.passed(next, dtS);
    if (forceN < needN) {
      const what: Happened =
        a.forceN > forceN
          ? { what: 'cupOff', atS: s.tS, sMm: a.sMm, tC }
          : { what: 'holds', atS: s.tS, sMm: a.sMm, tC, needN };
      return { state: then.state, happened: [what, ...then.happened] };
    }
    const half = practiceFigures.gapHalfMm.value;
    const cut = s.cut.cut({ fromMm: a.sMm - half, toMm: a.sMm + half });
    return {
      state: { ...then.state, cut },
      happened: [{ what: 'gap' as const, atS: s.tS, sMm: a.sMm, tC, forceN: needN }, ...then.happened],
    };
  }

  private pushed(s: BenchState, a: Extract<HandAction, { kind: 'push' }>, dtS: number) {
    const { path, bond } = this.about;
    const happened: Happened[] = [];
    const v = Math.abs(a.speedMmS);
    const way = Math.sign(a.speedMmS) || 1;
    // so fine that half of it changes nothing that anybody could tell
    const n = Math.max(1, Math.ceil(Math.max((v * dtS) / 0.5, dtS / 0.5)));
    let now: BenchState = s;
    let sMm = a.sMm;
    for (let i = 0; i < n; i++) {
      const dt = dtS / n;
      const step = v * dt;
      const mid = sMm + (way * step) / 2;
      const place = path.wrap(mid);
      const { limitMm, by } = depthLimitAt(path, bond, this.outs, place);
      if (
        by &&
        a.depthMm > limitMm + 0.05 &&
        !now.hurt.some((h) => h.part === by.id) &&
        this.reallyHit(by, place, a.depthMm)
      ) {
        const hurt = {
          what: 'hurt' as const,
          atS: now.tS,
          sMm: place,
          depthMm: a.depthMm,
          limitMm,
          part: by.id,
          name: by.name,
          why: by.why,
        };
        happened.push(hurt);
        now = { ...now, hurt: [...now.hurt, hurt] };
      }
      if (a.depthMm < this.needMm - 1e-9) {
        if (!happened.some((h) => h.what === 'shallow'))
          happened.push({ what: 'shallow', atS: now.tS, sMm: place, depthMm: a.depthMm, needMm: this.needMm });
        now = { ...now, tS: now.tS + dt };
        sMm += way * step;
        continue;
      }
      const bit = { fromMm: Math.min(sMm, sMm + way * step), toMm: Math.max(sMm, sMm + way * step) };
      const held = step - now.cut.freeWithin(bit);
      if (held > 1e-6) {
        const tC = this.lineC(now, place, now.tS);
        const c = this.caseAt(now, place, now.tS, a.pickMm);
        const w = wedgeState(c, tC, v);
        const corner = path.point(place).corner ? cornerRule(c, tC, v).stressMPa : 0;
        const stressMPa = Math.max(w.stressMPa, corner);
        const { charMPa } = coverStrengthMPa(c.cover, c.hMm, c.flawUm);
        const strained = w.opens ? held : Math.max(held, practiceFigures.tearMmS.value * dt);
        now = { ...now, hazard: now.hazard + breakHazard(stressMPa, charMPa, strained) };
        if (now.hazard >= this.truth.nerve) {
          const because = this.causeOf(c, tC, v, place, corner > w.stressMPa);
          const broken = this.breaks(now, place, tC, stressMPa, charMPa, because, dt);
          return { state: broken.state, happened: [...happened, ...broken.happened] };
        }
        if (!w.opens) {
          // the bond does not follow: the pick stays where it is
          if (!happened.some((h) => h.what === 'stuck'))
            happened.push({ what: 'stuck', atS: now.tS, sMm: place, tC, speedMmS: v });
          now = { ...now, tS: now.tS + dt };
          continue;
        }
        now = { ...now, cut: now.cut.cut(bit) };
      }
      now = { ...now, tS: now.tS + dt };
      sMm += way * step;
    }
    const then = this.passed({ ...now, tS: s.tS }, dtS);
    let state = then.state;
    if (!state.free && this.isOff(state)) {
      state = { ...state, free: true };
      happened.push({ what: 'free', atS: state.tS });
    }
    return { state, happened: [...happened, ...then.happened] };
  }

  /** What is marked round a cable is a millimetre wider than the cable is: beside it nothing is cut. */
  private reallyHit(by: KeepOut, sMm: number, depthMm: number): boolean {
    if (by.why !== 'cable') return true;
    const { path, bond } = this.about;
    return [-1, 1].every((d) => depthLimitAt(path, bond, this.outs, path.wrap(sMm + d)).limitMm < depthMm);
  }

  /** Nothing holds but what no tool may enter: those stretches come with the cover as it is lifted off. */
  isOff(s: Pick<BenchState, 'cut'>): boolean {
    const { path } = this.about;
    const held = s.cut.heldWithin({ fromMm: 0, toMm: path.lengthMm });
    // what is left of a millimetre or two beside such a place comes with it
    const tools = practiceFigures.restMm.value;
    return held.every((h) => {
      let holds = 0;
      for (let x = h.fromMm + 0.5; x < h.toMm; x += 1)
        if (depthLimitAt(path, this.about.bond, this.about.outs, path.wrap(x)).limitMm >= this.needMm) holds++;
      return holds <= tools;
    });
  }

  /** What a break is put down to: the first of these that holds. */
  private causeOf(c: LiftCase, tC: number, v: number, sMm: number, atCorner: boolean): BreakCause {
    if (atCorner) return 'corner';
    if (!wedgeState(c, tC, v).opens) return wedgeState(c, tC, v * 0.1).opens ? 'fast' : 'cold';
    if (v > cutSpeed.value * practiceFigures.fastShare.value) return 'fast';
    if (this.flawUm(sMm) > this.about.lift.flawUm) return 'chip';
    return 'chance';
  }

  private breaks(
    s: BenchState,
    sMm: number,
    tC: number,
    stressMPa: number,
    charMPa: number,
    because: BreakCause,
    dtS: number,
  ): { state: BenchState; happened: Happened[] } {
    const broke = {
      ...{ what: 'broke' as const, atS: s.tS, sMm: this.about.path.wrap(sMm), tC, stressMPa, charMPa, because },
      crack: this.crackFrom(sMm),
    };
    const then = this.passed({ ...s, broke }, dtS);
    return { state: then.state, happened: [broke, ...then.happened] };
  }

  /** A crack runs in from the edge, bending the way that the seed says, across the face. */
  private crackFrom(sMm: number): Pt[] {
    const { path } = this.about;
    const { at, normal } = path.point(sMm);
    const turn = this.truth.crackTurn;
    const length = path.lengthMm * 0.22;
    const pts: Pt[] = [at];
    let angle = Math.atan2(-normal[1], -normal[0]) + turn * 0.5;
    for (let i = 0; i < 6; i++) {
      const [x, y] = pts[pts.length - 1]!;
      angle += turn * 0.12 * (i % 2 ? 1 : -0.6);
      pts.push([x + (Math.cos(angle) * length) / 6, y + (Math.sin(angle) * length) / 6]);
    }
    return pts;
  }
}

function within(path: Perimeter, sMm: number, w: { fromMm: number; toMm: number }): boolean {
  return path.wrap(sMm - w.fromMm) <= w.toMm - w.fromMm + 1e-9;
}
