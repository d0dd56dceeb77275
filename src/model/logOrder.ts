import type { JobEvent, KnownEvent } from './event';

/** Total order of the log: by counter, for clocks go back and differ; entries of before there was one stand first, as noted. */
export function logOrder(a: JobEvent, b: JobEvent): number {
  if (a.nth === undefined || b.nth === undefined) {
    if (a.nth !== b.nth) return a.nth === undefined ? -1 : 1;
    if (a.loggedAt !== b.loggedAt) return a.loggedAt - b.loggedAt;
  } else if (a.nth !== b.nth) return a.nth - b.nth;
  return a.writer < b.writer ? -1 : a.writer > b.writer ? 1 : a.seq - b.seq;
}

/** Counter of the next entry of a job. */
export const nextNth = (events: readonly JobEvent[]): number =>
  events.reduce((m, e) => Math.max(m, e.nth ?? 0), events.length) + 1;

/** The events that count: what was undone is left out, what was amended has its corrected instant. */
export function effectiveEvents(events: readonly JobEvent[]): KnownEvent[] {
  const sorted = [...events].sort(logOrder);
  const dead = new Set<string>();
  const moved = new Map<string, number>();
  // an undo comes after what it undoes, so one pass from the end settles undone undos too
  for (let i = sorted.length - 1; i >= 0; i--) {
    const e = sorted[i]!;
    if (dead.has(e.id)) continue;
    if (e.type === 'undo' || e.type === 'leaveOut') dead.add(e.eventId);
    if (e.type === 'amend' && !moved.has(e.eventId)) moved.set(e.eventId, e.movedTo);
  }
  return sorted
    .filter((e): e is KnownEvent => e.type !== 'unknown' && !dead.has(e.id))
    .map((e) => (moved.has(e.id) && e.type !== 'amend' ? { ...e, at: moved.get(e.id)! } : e));
}
