import { bare } from '../../core/bare';
import type { EventOf } from '../event';
import type { SliceDef } from './slice';

/** What was read, and what was judged by eye and finger. */
export interface DryFitSlice {
  gaps: Record<string, number>;
  steps: Record<string, number>;
  /** seat heights of the frame, by gauge point */
  seats: Record<string, number>;
  /** scatter of the gauge that the last reading of each kind came from, mm */
  gaugeU: Partial<Record<EventOf<'reading'>['quantity'], number>>;
  /** what was judged by eye and finger last, of each kind */
  eyes: Partial<Record<EventOf<'eye'>['of'], EventOf<'eye'>>>;
}

export const dryFitSlice = {
  empty: () => ({ gaps: bare(), steps: bare(), seats: bare(), gaugeU: {}, eyes: {} }),
  hears: {
    reading(own, e) {
      ({ gapMm: own.gaps, stepMm: own.steps, seatMm: own.seats })[e.quantity][e.point] = e.value;
      own.gaugeU[e.quantity] = e.u;
    },
    eye(own, e) {
      own.eyes[e.of] = e;
    },
  },
} satisfies SliceDef<DryFitSlice>;
