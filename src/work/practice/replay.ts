import type { BenchState, HandAction, Happened, PracticeBench } from '@/core/practice/bench';

export interface Done {
  atS: number;
  dtS: number;
  action: HandAction;
}

interface Played {
  count: number;
  state: BenchState;
  happened: Happened[];
}

/** Time goes by to an instant. */
export const waited = (bench: PracticeBench, s: BenchState, untilS: number) =>
  untilS > s.tS + 1e-6 ? bench.step(s, { kind: 'wait' }, untilS - s.tS) : { state: s, happened: [] };

/** What hands did, one after the other with the time between; goes on from what was played before. */
function play(bench: PracticeBench, acts: readonly Done[], from: Played | null): Played {
  let { state, happened } = from ?? { state: bench.start(), happened: [] as Happened[] };
  for (const a of acts.slice(from?.count ?? 0)) {
    const until = waited(bench, state, a.atS);
    const done = bench.step(until.state, a.action, a.dtS);
    state = done.state;
    happened = [...happened, ...until.happened, ...done.happened];
  }
  return { count: acts.length, state, happened };
}

const kept = new WeakMap<PracticeBench, Played>();

/** How far a bench has come with all that hands did on it: a drag adds to that, it is not played anew. */
export function playedOn(bench: PracticeBench, acts: readonly Done[]): Played {
  const before = kept.get(bench);
  if (before?.count === acts.length) return before;
  const next = play(bench, acts, before && before.count < acts.length ? before : null);
  kept.set(bench, next);
  return next;
}
