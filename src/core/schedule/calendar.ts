import type { Windows } from './types';

/** Windows in which both are open, s; null is always. */
export function intersect(a: Windows, b: Windows): Windows {
  if (!a) return b;
  if (!b) return a;
  const out: (readonly [number, number])[] = [];
  let [i, j] = [0, 0];
  while (i < a.length && j < b.length) {
    const from = Math.max(a[i]![0], b[j]![0]);
    const to = Math.min(a[i]![1], b[j]![1]);
    if (from < to) out.push([from, to]);
    if (a[i]![1] < b[j]![1]) i++;
    else j++;
  }
  return out;
}

/** First window that ends after t. */
function windowAt(c: NonNullable<Windows>, t: number): number {
  let [lo, hi] = [0, c.length];
  while (lo < hi) {
    const m = (lo + hi) >> 1;
    if (c[m]![1] > t) hi = m;
    else lo = m + 1;
  }
  return lo;
}

/**
 * Earliest start from t on at which the work fits; Infinity when it never does.
 */
export function fit(c: Windows, t: number, durS: number, breakable: boolean): number {
  if (!c) return t;
  let k = windowAt(c, t);
  if (!breakable) {
    for (; k < c.length; k++) {
      const s = Math.max(t, c[k]![0]);
      if (s + durS <= c[k]![1]) return s;
    }
    return Infinity;
  }
  if (k >= c.length) return Infinity;
  const start = Math.max(t, c[k]![0]);
  return endOf(c, start, durS, true) < Infinity ? start : Infinity;
}

/** End of work that begins at a start that fits; Infinity when its windows do not suffice. */
export function endOf(c: Windows, startS: number, durS: number, breakable: boolean): number {
  if (startS === Infinity) return Infinity;
  if (!c || !breakable) return startS + durS;
  let left = durS;
  let x = startS;
  for (let k = windowAt(c, startS); k < c.length; k++) {
    x = Math.max(x, c[k]![0]);
    const room = c[k]![1] - x;
    if (left <= room) return x + left;
    left -= room;
  }
  return Infinity;
}

/** Latest start at which breakable work ends at or before x. */
export function fitBack(c: Windows, x: number, durS: number): number {
  if (!c) return x - durS;
  let left = durS;
  for (let k = c.length - 1; k >= 0; k--) {
    const to = Math.min(x, c[k]![1]);
    const room = to - c[k]![0];
    if (room <= 0) continue;
    if (left <= room) return to - left;
    left -= room;
  }
  return -Infinity;
}

/** Open time between two instants, s. */
export const openTime = (c: Windows, a: number, b: number): number =>
  c ? c.reduce((s, [from, to]) => s + Math.max(0, Math.min(to, b) - Math.max(from, a)), 0) : Math.max(0, b - a);
