import type { JobEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { foldJob } from '@/model/fold';
import { safeFold, type SafeFold } from '@/model/safeFold';

const folded = new WeakMap<readonly JobEvent[], SafeFold>();

/** Folding is pure and a log's array is never changed in place, so the state is kept with it. */
export function foldOnce(events: readonly JobEvent[]): SafeFold {
  let made = folded.get(events);
  if (!made) folded.set(events, (made = safeFold(events)));
  return made;
}

const atJoints = new WeakMap<readonly JobEvent[], Map<string, JobState | null>>();
/** A job seen at one of its joints, without what cannot be folded; kept like the whole. */
export function foldAt(events: readonly JobEvent[], joint: string): JobState | null {
  let made = atJoints.get(events);
  if (!made) atJoints.set(events, (made = new Map()));
  if (!made.has(joint)) {
    const { state } = foldOnce(events);
    made.set(joint, state && foldJob(state.log, joint));
  }
  return made.get(joint)!;
}

export const foldCached = (events: readonly JobEvent[]): JobState | null => foldOnce(events).state;

const listed = new WeakMap<ReadonlyMap<string, JobEvent[]>, JobState[]>();

/** The same list for every page while the log is the same: a thousand jobs are not sorted again on every way through the app. */
export function jobsOf(logs: ReadonlyMap<string, JobEvent[]>): JobState[] {
  let list = listed.get(logs);
  if (!list) {
    list = [...logs.values()]
      .map(foldCached)
      .filter((j): j is JobState => j !== null)
      .sort((a, b) => (a.label < b.label ? 1 : -1));
    listed.set(logs, list);
  }
  return list;
}
