import type { KnownEvent } from './event';
import type { JobState } from './fold';

/** Laying, closing, holding and opening again, folded into the state of a job. */
export function applyBond(s: JobState, e: KnownEvent): void {
  switch (e.type) {
    case 'bead':
      if (e.phase === 'start') s.bead = { startAt: e.at, endAt: null, plan: e.plan ?? null };
      else if (e.phase === 'off') s.bead = null;
      else if (s.bead) s.bead = { ...s.bead, endAt: e.at };
      break;
    case 'bonded':
      s.bonded = e;
      s.bondings.push(e);
      break;
    case 'consumed': {
      const last = s.bondings[s.bondings.length - 1];
      if (!last) break;
      const own = s.consumed.get(last.id) ?? new Map<string, number>();
      for (const i of e.items) own.set(i.id, i.amount);
      s.consumed.set(last.id, own);
      break;
    }
    case 'reopened':
      s.bonded = null;
      s.bead = null;
      s.clampOn = null;
      s.clampOffAt = null;
      s.cureHeld = null;
      s.stages.bond = 'started';
      if (s.stages.cure === 'done') s.stages.cure = 'todo';
      for (const item of ['blownClosing', 'photoClosing', 'pressedRound', 'squeezeWiped', 'lookedAlong'] as const)
        s.prep.delete(item);
      break;
    case 'cureHeld':
      s.cureHeld = e;
      break;
    case 'shelved':
      s.shelved = e;
      break;
    case 'clampOn':
      s.clampOn = e;
      s.clampOffAt = null;
      break;
    case 'clampOff':
      s.clampOffAt = e.at;
      break;
    default:
      break;
  }
}
