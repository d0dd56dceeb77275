import type { Violation } from './feasible';
import { neverS, type Generator } from './generate';

/** Tasks that no open time within the days that are looked at has room for, the first of each job. */
export function neverFits(g: Generator): Violation[] {
  const jobs = new Set<number>();
  const out: Violation[] = [];
  g.c.tasks.forEach((t, i) => {
    if (g.startS[i] !== neverS || jobs.has(t.job)) return;
    jobs.add(t.job);
    out.push({ what: 'calendar', job: g.c.jobs[t.job]!.id, where: t.id });
  });
  return out.length ? out : [{ what: 'calendar', job: null, where: 'no room for all of it within the days ahead' }];
}
