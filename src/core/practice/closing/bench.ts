import { filmDryS } from '../../alcohol/drying';
import { needOf, progressAt, type CureMark } from '../../cure/laws';
import {
  closingFigures,
  type ClosingAction,
  type ClosingCase,
  type ClosingHappened,
  type ClosingRefusal,
  type ClosingState,
} from './case';
import { cellsOf, type ClosingTruth } from './truth';

interface Stepped {
  state: ClosingState;
  happened: ClosingHappened[];
}

/**
 * A made-up joint that is cleaned, closed and cured: state and action in, state and what happened out. What becomes of it
 * in the customer's hand is `whatCame`.
 */
export class ClosingBench {
  readonly n: number;
  readonly cellMm: number;
  /** nothing changes while it waits */
  readonly pieceS = Infinity;

  constructor(
    readonly about: ClosingCase,
    readonly truth: ClosingTruth,
    /** where the exercise begins: with old glue on it, bare, or closed already */
    readonly from: 'dirty' | 'bare' | 'closed' = 'dirty',
  ) {
    this.n = cellsOf(about.path.lengthMm);
    this.cellMm = about.path.lengthMm / this.n;
  }

  start(): ClosingState {
    const { from } = this;
    const cells = <T>(v: T): T[] => Array.from({ length: this.n }, () => v);
    const dirty = from === 'dirty' ? 1 : 0;
    const { sectionMm2 } = this.about.bead;
    return {
      tS: 0,
      glue: cells(dirty),
      film: cells(dirty),
      wetAtS: cells<number | null>(null),
      lit: cells(false),
      looks: this.truth.crumbs.map(() => 0),
      // whoever begins later begins with a joint that somebody looked over well
      gone: this.truth.crumbs.map(() => from !== 'dirty'),
      hazeAtMm: null,
      laidMm2: cells(from === 'closed' ? sectionMm2 : 0),
      laidAtS: cells<number | null>(null),
      closedAtS: from === 'closed' ? 0 : null,
      clamp: null,
      offAtS: null,
      slippedAtS: null,
      handedAtS: null,
    };
  }

  /** The cell at a place. */
  cellAt(sMm: number): number {
    return Math.floor(this.about.path.wrap(sMm) / this.cellMm) % this.n;
  }

  /** What of each cell a tool of this width goes over on its way, in passes: 1 when it went over all of it. */
  passes(fromMm: number, toMm: number, widthMm: number): { cell: number; passes: number }[] {
    const [a, b] = [Math.min(fromMm, toMm), Math.max(fromMm, toMm)];
    const first = Math.floor((a - widthMm / 2) / this.cellMm);
    const last = Math.floor((b + widthMm / 2) / this.cellMm);
    // once round and over the beginning it comes by a cell twice
    const out = new Map<number, number>();
    for (let k = first; k <= last; k++) {
      const mid = (k + 0.5) * this.cellMm;
      const over = Math.min(b, mid + widthMm / 2) - Math.max(a, mid - widthMm / 2);
      const cell = ((k % this.n) + this.n) % this.n;
      if (over > 0) out.set(cell, (out.get(cell) ?? 0) + over / widthMm);
    }
    return [...out].map(([cell, passes]) => ({ cell, passes }));
  }

  /** A place lies where nothing wet may come: near a camera. */
  dryOnly(sMm: number): boolean {
    const { path, zones } = this.about;
    return zones.some(
      (z) => z.dry && z.stretch && path.wrap(sMm - z.stretch.fromMm) <= z.stretch.toMm - z.stretch.fromMm,
    );
  }

  /** What is wet of a cell at an instant. */
  isWet(s: ClosingState, cell: number): boolean {
    const at = s.wetAtS[cell] ?? null;
    return at !== null && s.tS - at < filmDryS(Math.min(79, Math.max(-19, this.about.roomC)));
  }

  /** How far the cure has come since the clips went on, in units of the two-edge progress. */
  progress(s: Pick<ClosingState, 'clamp' | 'closedAtS'>, atS: number): number {
    const from = s.closedAtS ?? s.clamp?.atS ?? null;
    if (from === null || atS <= from) return 0;
    const { kind, bondMm, steps } = this.about.cure;
    const { airK, eaKJ } = this.truth;
    // the steps count from the beginning of the exercise, as its instants do
    const until = (t: number) => progressAt(kind, bondMm, steps, t, airK, eaKJ);
    return until(atS) - until(from);
  }

  /** It truly holds what pulls at it, as far as this mark is there for. */
  holds(s: Pick<ClosingState, 'clamp' | 'closedAtS'>, mark: CureMark, atS: number): boolean {
    const { kind } = this.about.cure;
    const edge = kind === 'tape' ? 1 : this.truth.edge;
    return this.progress(s, atS) >= needOf(kind, mark) * edge * this.truth.need;
  }

