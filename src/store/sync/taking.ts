import { parseEvent, type JobEvent } from '@/model/event';
import { jobKey } from '../keptEntries';

/** An entry whose counter is further ahead than any shop gets is not one of a shop. */
const farAhead = 100_000;

/**
 * Entries of another device that can be taken: each is read by the reader of the storage, is not here yet, does not stand in
 * the place of another one, and belongs to the job that is lent, where one is.
 * @param jobs the log as it is here
 * @param only the job that is lent; null: all
 * @returns what is new, and how many were refused with the first reason, as field: what is wrong
 */
export function sortOut(
  list: readonly unknown[],
  jobs: ReadonlyMap<string, readonly JobEvent[]>,
  only: string | null,
): { fresh: JobEvent[]; refusedIds: string[]; count: number; what: string } {
  const fresh = new Map<string, JobEvent>();
  const keys = new Map<string, Map<string, string>>();
  const refusedIds: string[] = [];
  let count = 0;
  let what = '';
  const refuse = (why: string, id?: string) => {
    count++;
    what ||= why;
    if (id) refusedIds.push(id);
  };
  for (const raw of list) {
    const read = parseEvent(raw);
    if (!read.ok) {
      refuse(
        read.problem,
        typeof raw === 'object' && raw !== null && 'id' in raw ? String(raw.id).slice(0, 120) : undefined,
      );
      continue;
    }
    const e = read.value;
    const there = jobs.get(e.jobId) ?? [];
    let taken = keys.get(e.jobId);
    if (!taken) keys.set(e.jobId, (taken = new Map(there.map((x) => [jobKey(x), x.id]))));
    const place = taken.get(jobKey(e));
    if (place === e.id) continue;
    if (only !== null && e.jobId !== only) refuse('jobId: not the job that is lent', e.id);
    else if (place !== undefined) refuse('writer, seq: another entry stands there', e.id);
    else if ((e.nth ?? 0) > there.length + fresh.size + list.length + farAhead)
      refuse('nth: further ahead than any log', e.id);
    else {
      fresh.set(e.id, e);
      taken.set(jobKey(e), e.id);
    }
  }
  return { fresh: [...fresh.values()], refusedIds, count, what };
}
