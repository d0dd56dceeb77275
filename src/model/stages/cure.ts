import type { EventOf } from '../event';
import type { SliceDef } from './slice';

/** Clips and the shelf. */
export interface CureSlice {
  cureHeld: EventOf<'cureHeld'> | null;
  shelved: EventOf<'shelved'> | null;
  clampOn: EventOf<'clampOn'> | null;
  clampOffAt: number | null;
}

export const cureSlice = {
  empty: () => ({ cureHeld: null, shelved: null, clampOn: null, clampOffAt: null }),
  hears: {
    cureHeld(own, e) {
      own.cureHeld = e;
    },
    shelved(own, e) {
      own.shelved = e;
    },
    clampOn(own, e) {
      own.clampOn = e;
      own.clampOffAt = null;
      // held once more: what was said of the time before is of that time
      own.cureHeld = null;
    },
    clampOff(own, e) {
      own.clampOffAt = e.at;
    },
    reopened(own) {
      own.clampOn = null;
      own.clampOffAt = null;
      own.cureHeld = null;
    },
  },
} satisfies SliceDef<CureSlice>;
