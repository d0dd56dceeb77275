import type { JobState } from '@/model/fold';
import { liftCues, type Cue } from '@/work/voice/cues';
import { clock } from '@/words/units';
import { liftGlance, type Glance } from '@/work/voice/glance';
import type { RingFacts } from './ringFacts';
import type { RingNow } from './useRing';

const instant = ({ thermal }: RingNow, s: number | undefined): number | null =>
  s === undefined ? null : thermal.t0 + s * 1e3;

/** What is said of a ring that is being cut: nothing while it lies on the heat or was never on it. */
export function ringCues(job: JobState, ring: RingNow): Cue[] {
  const off = job.heat.at(-1);
  if (!ring.heated || ring.on || !off) return [];
  const { nextEdge } = ring.lift;
  const window = ring.geometry.windows.find((w) => w.edge === nextEdge);
  // the edge is next from the tap on that the last one came free with, or the heat went off
  const last = job.effective.findLast((e) => e.type === 'edge' || e.type === 'cut' || e.type === 'heatOff');
  const since = last?.at ?? off.at;
  return liftCues({
    offAt: off.at,
    easyUntil: instant(ring, ring.look?.easyUntilS),
    gripsAt: instant(ring, ring.look?.gripsAtS),
    next: nextEdge && window ? { edge: nextEdge, depthMm: window.needMm, since } : null,
    allFreeAt: nextEdge ? null : since,
  });
}

export const ringGlance = (ring: RingNow, verdict: RingFacts['verdict'], now: number): Glance =>
  liftGlance(now, {
    verdict,
    easyUntil: instant(ring, ring.look?.easyUntilS),
    gripsAt: instant(ring, ring.look?.gripsAtS),
    edge: ring.lift.nextEdge,
  });

/** How long it is easy, then how long it works: what the main button counts; null: neither. */
export function leftOf({ look, nowS }: RingNow): string | null {
  if (!look) return null;
  const s = look.easyUntilS > nowS ? look.easyUntilS - nowS : look.gripsAtS - nowS;
  return s > 0 ? clock(s) : null;
}
