import type { Entries } from './entries';

/** What was read before the bond. */
export const dryFitEntries = {
  reading(s, e) {
    ({ gapMm: s.gaps, stepMm: s.steps, seatMm: s.seats })[e.quantity][e.point] = e.value;
  },
} satisfies Entries;
