import { judgement } from '../source';
import { largest, smallest } from '../numeric/ends';

/** A log of absolute pressure, cut to its hold, as differences to the room. */
export interface AbsoluteHold {
  roomPa: number;
  /** reading of the log that the hold begins with */
  first: number;
  t: number[];
  p: number[];
  from: 'before' | 'after' | 'said';
}

export const absoluteFigures = {
  leastPa: judgement(100, 'smallest difference that is a hold, Pa'),
  still: judgement(0.1, 'a plateau of the room changes by less than this share of the difference'),
  drift: judgement(
    0.02,
    'a plateau that comes nearer to the other one by more than this share is what was held, not the room',
  ),
};

/**
 * Where the room stands in a log of absolute readings: a plateau of three readings or more before the hold was set up, or
 * after it was let go. The end of a hold is not the room: a tight device has hardly begun to lose its difference there.
 * @param saidPa the room's pressure, when somebody says it
 * @returns null when neither is in the log: it has to be asked
 */
export function absoluteHold(t: readonly number[], p: readonly number[], saidPa?: number): AbsoluteHold | null {
  const cut = (from: number, to: number, roomPa: number, by: AbsoluteHold['from']): AbsoluteHold => ({
    roomPa,
    first: from,
    t: t.slice(from, to).map((v) => v - t[from]!),
    p: p.slice(from, to).map((v) => v - roomPa),
    from: by,
  });
  if (saidPa !== undefined) return cut(0, p.length, saidPa, 'said');
  const n = p.length;
  const range = largest(p) - smallest(p);
  if (!(range >= absoluteFigures.leastPa.value)) return null;
  const still = (from: number, to: number) => {
    const part = p.slice(from, to);
    return largest(part) - smallest(part) < absoluteFigures.still.value * range;
  };
  const mean = (from: number, to: number) => p.slice(from, to).reduce((m, v) => m + v, 0) / (to - from);
  /** How far readings come toward a level from their first third to their last. */
  const nears = (from: number, to: number, level: number) => {
    const third = Math.max(1, Math.floor((to - from) / 3));
    return Math.abs(mean(from, from + third) - level) - Math.abs(mean(to - third, to) - level);
  };
  /** A jump of most of the range within three readings, at i. */
  const jumps = (i: number) => Math.abs(p[Math.min(n - 1, i + 2)]! - p[i]!) > 0.5 * range;
  for (let i = 2; i < n - 5; i++) {
    if (!still(0, i + 1)) break;
    if (!jumps(i)) continue;
    const room = mean(0, i + 1);
    // from its greatest difference on, to a release if there is one
    let start = i + 1;
    while (start < Math.min(n - 5, i + 6) && Math.abs(p[start + 1]! - room) > Math.abs(p[start]! - room)) start++;
    let end = n;
    for (let k = start + 4; k < n - 2; k++)
      if (Math.abs(p[k + 2]! - p[k]!) > 0.5 * Math.abs(p[k]! - room) && Math.abs(p[k + 2]! - room) < 0.2 * range) {
        end = k + 1;
        break;
      }
    // a tight device that is let go looks the same the other way round: what is held is longer and goes toward the room, never
    // the room toward it
    if (
      end === n &&
      i + 1 > n - start &&
      nears(0, i + 1, mean(start, n)) > Math.max(absoluteFigures.drift.value * range, 2 * nears(start, n, room))
    )
      break;
    return cut(start, end, room, 'before');
  }
  for (let i = n - 4; i > 5; i--) {
    if (!still(i + 1, n)) break;
    if (Math.abs(p[i]! - p[i - 2]!) <= 0.5 * range) continue;
    return cut(0, i - 1, mean(i + 1, n), 'after');
  }
  return null;
}
