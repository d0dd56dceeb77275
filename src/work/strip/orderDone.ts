import { zoneId } from '@/core/strip/graph';
import type { JobState } from '@/model/fold';

/** Fewer steps than this are no order that is worth keeping. */
const leastSteps = 3;

/**
 * What came out of a device, in the order of the taps: screws by their zone, once its last one is out. Empty when too little came
 * out to speak of an order.
 */
export function orderDone(job: Pick<JobState, 'effective' | 'device' | 'screwsOut'>): string[] {
  const out = new Set<string>();
  const screws = new Set<string>();
  const seen = (id: string) => {
    // taken out again after it was put back: the last time counts
    out.delete(id);
    out.add(id);
  };
  for (const e of job.effective) {
    if (e.type === 'screw' && (e.to === 'out' || e.to === 'missing') && job.screwsOut.has(e.hole)) {
      screws.add(e.hole);
      const zone = job.device.screws.find((s) => s.id === e.hole)?.zone;
      if (zone && job.device.screws.every((s) => s.zone !== zone || screws.has(s.id))) seen(zoneId(zone));
    }
    if (e.type === 'stripped' && e.to === 'out') seen(e.itemId);
    if (e.type === 'partState' && e.to === 'out') seen(e.partId);
  }
  return out.size >= leastSteps ? [...out] : [];
}
