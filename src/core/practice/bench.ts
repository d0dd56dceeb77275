import type { Pt } from '../device/types';
import { slotDryS } from '../alcohol/drying';
import type { HeatSwitch, Watched } from '../heat/member';
import { answersOf } from '../heat/heaterKind';
import { Advance } from '../lift/advance';
import { cornerRule } from '../lift/corner';
import type { KeepOut } from '../lift/depth';
import { softened } from '../lift/fractureEnergy';
import { breakHazard, coverStrengthMPa } from '../lift/strength';
import { wedgeState, type LiftCase } from '../lift/verdict';
import { breakCause } from './breakCause';
import { crackFrom } from './crackFrom';
import {
  practiceFigures,
  type BenchState,
  type BreakCause,
  type HandAction,
  type Happened,
  type PracticeCase,
  type Refusal,
} from './happened';
import { hitAt, isOff, within } from './reach';
import { LensTrueHeat } from './lensTrueHeat';
import type { LineHeat } from './lineHeat';
import { TrueHeat } from './trueHeat';
import { flawAt, heaterAsIs, type Truth } from './truth';

/**
 * A made-up device on a bench: state and action in, state and what happened out. The bond gives, holds and breaks by the
 * same laws as the app's own calls, with the truth in place of the belief; nothing is drawn that the seed does not say.
 */
export class PracticeBench {
  readonly lift: Omit<LiftCase, 'pickMm'>;
  readonly outs: readonly KeepOut[];
  readonly needMm: number;
  readonly pieceS = 10;
  private readonly heat: LineHeat;

  constructor(
    readonly about: PracticeCase,
    readonly truth: Truth,
  ) {
    const { lift, bond, outs } = about;
    const { scale } = lift.adhesive.debond;
    const roomC = about.ambientC + truth.ambientK;
    this.heat = about.lens
      ? new LensTrueHeat(about, about.lens, roomC, truth.crackTurn)
      : new TrueHeat(about, about.model!, roomC);
    this.lift = {
      ...lift,
      adhesive: {
        ...lift.adhesive,
        debond: { ...lift.adhesive.debond, scale: { ...scale, value: scale.value * Math.exp(truth.lnScale) } },
      },
    };
    // a pick cuts the ring when it reaches its inner edge; the calls ask for a little more
    this.needMm = about.lens?.needMm ?? bond.insetMm + bond.widthMm;
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

  onHeat(s: Pick<BenchState, 'switches'>): boolean {
    return (s.switches.at(-1)?.setC ?? null) !== null;
  }

  /** Temperature of the line at a place, as it truly is, °C. */
  lineC(s: Pick<BenchState, 'switches'>, sMm: number, tS: number): number {
    return this.heat.lineC(s, sMm, tS);
  }

  /** Hottest of a watched thing, °C; null when the device has none. */
  partC(s: Pick<BenchState, 'switches'>, id: Watched, tS: number): number | null {
    return this.heat.partC(s, id, tS);
  }

  /** Mean of the line under an outline, as it truly is, °C. */
  underC(s: Pick<BenchState, 'switches'>, outer: readonly Pt[], tS: number): number {
    return this.heat.underC(s, outer, tS) ?? this.heat.ambientC;
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
    return { ...this.lift, adhesive, pickMm, flawUm: flawAt(this.truth, this.about.path, sMm, this.lift.flawUm) };
  }

  /** What ran into the slot has left it: the law that the calls go by. */
  private dried(w: BenchState['wet'][number], tS: number): boolean {
    const tC = Math.min(79, Math.max(-19, this.heat.ambientC));
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
        // alcohol that is in the slot still flashes at a hot element; a plate lights nothing and drives it off (law 8)
        if (answersOf(heater).hotElement && s.wet.some((w) => !this.dried(w, s.tS))) return this.flashed(s, dtS);
        return this.passed({ ...s, wet: [], switches: [...s.switches.filter((x) => x.atS < s.tS), on] }, dtS);
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
        // a blade goes under a lens cover anywhere
        if (!s.cut.free.length && !this.about.lens) return refuse('noGap');
        return this.pushed(s, a, dtS);
    }
  }

  private flashed(s: BenchState, dtS: number) {
    const then = this.passed({ ...s, flash: true }, dtS);
    return { state: then.state, happened: [{ what: 'flash' as const, atS: s.tS }, ...then.happened] };
  }

  private passed(s: BenchState, dtS: number): { state: BenchState; happened: Happened[] } {
    const { hot, happened } = this.heat.counted(s, dtS);
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
    const { path } = this.about;
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
      const hurt = hitAt(this.about, this.outs, place, a.depthMm, now.tS);
      if (hurt && !now.hurt.some((h) => h.part === hurt.part)) {
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
          const because = breakCause(c, tC, v, corner > w.stressMPa, c.flawUm > this.about.lift.flawUm);
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
    if (!state.free && isOff(this.about, this.needMm, state.cut)) {
      state = { ...state, free: true };
      happened.push({ what: 'free', atS: state.tS });
    }
    return { state, happened: [...happened, ...then.happened] };
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
      crack: crackFrom(this.about.path, sMm, this.truth.crackTurn),
    };
    const then = this.passed({ ...s, broke }, dtS);
    return { state: then.state, happened: [broke, ...then.happened] };
  }
}
