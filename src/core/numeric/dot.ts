/*
 * Inner products of a row with a state. Four sums at once: one would wait for its own last addition each time, and these
 * are where a heat answer spends its time. Two of them, so that each sees one kind of row only.
 */

/** Row of `n` numbers from `at` on, times `v`. */
export function dot(rows: Float64Array, at: number, v: Float64Array, n: number): number {
  let a = 0;
  let b = 0;
  let c = 0;
  let d = 0;
  let i = 0;
  for (; i + 3 < n; i += 4, at += 4) {
    a += rows[at]! * v[i]!;
    b += rows[at + 1]! * v[i + 1]!;
    c += rows[at + 2]! * v[i + 2]!;
    d += rows[at + 3]! * v[i + 3]!;
  }
  for (; i < n; i++, at++) a += rows[at]! * v[i]!;
  return a + b + (c + d);
}

/** The same for rows as they are shipped. */
export function dotShort(rows: Float32Array, at: number, v: Float64Array, n: number): number {
  let a = 0;
  let b = 0;
  let c = 0;
  let d = 0;
  let i = 0;
  for (; i + 3 < n; i += 4, at += 4) {
    a += rows[at]! * v[i]!;
    b += rows[at + 1]! * v[i + 1]!;
    c += rows[at + 2]! * v[i + 2]!;
    d += rows[at + 3]! * v[i + 3]!;
  }
  for (; i < n; i++, at++) a += rows[at]! * v[i]!;
  return a + b + (c + d);
}

/** Scalar product of two long vectors of one kind. */
export function dotOfLong(a: Float64Array, b: Float64Array): number {
  return dot(a, 0, b, b.length);
}

/** v := v + q a. */
export function addLong(v: Float64Array, q: number, a: Float64Array): void {
  for (let i = 0; i < v.length; i++) v[i] = v[i]! + q * a[i]!;
}
