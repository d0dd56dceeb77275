import type { EdgeId, Pt } from '../../core/device/types';
import { Advance } from '../../core/lift/advance';
import type { EventOf } from '../event';
import type { FoldContext, SliceDef } from './slice';

export interface LensState {
  steps: Partial<Record<EventOf<'lens'>['step'], number>>;
  newMm: number | null;
  /** somebody said that it stays on */
  stays: boolean;
}

/** What of a joint is cut, what came off and how. */
export interface LiftSlice {
  /** what has been cut of the ring, and the edges that are free with it */
  cut: Advance;
  freeEdges: Set<EdgeId>;
  /** expected breaks of what was cut so far while the cover was to be saved, as computed then */
  hazard: number;
  /** where somebody said that it grips: line temperature as computed, °C, and the pick in hand, mm; null: none was planned */
  grips: { tC: number; pickMm: number | null }[];
  /** where somebody found it loose: the lift starts there; null: nobody did */
  looseEdge: EdgeId | null;
  liftMode: EventOf<'liftMode'>['mode'] | null;
  piecesOff: Map<string, EventOf<'pieceOff'>>;
  glassLeft: Map<string, Pt>;
  cameraRing: EventOf<'cameraRing'>['how'] | null;
  clips: Map<number, 'open' | 'broken'>;
  /** lens covers by bond: which step was reached when */
  lenses: Map<string, LensState>;
}

const edges = ['bottom', 'left', 'top', 'right'] as const satisfies readonly EdgeId[];

/** A stretch that is free, or that holds again. */
function cutStretch(
  own: LiftSlice,
  span: { fromMm: number; toMm: number },
  e: Pick<EventOf<'cut'>, 'free' | 'hazard'>,
  { so }: FoldContext,
): void {
  own.cut = e.free ? own.cut.cut(span) : own.cut.grip(span);
  if (e.free && so.cover.keepCover) own.hazard += e.hazard ?? 0;
}

export const liftSlice = {
  empty: ({ path }) => ({
    cut: Advance.none(path.lengthMm),
    freeEdges: new Set(),
    hazard: 0,
    grips: [],
    looseEdge: null,
    liftMode: null,
    piecesOff: new Map(),
    glassLeft: new Map(),
    cameraRing: null,
    clips: new Map(),
    lenses: new Map(),
  }),
  hears: {
    edge(own, e, ctx) {
      cutStretch(own, ctx.path.edgeSpan(e.edge), e, ctx);
    },
    cut(own, e, ctx) {
      if (e.toMm >= e.fromMm) cutStretch(own, e, e, ctx);
    },
    observed(own, e, { so }) {
      // what was said with a lift stands among what the shop has seen of its glue
      if (e.what === 'grips' && e.modelC !== undefined && e.liftMm === undefined)
        own.grips.push({ tC: e.modelC, pickMm: so.heat.plan?.pickMm ?? null });
    },
    happened(own, e) {
      if (e.what === 'givesHere' && e.edge) own.looseEdge = e.edge;
    },
    liftMode(own, e) {
      own.liftMode = e.mode;
    },
    pieceOff(own, e, { face }) {
      if (e.onFace === face.id) own.piecesOff.set(e.offId, e);
    },
    pieceBack(own, e) {
      own.piecesOff.delete(e.offId);
    },
    glassLeft(own, e, { face }) {
      if (e.onFace === face.id) own.glassLeft.set(e.markId, e.place);
    },
    glassGone(own, e) {
      own.glassLeft.delete(e.markId);
    },
    cameraRing(own, e) {
      own.cameraRing = e.how;
    },
    clip(own, e) {
      if (e.state === 'holds') own.clips.delete(e.index);
      else own.clips.set(e.index, e.state);
    },
    lens(own, e) {
      const lens = own.lenses.get(e.bondId) ?? { steps: {}, newMm: null, stays: false };
      if (e.done) lens.steps[e.step] = e.at;
      else delete lens.steps[e.step];
      if (e.step === 'chosen') lens.stays = !e.done;
      if (e.newMm !== undefined) lens.newMm = e.newMm;
      own.lenses.set(e.bondId, lens);
    },
  },
  settle(own, { path }) {
    for (const edge of edges) if (own.cut.isFree(path.edgeSpan(edge))) own.freeEdges.add(edge);
  },
} satisfies SliceDef<LiftSlice>;
