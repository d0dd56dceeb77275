import { jointOf } from '@/core/device/jointKinds';
import { judgement } from '@/core/source';
import type { JobState } from '@/model/fold';

export const shatteredFrom = judgement(6, 'so many cracks and a taped sheet does not stay together: piece by piece');

/** Two schools of taking cracked glass off, and the one that this job starts with. */
export function liftModeOf(job: Pick<JobState, 'liftMode' | 'bond' | 'cracks' | 'keepCover'>): {
  mode: 'edges' | 'pieces';
  because: 'chosen' | 'fullArea' | 'shattered' | 'whole';
} {
  if (job.liftMode) return { mode: job.liftMode, because: 'chosen' };
  if (jointOf(job.bond).wholeFace && !job.keepCover) return { mode: 'pieces', because: 'fullArea' };
  if (job.cracks.size >= shatteredFrom.value && !job.keepCover) return { mode: 'pieces', because: 'shattered' };
  return { mode: 'edges', because: 'whole' };
}
