import type { Entries } from './entries';

/** Zones as they were seen, and the alcohol that may still be wet. */
export const cleanEntries = {
  cleanZone(s, e) {
    s.zones[e.on].set(e.index, { state: e.state, at: e.at, tC: e.tC ?? null });
  },
  cleaned(s, e) {
    // as it was noted before zones had states
    if (e.done) s.zones.frame.set(e.index, { state: 'inspected', at: e.at, tC: null });
    else s.zones.frame.delete(e.index);
  },
  alcohol(s, e) {
    s.alcohol.push(e);
  },
  alcoholDry(s, e) {
    s.alcoholDryAt = e.at;
  },
} satisfies Entries;
