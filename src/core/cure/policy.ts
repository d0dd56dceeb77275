import { commonPractice, type Range, type Sourced } from '../source';
import type { CureKind, CureMark } from './laws';

/**
 * What unlocks: for clamps off, going on and hand-over the shop's choice, the usual end (as benches do) or the late one; a
 * press or hold test and "full bond" always wait for the late end, because they cannot be taken back (law 13).
 */
export type CureBy = 'usual' | 'late';

/** Instant of a range that unlocks a mark, s: the late end where the shop waits for it, else the mean. */
export const unlocksAtS = (r: Range, mark: CureMark, by: CureBy): number =>
  mark === 'sealTest' || mark === 'full' || by === 'late' ? r.high : r.mean;

/** A clock as it is counted for a promise: what unlocks is its usual and its late end. */
export const byPolicy = (r: Range, mark: CureMark, by: CureBy): Range => {
  const s = unlocksAtS(r, mark, by);
  return { low: Math.min(r.low, s), mean: s, high: s };
};

const minutes = (value: number, note: string) => commonPractice(value * 60, note);
const hours = (value: number, note: string) => commonPractice(value * 3600, note);

/** What benches report beside the clock, s: one figure, or from and to. */
export const benchReports: Record<CureKind, Partial<Record<CureMark, readonly [Sourced, Sourced]>>> = {
  tape: {
    clampOff: [minutes(5, 'pressed, then some minutes in clamps'), minutes(30, 'half an hour in clamps')],
    handOver: [minutes(15, 'handed over in the same hour'), minutes(60, 'handed over in the same hour')],
    full: [hours(24, 'strongest after a day'), hours(72, 'strongest after three days')],
  },
  solvent: {
    clampOff: [minutes(10, '10 to 20 minutes in clamps'), minutes(60, 'another school: about an hour')],
    build: [hours(12, 'built on after 12 hours'), hours(12, 'built on after 12 hours')],
    full: [hours(24, 'full after 24 hours; some say 6'), hours(24, 'full after 24 hours; some say 6')],
  },
  moisture: {
    build: [hours(12, '12 hours before building on a wide black bead'), hours(12, 'the same')],
    full: [hours(24, 'full after a day'), hours(24, 'full after a day')],
  },
};
