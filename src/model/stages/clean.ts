import type { ZoneState } from '../../core/clean/zones';
import type { EventOf } from '../event';
import type { SliceDef } from './slice';

/** Zones as they were seen, and the alcohol that may still be wet. */
export interface CleanSlice {
  /** zones by number: as seen last, and when */
  zones: Record<'frame' | 'cover', Map<number, { state: ZoneState; at: number; tC: number | null }>>;
  alcohol: EventOf<'alcohol'>[];
  /** since then nothing of it is wet any more */
  alcoholDryAt: number | null;
}

export const cleanSlice = {
  empty: () => ({ zones: { frame: new Map(), cover: new Map() }, alcohol: [], alcoholDryAt: null }),
  hears: {
    cleanZone(own, e) {
      own.zones[e.on].set(e.index, { state: e.state, at: e.at, tC: e.tC ?? null });
    },
    cleaned(own, e) {
      // as it was noted before zones had states
      if (e.done) own.zones.frame.set(e.index, { state: 'inspected', at: e.at, tC: null });
      else own.zones.frame.delete(e.index);
    },
    alcohol(own, e) {
      own.alcohol.push(e);
    },
    alcoholDry(own, e) {
      own.alcoholDryAt = e.at;
    },
  },
} satisfies SliceDef<CleanSlice>;
