import type { Entries } from './entries';

/** What was read, and what was judged by eye and finger. */
export const dryFitEntries = {
  reading(s, e) {
    ({ gapMm: s.gaps, stepMm: s.steps, seatMm: s.seats })[e.quantity][e.point] = e.value;
    s.gaugeU[e.quantity] = e.u;
  },
  eye(s, e) {
    s.eyes[e.of] = e;
  },
} satisfies Entries;
