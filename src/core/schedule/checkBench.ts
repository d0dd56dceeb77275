import { CoreInputError, requireIn } from '../errors';
import type { Bench } from './types';

/** Longest that anything here may be, s: thirty years. */
export const mostS = 1e9;

/** @throws CoreInputError for a figure that is no number: a search would never end with one */
export function checkNumbers(bench: Bench): void {
  const at = (field: string, v: number) => requireIn(field, v, -1e11, 1e11, 's');
  at('bench: now', bench.nowS);
  at('bench: origin', bench.originS);
  for (const r of bench.resources) requireIn(`${r.id}: capacity`, r.capacity, 0, 1e6);
  for (const [name, list] of Object.entries(bench.calendars))
    for (const [a, b] of list) {
      at(`calendar ${name}: from`, a);
      at(`calendar ${name}: to`, b);
    }
  for (const job of bench.jobs) {
    at(`${job.id}: not before`, job.releaseS);
    if (job.dueS !== null) at(`${job.id}: due`, job.dueS);
    requireIn(`${job.id}: weight`, job.weight, 0, 1e9);
    if (!job.variants.length) throw new CoreInputError(job.id, 'no way to do it', 'at least one');
    for (const v of job.variants) {
      for (const t of v.tasks) {
        if (t.releaseS !== undefined) at(`${job.id}, ${t.id}: not before`, t.releaseS);
        for (const m of t.modes)
          for (const [id, n] of Object.entries(m.use)) requireIn(`${job.id}, ${t.id}: ${id}`, n, 0, 1e6);
      }
      for (const l of v.links) {
        requireIn(`${job.id}: ${l.from} to ${l.to}, at least`, l.minS, 0, mostS, 's');
        if (l.maxS !== undefined && l.maxS !== Infinity)
          requireIn(`${job.id}: ${l.from} to ${l.to}, at most`, l.maxS, 0, mostS, 's');
      }
      for (const h of v.holds) {
        const capacity = bench.resources.find((r) => r.id === h.resource)?.capacity;
        if (capacity !== undefined) requireIn(`${job.id}: hold of ${h.resource}`, h.n, 0, capacity);
      }
    }
  }
}
