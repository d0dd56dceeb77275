import { useMemo } from 'react';

import type { EventOf, JobEvent, NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { hasJoints } from '@/model/way';
import { append, useSettings } from '@/store/shop';
import { unlockSound } from '@/ui/alarm';

export interface Actions {
  /** appends events; `at` when it happened, if not now */
  log(events: readonly NewEvent[], at?: number): Promise<JobEvent[]>;
  undo(eventId: string): void;
  /** moves the instant of an event that was tapped late or early */
  shift(eventId: string, at: number): void;
  decide(d: { call: string; inputs: unknown; computed: unknown; chosen: unknown; because?: string }): NewEvent;
}

/** What a screen can do to a job. Every tap also wakes the sound, which browsers allow only after one. */
export function useActions(job: Pick<JobState, 'id'> & Partial<Pick<JobState, 'joint' | 'way'>>): Actions {
  const { person } = useSettings();
  const id = job.id;
  // where a job has several joints, what is noted is about the one that is looked at
  const joint = job.way && hasJoints({ way: job.way }) ? job.joint : undefined;
  return useMemo(
    () => ({
      log: (events, at) => {
        unlockSound();
        return append(id, person, joint === undefined ? events : events.map((e) => ({ joint, ...e })), at);
      },
      undo: (eventId) => void append(id, person, [{ type: 'undo', eventId }]),
      shift: (eventId, at) => void append(id, person, [{ type: 'amend', eventId, movedTo: at }]),
      decide: (d): NewEvent & { type: 'decision' } => ({ type: 'decision', ...d }) as EventOf<'decision'>,
    }),
    [id, person, joint],
  );
}

/** Notes on any job, from a page that shows many. */
export function useActionsOn(): (jobId: string, events: readonly NewEvent[], at?: number) => Promise<JobEvent[]> {
  const { person } = useSettings();
  return useMemo(
    () => (jobId, events, at) => {
      unlockSound();
      return append(jobId, person, events, at);
    },
    [person],
  );
}
