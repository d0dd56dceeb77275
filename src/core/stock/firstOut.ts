import { judgement } from '../source';

/** A tube, a packet: what was bought together and goes off together. Instants in ms. */
export interface Lot {
  id: string;
  qty: number;
  expiresAt: number | null;
  openedAt: number | null;
  /** days that it is good for once it is open; null: as long as closed */
  openLifeDays: number | null;
}

export const stockFigures = {
  guardDays: judgement(0, 'days that a lot must still be good for when it is taken'),
};

const day = 86400e3;

/** The earlier of the printed date and the end of its open life; Infinity when neither is known. */
export function goodUntil(l: Lot): number {
  const open = l.openedAt !== null && l.openLifeDays !== null ? l.openedAt + l.openLifeDays * day : Infinity;
  return Math.min(l.expiresAt ?? Infinity, open);
}

export interface Taken {
  takes: { id: string; qty: number }[];
  /** what is missing after everything usable was taken */
  short: number;
  /** lots that are over their date */
  off: string[];
}

/**
 * What to take for a need: what goes off first goes out first, open before closed, and nothing that is over its date.
 * @param need 0 or more, in the unit of the lots
 */
export function firstOut(
  lots: readonly Lot[],
  need: number,
  now: number,
  guardDays = stockFigures.guardDays.value,
): Taken {
  const usable = lots.filter((l) => l.qty > 0 && goodUntil(l) >= now + guardDays * day);
  const order = [...usable].sort(
    (a, b) =>
      goodUntil(a) - goodUntil(b) ||
      Number(b.openedAt !== null) - Number(a.openedAt !== null) ||
      (a.id < b.id ? -1 : 1),
  );
  let left = need;
  const takes: Taken['takes'] = [];
  for (const l of order) {
    if (left <= 1e-9) break;
    const qty = Math.min(left, l.qty);
    takes.push({ id: l.id, qty });
    left -= qty;
  }
  return {
    takes,
    short: Math.max(0, left),
    off: lots.filter((l) => l.qty > 0 && goodUntil(l) < now + guardDays * day).map((l) => l.id),
  };
}
