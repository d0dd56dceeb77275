import type { JobEvent } from './event';
import { foldJob, type JobState } from './fold';
import { logOrder } from './logOrder';

/** A job that stands although an entry of its log cannot be folded: those are left out, and named. */
export interface SafeFold {
  state: JobState | null;
  spoiled: { event: JobEvent; why: string }[];
}

/** Folds; where the fold throws, the entry at which it does is left out and it is folded again. */
export function safeFold(events: readonly JobEvent[]): SafeFold {
  const spoiled: SafeFold['spoiled'] = [];
  let rest = [...events].sort(logOrder);
  for (;;) {
    try {
      return { state: foldJob(rest), spoiled };
    } catch (error) {
      // the shortest beginning of the log that throws ends with the entry that does
      let [good, bad] = [0, rest.length];
      while (bad - good > 1) {
        const middle = (good + bad) >> 1;
        try {
          foldJob(rest.slice(0, middle));
          good = middle;
        } catch {
          bad = middle;
        }
      }
      const at = bad - 1;
      spoiled.push({ event: rest[at]!, why: error instanceof Error ? error.message : 'cannot be computed' });
      rest = rest.filter((_, i) => i !== at);
    }
  }
}
