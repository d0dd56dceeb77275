import type { EventOf } from '../event';
import type { SliceDef } from './slice';

/** Laying, closing, and opening again. */
export interface BondSlice {
  /** a bead that lies open: when it was begun and when all of it was laid */
  bead: { startAt: number; endAt: number | null; plan: NonNullable<EventOf<'bead'>['plan']> | null } | null;
  /** closed and not opened again */
  bonded: EventOf<'bonded'> | null;
  /** every time that it was bonded: what was taken from stock stays taken */
  bondings: EventOf<'bonded'>[];
  /** what was really used, by the event of the bonding and the item */
  consumed: Map<string, Map<string, number>>;
}

export const bondSlice = {
  empty: () => ({ bead: null, bonded: null, bondings: [], consumed: new Map() }),
  hears: {
    bead(own, e) {
      if (e.phase === 'start') own.bead = { startAt: e.at, endAt: null, plan: e.plan ?? null };
      else if (e.phase === 'off') own.bead = null;
      else if (own.bead) own.bead = { ...own.bead, endAt: e.at };
    },
    bonded(own, e) {
      own.bonded = e;
      own.bondings.push(e);
    },
    consumed(own, e) {
      const last = own.bondings[own.bondings.length - 1];
      if (!last) return;
      const used = own.consumed.get(last.id) ?? new Map<string, number>();
      for (const i of e.items) used.set(i.id, i.amount);
      own.consumed.set(last.id, used);
    },
    reopened(own) {
      own.bonded = null;
      own.bead = null;
    },
  },
} satisfies SliceDef<BondSlice>;
