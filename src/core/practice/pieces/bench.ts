import { jointOf } from '../../device/jointKinds';
import { bladeClearMm, bladeEntry } from '../../lift/cracks/bladeEntry';
import { crackWork, type CrackQuestion } from '../../lift/cracks/crackWork';
import { ringUnder } from '../../lift/cracks/underPiece';
import type { CrackMap } from '../../lift/cracks/pieces';
import { liftOrder, type PieceStep } from '../../lift/cracks/liftOrder';
import { leverMm } from '../../lift/leverage';
import { breakHazard, coverStrengthMPa } from '../../lift/strength';
import { slowShare, wedgeState } from '../../lift/verdict';
import { randomOf } from '../../numeric/random';
import { commonPractice, judgement } from '../../source';
import { PracticeBench } from '../bench';
import type { BenchState, HandAction, Happened, PracticeCase } from '../happened';
import type { Truth } from '../truth';

export const piecesFigures = {
  leverS: judgement(5, 'one piece, levered'),
  /** a blade that is in less far only slides */
  leastMm: judgement(4, 'on a shorter free edge nothing is levered'),
  bladeMm: judgement(0.5, 'blade that goes under a piece'),
  spanMm: judgement(15, 'width of glass that a blade bends up'),
  shards: commonPractice(3, 'a few pieces snap at every shattered back; more leave shards all over the inside'),
};

export interface PiecesCase extends PracticeCase {
  cracks: Omit<CrackQuestion, 'off'>;
}

export type PiecesAction = HandAction | { kind: 'lever'; piece: number; depthMm: number; liftMm: number };

export type PiecesHappened =
  | Happened
  | { what: 'pieceOff'; atS: number; piece: number; tC: number }
  | { what: 'pieceHolds'; atS: number; piece: number; tC: number }
  | { what: 'snapped'; atS: number; piece: number; tC: number; liftMm: number; limitMm: number }
  | { what: 'noEdge'; atS: number; piece: number }
  | { what: 'pieceHit'; atS: number; piece: number; name: string; depthMm: number; limitMm: number };

export interface PiecesState {
  tS: number;
  bench: BenchState;
  off: readonly number[];
  /** into how many parts each piece is broken by now */
  parts: readonly number[];
  /** expected number of snaps since the last one, and how many there were */
  hazard: number;
  snaps: number;
  hit: Extract<PiecesHappened, { what: 'pieceHit' }> | null;
}

interface Stepped {
  state: PiecesState;
  happened: PiecesHappened[];
}

/** A shattered cover that is taken off piece by piece: heat as on any bench, each piece levered by its own edge. */
export class PiecesBench {
  readonly pieceS = 10;
  readonly map: CrackMap;
  readonly inner: PracticeBench;
  private readonly whole: boolean;
  /** places of the ring under each piece */
  private readonly rings: readonly (readonly number[])[];
  /** how much is stood until the next snap: exponential, so that pieces snap as often as the chance that is told */
  private readonly nerves: readonly number[];

  /** @throws CoreInputError when the cracks are none */
  constructor(
    readonly about: PiecesCase,
    readonly truth: Truth,
  ) {
    this.inner = new PracticeBench(about, truth);
    const found = crackWork(about.cracks);
    if ('problem' in found) throw new Error(found.problem);
    this.map = found.map;
    this.whole = jointOf(about.bond).wholeFace;
    this.rings = found.map.pieces.map((p) => (this.whole ? [] : ringUnder(p, about.path)));
    const random = randomOf(truth.seed * 668265263 + 31);
    this.nerves = Array.from({ length: 400 }, () => -Math.log(1 - random()));
  }

  start(): PiecesState {
    const parts = this.map.pieces.map(() => 1);
    return { tS: 0, bench: this.inner.start(), off: [], parts, hazard: 0, snaps: 0, hit: null };
  }

  /** What is left, in the order in which it is told to be lifted. */
  order(s: Pick<PiecesState, 'off'>): PieceStep[] {
    return liftOrder(this.map.pieces, this.about.cracks.keepOuts, new Set(s.off));
  }

