import { jointOf } from '@/core/device/jointKinds';
import type { JobState } from '@/model/fold';

/**
 * A back that is glued all over waits for the bare housing: the inside stays out until that back is off, and goes in again
 * before the cover that leads inside is closed.
 */
export function bareFirst(job: Pick<JobState, 'way' | 'progress' | 'model'>): boolean {
  const strip = job.way.findIndex((s) => s.stage === 'strip');
  return job.way.slice(strip + 1).some((s) => {
    const bond = job.model.bonds.find((b) => b.id === s.joint);
    return s.stage === 'heat' && job.progress[s.key] !== 'done' && bond !== undefined && jointOf(bond).wholeFace;
  });
}
