import type { UnderEdit } from '../../core/strip/graph';
import type { ScrewIn, ScrewOut } from '../../core/strip/screws';
import type { EventOf } from '../event';
import { applyScrew } from './applyScrew';
import { put } from './put';
import type { SliceDef } from './slice';

/** Screws, plugs, brackets: out, aside, in again. */
export interface StripSlice {
  /** screws by hole, in the order in which they came out, and what went back in */
  screwsOut: Map<string, ScrewOut>;
  screwsIn: Map<string, ScrewIn>;
  tightened: Set<string>;
  /** plugs, brackets and small pieces */
  stripped: Map<string, EventOf<'stripped'>['to']>;
  /** how a thing lay when it came out */
  layNotes: Map<string, string>;
  under: UnderEdit[];
  stripTarget: string[] | null;
  cellChoice: EventOf<'cellChoice'> | null;
}

export const stripSlice = {
  empty: () => ({
    screwsOut: new Map(),
    screwsIn: new Map(),
    tightened: new Set(),
    stripped: new Map(),
    layNotes: new Map(),
    under: [],
    stripTarget: null,
    cellChoice: null,
  }),
  hears: {
    screw: applyScrew,
    tightened(own, e) {
      put(own.tightened, e.zone, e.done);
    },
    stripped(own, e) {
      if (e.to === 'asItWas') own.stripped.delete(e.itemId);
      else own.stripped.set(e.itemId, e.to);
      if (e.note) own.layNotes.set(e.itemId, e.note);
    },
    under(own, e) {
      own.under.push({ id: e.itemId, by: e.over, on: e.on });
    },
    stripTarget(own, e) {
      own.stripTarget = e.ids;
    },
    cellChoice(own, e) {
      own.cellChoice = e;
    },
  },
} satisfies SliceDef<StripSlice>;
