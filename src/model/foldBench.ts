import type { KnownEvent } from './event';
import type { JobState } from './fold';

/** What the bench as a whole puts into a job's state. */
export function applyBench(s: JobState, e: KnownEvent): void {
  switch (e.type) {
    case 'work':
      s.works.push(e);
      break;
    case 'planWish':
      if (e.kind === 'free') s.wishes.delete(e.task);
      else s.wishes.set(e.task, e);
      break;
    case 'partDue':
      s.partDue = e.here || e.dueAt === null ? null : e;
      break;
    default:
      break;
  }
}
