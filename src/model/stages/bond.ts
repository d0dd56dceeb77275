import type { Entries } from './entries';

/** Laying, closing, and opening again. */
export const bondEntries = {
  bead(s, e) {
    if (e.phase === 'start') s.bead = { startAt: e.at, endAt: null, plan: e.plan ?? null };
    else if (e.phase === 'off') s.bead = null;
    else if (s.bead) s.bead = { ...s.bead, endAt: e.at };
  },
  bonded(s, e) {
    s.bonded = e;
    s.bondings.push(e);
  },
  consumed(s, e) {
    const last = s.bondings[s.bondings.length - 1];
    if (!last) return;
    const own = s.consumed.get(last.id) ?? new Map<string, number>();
    for (const i of e.items) own.set(i.id, i.amount);
    s.consumed.set(last.id, own);
  },
  reopened(s) {
    s.bonded = null;
    s.bead = null;
    s.clampOn = null;
    s.clampOffAt = null;
    s.cureHeld = null;
    s.stages.bond = 'started';
    if (s.stages.cure === 'done') s.stages.cure = 'todo';
    for (const item of ['blownClosing', 'photoClosing', 'pressedRound', 'squeezeWiped', 'lookedAlong'] as const)
      s.prep.delete(item);
  },
} satisfies Entries;
