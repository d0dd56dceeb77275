import type { EdgeId } from '@/core/device/types';

/** One thing that is read from two metres: a word, how long it still is so, and an edge as a picture. */
export interface Glance {
  word:
    | 'wait'
    | 'off'
    | 'tooLong'
    | 'go'
    | 'slow'
    | 'reheat'
    | 'stop'
    | 'press'
    | 'letGo'
    | 'close'
    | 'tooLate'
    | 'clamped'
    | 'clampsOff'
    | 'done';
  /** until the word changes, s; null: no clock runs */
  leftS: number | null;
  edge: EdgeId | null;
}

const left = (at: number | null, now: number) => (at === null ? null : Math.max(0, (at - now) / 1e3));

/** On the heat: wait until it opens, then off. */
export function heatGlance(
  now: number,
  h: { ready: { mean: number; high: number } | null; edge: EdgeId | null; stop: boolean },
): Glance {
  if (h.stop) return { word: 'stop', leftS: null, edge: null };
  if (!h.ready) return { word: 'wait', leftS: null, edge: null };
  if (now < h.ready.mean) return { word: 'wait', leftS: left(h.ready.mean, now), edge: null };
  if (now < h.ready.high) return { word: 'off', leftS: left(h.ready.high, now), edge: h.edge };
  return { word: 'tooLong', leftS: null, edge: h.edge };
}

/** Off the heat: go while it is easy, slow while it works, then heat again. */
export function liftGlance(
  now: number,
  l: {
    verdict: 'go' | 'slow' | 'reheat' | 'stop';
    easyUntil: number | null;
    gripsAt: number | null;
    edge: EdgeId | null;
  },
): Glance {
  if (l.edge === null) return { word: 'done', leftS: null, edge: null };
  if (l.verdict === 'go') return { word: 'go', leftS: left(l.easyUntil, now), edge: l.edge };
  if (l.verdict === 'slow') return { word: 'slow', leftS: left(l.gripsAt, now), edge: l.edge };
  return { word: l.verdict, leftS: null, edge: l.edge };
}

/** A bead that lies open. */
export function openTimeGlance(now: number, o: { fromAt: number; untilAt: number }): Glance {
  if (now < o.fromAt) return { word: 'wait', leftS: left(o.fromAt, now), edge: null };
  if (now < o.untilAt) return { word: 'close', leftS: left(o.untilAt, now), edge: null };
  return { word: 'tooLate', leftS: null, edge: null };
}

export const pressGlance = (now: number, dueAt: number): Glance =>
  now < dueAt ? { word: 'press', leftS: left(dueAt, now), edge: null } : { word: 'letGo', leftS: null, edge: null };

export const cureGlance = (now: number, dueAt: number): Glance =>
  now < dueAt
    ? { word: 'clamped', leftS: left(dueAt, now), edge: null }
    : { word: 'clampsOff', leftS: null, edge: null };
