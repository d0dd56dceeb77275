import type { Entries } from './entries';

/** Clips, the shelf and the air round the bond. */
export const cureEntries = {
  cureHeld(s, e) {
    s.cureHeld = e;
  },
  shelved(s, e) {
    s.shelved = e;
  },
  clampOn(s, e) {
    s.clampOn = e;
    s.clampOffAt = null;
  },
  clampOff(s, e) {
    s.clampOffAt = e.at;
  },
  ambient(s, e) {
    s.ambientC = e.tempC;
    s.airs.push(e);
  },
} satisfies Entries;
