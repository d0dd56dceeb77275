import type { JobEvent } from '@/model/event';

/** How many entries there are and the sum of what their ids say: two sets with the same digest are the same set. */
export type Digest = [count: number, hash: number];

/** Jobs lie in as many buckets: a long history is compared without naming every job. */
export const bucketCount = 256;

/** Two 32-bit hashes of a text, by mixing each character in (the common multiply-and-shift of 32-bit words). */
function mix(text: string): [number, number] {
  let a = 0xdeadbeef;
  let b = 0x41c6ce57;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    a = Math.imul(a ^ c, 2654435761);
    b = Math.imul(b ^ c, 1597334677);
  }
  a = Math.imul(a ^ (a >>> 16), 2246822507) ^ Math.imul(b ^ (b >>> 13), 3266489909);
  b = Math.imul(b ^ (b >>> 16), 2246822507) ^ Math.imul(a ^ (a >>> 13), 3266489909);
  return [a >>> 0, b >>> 0];
}

const pairOf = (h: number): [number, number] => [Math.floor(h / 2 ** 20), h % 2 ** 20];
const numberOf = (a: number, b: number) => (a >>> 0) * 2 ** 20 + (b & 0xfffff);

/** Bucket of a job, 0 to 255. */
export const bucketOf = (jobId: string): number => mix(jobId)[0] & (bucketCount - 1);

/** Union of two digests of sets that have nothing in common: in whatever order, the same. */
export function joined(x: Digest, y: Digest): Digest {
  const [a, b] = pairOf(x[1]);
  const [c, d] = pairOf(y[1]);
  return [x[0] + y[0], numberOf(a ^ c, b ^ d)];
}

export const noDigest: Digest = [0, 0];
export const sameDigest = (x: Digest, y: Digest): boolean => x[0] === y[0] && x[1] === y[1];

const known = new WeakMap<readonly JobEvent[], Digest>();

/** Digest of a job's log; worked out once for each list, for a list is never changed in place. */
export function digestOf(events: readonly JobEvent[]): Digest {
  const before = known.get(events);
  if (before) return before;
  let a = 0;
  let b = 0;
  for (const e of events) {
    const [x, y] = mix(e.id);
    a ^= x;
    b ^= y & 0xfffff;
  }
  const digest: Digest = [events.length, numberOf(a, b)];
  known.set(events, digest);
  return digest;
}

/** Digests of all buckets, and of everything. */
export function bucketsOf(jobs: ReadonlyMap<string, readonly JobEvent[]>): { root: Digest; buckets: Digest[] } {
  const buckets: Digest[] = Array.from({ length: bucketCount }, () => noDigest);
  let root = noDigest;
  for (const [id, events] of jobs) {
    const d = digestOf(events);
    const at = bucketOf(id);
    buckets[at] = joined(buckets[at]!, d);
    root = joined(root, d);
  }
  return { root, buckets };
}
