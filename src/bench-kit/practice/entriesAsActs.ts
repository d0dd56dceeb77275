import { useEffect } from 'react';

import type { HandAction } from '@/core/practice/happened';
import type { JobEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { heaterOf, type Settings } from '@/model/settings';
import { changePractice, type Act, type PracticeRun } from '@/store/practice';
import { heatUse } from '@/work/heat/heating';

/** The log as it was when the exercise began: everything in it came with one stroke. */
export const begun = (run: PracticeRun) => run.events.filter((e) => e.loggedAt === run.events[0]!.loggedAt);

/**
 * What is noted on the stage's own page is what was done: each entry that came since the exercise began becomes an action once.
 * @param actOf the action of an entry; null: it is none
 */
export function useEntriesAsActs(run: PracticeRun, actOf: (e: JobEvent) => Act['action'] | null): void {
  const { acts, events, startMs, of } = run;
  useEffect(() => {
    const known = new Set(acts.map((a) => a.eventId));
    const first = events[0]?.loggedAt;
    const fresh = events.flatMap((e): Act[] => {
      if (known.has(e.id) || e.loggedAt === first) return [];
      const action = actOf(e);
      return action
        ? [{ atS: Math.max(0, (e.at - startMs) / 1e3), dtS: 0, eventId: e.id, action, ...(of ? { of } : {}) }]
        : [];
    });
    if (fresh.length) changePractice((r) => ({ ...r, acts: [...r.acts, ...fresh] }));
  });
}

/** Heat that was noted as put on or taken off; null: the entry is about something else. */
export function heatAct(e: JobEvent, settings: Settings, job: Pick<JobState, 'device' | 'bond'>): HandAction | null {
  if (e.type === 'heatOn' && e.setC !== null)
    return {
      ...{ kind: 'heat', setC: e.setC, preheated: e.preheated },
      ...{ heater: heaterOf(settings, e.heater), use: heatUse(job.device, job.bond, e.use) },
    };
  return e.type === 'heatOff' ? { kind: 'off' } : null;
}