  /**
   * One stretch of time of one action. What is shut stays shut, what was handed over is gone.
   * @param dtS at least 0 s, at most a week
   */
  step(s: ClosingState, a: ClosingAction, dtS: number): Stepped {
    const on = { ...s, tS: s.tS + dtS };
    const no = (why: ClosingRefusal): Stepped => ({ state: on, happened: [{ what: 'no', atS: s.tS, why }] });
    if (a.kind === 'wait') return { state: on, happened: [] };
    if (s.handedAtS !== null) return no('handed');
    switch (a.kind) {
      case 'rub':
        return s.closedAtS === null ? this.rubbed(s, a, on) : no('shut');
      case 'look':
        return s.closedAtS === null ? this.lookedAt(s, a, on) : no('shut');
      case 'pick':
        return s.closedAtS === null ? this.picked(s, a, on) : no('shut');
      case 'lay':
        return s.closedAtS === null ? this.laid(s, a, dtS, on) : no('shut');
      case 'close':
        if (s.closedAtS !== null) return no('shut');
        if (this.about.by === 'bead' && !s.laidMm2.some((v) => v > 0)) return no('nothingLaid');
        return { state: { ...on, closedAtS: s.tS }, happened: [{ what: 'closed', atS: s.tS }] };
      case 'clamp':
        if (s.closedAtS === null) return no('open');
        if (s.clamp && s.offAtS === null) return no('held');
        return {
          state: {
            ...on,
            clamp: { atS: s.tS, count: a.count, forceN: a.forceN, even: a.even },
            offAtS: null,
            slippedAtS: null,
          },
          happened: [{ what: 'clamped', atS: s.tS, count: a.count }],
        };
      case 'unclamp':
        return s.clamp && s.offAtS === null ? this.unclamped(s, on) : no('notHeld');
      case 'handOver':
        if (s.closedAtS === null) return no('open');
        if (s.clamp && s.offAtS === null) return no('held');
        return { state: { ...on, handedAtS: s.tS }, happened: [{ what: 'handed', atS: s.tS }] };
    }
  }

  private rubbed(s: ClosingState, a: Extract<ClosingAction, { kind: 'rub' }>, on: ClosingState): Stepped {
    const [glue, film, wetAtS] = [[...s.glue], [...s.film], [...s.wetAtS]];
    const f = closingFigures;
    const happened: ClosingHappened[] = [];
    let { hazeAtMm } = s;
    for (const { cell, passes } of this.passes(a.fromMm, a.toMm, f.wiperMm.value)) {
      const sMm = (cell + 0.5) * this.cellMm;
      const before = glue[cell]!;
      glue[cell] = Math.max(0, before - passes / this.truth.rubs[cell]!);
      if (before > f.visible.value && glue[cell]! <= f.visible.value) happened.push({ what: 'bare', atS: s.tS, sMm });
      // a film lies under the glue: it goes once that is off
      if (before <= f.visible.value)
        film[cell] = film[cell]! * (1 - (a.wet ? f.filmWet.value : f.filmDry.value)) ** passes;
      if (!a.wet) continue;
      wetAtS[cell] = s.tS;
      if (hazeAtMm === null && this.dryOnly(sMm)) {
        hazeAtMm = sMm;
        happened.push({ what: 'haze', atS: s.tS, sMm });
      }
    }
    return { state: { ...on, glue, film, wetAtS, hazeAtMm }, happened };
  }

  private lookedAt(s: ClosingState, a: Extract<ClosingAction, { kind: 'look' }>, on: ClosingState): Stepped {
    const lit = [...s.lit];
    const seen = new Map<number, number>();
    for (const { cell, passes } of this.passes(a.fromMm, a.toMm, closingFigures.wiperMm.value)) {
      lit[cell] = true;
      seen.set(cell, passes);
    }
    const happened: ClosingHappened[] = [];
    const looks = s.looks.map((before, i) => {
      const c = this.truth.crumbs[i]!;
      const now = before + (seen.get(this.cellAt(c.sMm)) ?? 0);
      // glue that is still on it hides a crumb
      if (s.glue[this.cellAt(c.sMm)]! > closingFigures.visible.value) return before;
      if (!s.gone[i] && before < c.looks && now >= c.looks) happened.push({ what: 'crumbSeen', atS: s.tS, sMm: c.sMm });
      return now;
    });
    return { state: { ...on, lit, looks }, happened };
  }

  private picked(s: ClosingState, a: Extract<ClosingAction, { kind: 'pick' }>, on: ClosingState): Stepped {
    const { path } = this.about;
    const near = (c: number) => {
      const d = path.wrap(c - a.sMm);
      return Math.min(d, path.lengthMm - d) <= closingFigures.tweezersMm.value;
    };
    const hit = this.truth.crumbs.map((c, i) => !s.gone[i] && near(c.sMm));
    const at = this.truth.crumbs.find((_, i) => hit[i]);
    return {
      state: { ...on, gone: s.gone.map((g, i) => g || hit[i]!) },
      happened: [at ? { what: 'crumbGone', atS: s.tS, sMm: at.sMm } : { what: 'nothingThere', atS: s.tS, sMm: a.sMm }],
    };
  }

  private laid(s: ClosingState, a: Extract<ClosingAction, { kind: 'lay' }>, dtS: number, on: ClosingState): Stepped {
    const [laidMm2, laidAtS] = [[...s.laidMm2], [...s.laidAtS]];
    const { sectionMm2, feedMmS } = this.about.bead;
    const mm3 = sectionMm2 * feedMmS * this.truth.flow * dtS;
    const way = this.passes(a.fromMm, a.toMm, this.cellMm);
    const all = way.reduce((m, w) => m + w.passes, 0);
    const parts = all > 0 ? way : [{ cell: this.cellAt(a.fromMm), passes: 1 }];
    for (const { cell, passes } of parts) {
      laidMm2[cell] = laidMm2[cell]! + (mm3 * passes) / (all > 0 ? all : 1) / this.cellMm;
      laidAtS[cell] ??= s.tS;
    }
    return { state: { ...on, laidMm2, laidAtS }, happened: [] };
  }

  private unclamped(s: ClosingState, on: ClosingState): Stepped {
    const holds = this.holds(s, 'clampOff', s.tS);
    const share =
      this.truth.need > 0 ? this.progress(s, s.tS) / (needOf(this.about.cure.kind, 'clampOff') * this.truth.edge) : 1;
    return {
      state: { ...on, offAtS: s.tS, slippedAtS: holds ? null : s.tS },
      happened: [holds ? { what: 'held', atS: s.tS } : { what: 'slipped', atS: s.tS, share }],
    };
  }
}