  /** Mean of the glue under a piece, as it truly is, °C: of its ring, or of all under it where all is glued. */
  pieceC(s: Pick<PiecesState, 'bench'>, piece: number, tS: number): number {
    const ring = this.rings[piece]!;
    if (!ring.length) return this.inner.underC(s.bench, this.map.pieces[piece]!.outer, tS);
    return ring.reduce((m, sMm) => m + this.inner.lineC(s.bench, sMm, tS), 0) / ring.length;
  }

  /** Glue lies under it: under a ring only pieces of the edge are held. */
  glued(piece: number): boolean {
    return this.whole || this.rings[piece]!.length > 0;
  }

  /** How high the free edge may go when the blade is in so far, mm. */
  limitMm(depthMm: number): number {
    const { cover, hMm, flawUm } = this.about.lift;
    return leverMm(cover, hMm, flawUm, Math.max(piecesFigures.leastMm.value, depthMm));
  }

  allOff(s: Pick<PiecesState, 'off'>): boolean {
    return s.off.length === this.map.pieces.length;
  }

  step(s: PiecesState, a: PiecesAction, dtS: number): Stepped {
    if (a.kind !== 'lever') {
      const { state, happened } = this.inner.step(s.bench, a, dtS);
      return { state: { ...s, tS: state.tS, bench: state }, happened };
    }
    const waited = this.inner.step(s.bench, { kind: 'wait' }, dtS);
    const on: PiecesState = { ...s, tS: waited.state.tS, bench: waited.state };
    const also = waited.happened;
    const refuse = (why: 'onHeat' | 'over'): Stepped => ({
      state: on,
      happened: [{ what: 'refused', atS: s.tS, why }, ...also],
    });
    if (this.inner.onHeat(s.bench)) return refuse('onHeat');
    if (s.hit || s.bench.flash || this.allOff(s) || s.off.includes(a.piece)) return refuse('over');
    const { keepOuts } = this.about.cracks;
    const entry = bladeEntry(this.map.pieces[a.piece]!, new Set(s.off), keepOuts);
    // a piece that is shut in all round is broken loose only where no other has an edge
    if (!entry && this.order(s)[0]!.pieceId !== a.piece)
      return { state: on, happened: [{ what: 'noEdge', atS: s.tS, piece: a.piece }, ...also] };
    if (entry?.stoppedBy && a.depthMm > entry.depthMm + bladeClearMm.value + this.truth.partsMm) {
      const hit = {
        ...{ what: 'pieceHit' as const, atS: s.tS, piece: a.piece, name: entry.stoppedBy },
        ...{ depthMm: a.depthMm, limitMm: entry.depthMm },
      };
      return { state: { ...on, hit }, happened: [hit, ...also] };
    }
    return this.levered(s, a, on, also);
  }

  private levered(
    s: PiecesState,
    a: Extract<PiecesAction, { kind: 'lever' }>,
    on: PiecesState,
    also: readonly Happened[],
  ): Stepped {
    const { piece, liftMm } = a;
    const tC = this.pieceC(s, piece, s.tS);
    const c = this.inner.caseAt(s.bench, 0, s.tS, piecesFigures.bladeMm.value);
    const limitMm = this.limitMm(a.depthMm);
    const { charMPa, designMPa } = coverStrengthMPa(c.cover, c.hMm, this.about.lift.flawUm);
    const hazard = s.hazard + breakHazard((designMPa * liftMm) / limitMm, charMPa, piecesFigures.spanMm.value);
    if (hazard >= this.nerves[s.snaps % this.nerves.length]!) {
      const parts = s.parts.map((n, i) => (i === piece ? n + 1 : n));
      return {
        state: { ...on, parts, hazard: 0, snaps: s.snaps + 1 },
        happened: [{ what: 'snapped', atS: s.tS, piece, tC, liftMm, limitMm }, ...also],
      };
    }
    if (this.glued(piece) && !wedgeState(c, tC, slowShare).opens)
      return { state: { ...on, hazard }, happened: [{ what: 'pieceHolds', atS: s.tS, piece, tC }, ...also] };
    const parts = s.parts.map((n, i) => (i === piece ? n - 1 : n));
    const off = parts[piece]! <= 0 ? [...s.off, piece] : s.off;
    return {
      state: { ...on, hazard, parts, off },
      happened: [...(off === s.off ? [] : [{ what: 'pieceOff' as const, atS: s.tS, piece, tC }]), ...also],
    };
  }
}
