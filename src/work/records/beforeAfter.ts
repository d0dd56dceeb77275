import type { EventOf } from '@/model/event';
import type { JobState } from '@/model/fold';
import type { StageId } from '@/model/stageIds';

const before: ReadonlySet<StageId> = new Set(['intake', 'heat']);
const after: ReadonlySet<StageId> = new Set(['cure', 'check', 'handover']);

/** The first photo from before it was opened, and the last from after it was closed; only where both are there. */
export function beforeAfter(
  job: Pick<JobState, 'photos'>,
): { before: EventOf<'photo'>; after: EventOf<'photo'> } | null {
  const first = job.photos.find((p) => p.stage && before.has(p.stage));
  const last = job.photos.findLast((p) => p.stage && after.has(p.stage));
  return first && last ? { before: first, after: last } : null;
}
