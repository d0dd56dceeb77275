import { useEffect } from 'react';

import type { JobEvent } from '@/model/event';
import { changePractice, type Act, type PracticeRun } from '@/store/practice';

/** The log as it was when the exercise began: everything in it came with one stroke. */
export const begun = (run: PracticeRun) => run.events.filter((e) => e.loggedAt === run.events[0]!.loggedAt);

/**
 * What is noted on the stage's own page is what was done: each entry that came since the exercise began becomes an action once.
 * @param actOf the action of an entry; null: it is none
 */
export function useEntriesAsActs(run: PracticeRun, actOf: (e: JobEvent) => Act['action'] | null): void {
  const { acts, events, startMs } = run;
  useEffect(() => {
    const known = new Set(acts.map((a) => a.eventId));
    const first = events[0]?.loggedAt;
    const fresh = events.flatMap((e): Act[] => {
      if (known.has(e.id) || e.loggedAt === first) return [];
      const action = actOf(e);
      return action ? [{ atS: Math.max(0, (e.at - startMs) / 1e3), dtS: 0, eventId: e.id, action }] : [];
    });
    if (fresh.length) changePractice((r) => ({ ...r, acts: [...r.acts, ...fresh] }));
  });
}
