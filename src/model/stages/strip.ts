import { put } from './put';
import { applyScrew } from './applyScrew';
import type { Entries } from './entries';

/** Screws, plugs, brackets: out, aside, in again. */
export const stripEntries = {
  screw: applyScrew,
  tightened(s, e) {
    put(s.tightened, e.zone, e.done);
  },
  stripped(s, e) {
    if (e.to === 'asItWas') s.stripped.delete(e.itemId);
    else s.stripped.set(e.itemId, e.to);
    if (e.note) s.layNotes.set(e.itemId, e.note);
  },
  under(s, e) {
    s.under.push({ id: e.itemId, by: e.over, on: e.on });
  },
  stripTarget(s, e) {
    s.stripTarget = e.ids;
  },
  cellChoice(s, e) {
    s.cellChoice = e;
  },
} satisfies Entries;
