import type { Perimeter } from '../device/perimeter';
import type { Arc, Pt } from '../device/types';
import { CoreInputError } from '../errors';

export type Run = readonly [from: Pt, to: Pt];

export interface RunOrder {
  travelMm: number;
  /** run by its index, and whether it is laid from its end to its start */
  order: { run: number; reversed: boolean }[];
  proven: boolean;
}

const d = (p: Pt, q: Pt) => Math.hypot(p[0] - q[0], p[1] - q[1]);
/** Held-Karp grows as 2ⁿ; beyond this the nearest next run is taken. */
export const exactRuns = 10;

/**
 * Order and direction of open runs with the least way through the air between them: Held & Karp 1962 (published), exact up
 * to ten runs; beyond that the nearest run comes next, and `proven` is false.
 * @throws CoreInputError for runs
 */
export function orderRuns(runs: readonly Run[], start: Pt = [0, 0]): RunOrder {
  const n = runs.length;
  if (!n) return { travelMm: 0, order: [], proven: true };
  if (n > 400) throw new CoreInputError('runs', n, 'up to 400');
  const enter = (i: number, rev: number) => runs[i]![rev as 0 | 1];
  const leave = (i: number, rev: number) => runs[i]![(1 - rev) as 0 | 1];
  if (n > exactRuns) {
    const left = new Set(runs.keys());
    const order: RunOrder['order'] = [];
    let at = start;
    let travelMm = 0;
    while (left.size) {
      let best = { way: Infinity, run: -1, rev: 0 };
      for (const run of left)
        for (const rev of [0, 1]) {
          const way = d(at, enter(run, rev));
          if (way < best.way) best = { way, run, rev };
        }
      left.delete(best.run);
      travelMm += best.way;
      at = leave(best.run, best.rev);
      order.push({ run: best.run, reversed: best.rev === 1 });
    }
    return { travelMm, order, proven: false };
  }
  const full = (1 << n) - 1;
  const index = (mask: number, i: number, rev: number) => (mask * n + i) * 2 + rev;
  const cost = new Float64Array((full + 1) * n * 2).fill(Infinity);
  const back = new Int32Array((full + 1) * n * 2).fill(-1);
  for (let i = 0; i < n; i++) for (const r of [0, 1]) cost[index(1 << i, i, r)] = d(start, enter(i, r));
  for (let mask = 1; mask <= full; mask++)
    for (let i = 0; i < n; i++)
      for (const r of [0, 1]) {
        const here = index(mask, i, r);
        const c = cost[here]!;
        if (c === Infinity) continue;
        for (let j = 0; j < n; j++) {
          if (mask & (1 << j)) continue;
          for (const q of [0, 1]) {
            const there = index(mask | (1 << j), j, q);
            const way = c + d(leave(i, r), enter(j, q));
            if (way < cost[there]! - 1e-12) {
              cost[there] = way;
              back[there] = here;
            }
          }
        }
      }
  let best = index(full, 0, 0);
  for (let i = 0; i < n; i++)
    for (const r of [0, 1]) if (cost[index(full, i, r)]! < cost[best]!) best = index(full, i, r);
  const order: RunOrder['order'] = [];
  for (let k = best; k >= 0; k = back[k]!) order.unshift({ run: Math.floor(k / 2) % n, reversed: k % 2 === 1 });
  return { travelMm: cost[best]!, order, proven: true };
}

/** Stretches of a closed path that are left when the open ones are taken out; the whole path as one when there are none. */
export function runsBetween(path: Perimeter, open: readonly Arc[], startMm = 0): Arc[] {
  const l = path.lengthMm;
  const spans = open
    .flatMap((g): [number, number][] => {
      const a = path.wrap(g.fromMm - startMm);
      const long = Math.min(l, Math.max(0, g.toMm - g.fromMm));
      return a + long > l
        ? [
            [a, l],
            [0, a + long - l],
          ]
        : [[a, a + long]];
    })
    .sort((p, q) => p[0] - q[0]);
  if (!spans.length) return [{ fromMm: startMm, toMm: startMm + l }];
  const out: Arc[] = [];
  let at = 0;
  for (const [a, b] of spans) {
    if (a > at + 1e-9) out.push({ fromMm: at, toMm: a });
    at = Math.max(at, b);
  }
  if (l > at + 1e-9) out.push({ fromMm: at, toMm: l });
  // the last runs over the start into the first
  const [first] = out;
  const last = out[out.length - 1];
  if (first && last && first !== last && first.fromMm < 1e-9 && last.toMm > l - 1e-9) {
    out.shift();
    last.toMm = l + first.toMm;
  }
  return out.map((r) => ({ fromMm: r.fromMm + startMm, toMm: r.toMm + startMm }));
}
