import type { PracticeBench } from '@/core/practice/bench';
import type { BenchState, HandAction, Happened } from '@/core/practice/happened';

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

/** Time goes by in pieces of so long, s: what was waited for already is not worked out anew. */
const pieceS = 10;
const waitedFor = new WeakMap<BenchState, { state: BenchState; happened: Happened[] }>();

/** Time goes by to an instant. */
export function waited(
  bench: PracticeBench,
  s: BenchState,
  untilS: number,
): { state: BenchState; happened: Happened[] } {
  if (untilS <= s.tS + 1e-6) return { state: s, happened: [] };
  const before = waitedFor.get(s);
  let far = before && before.state.tS <= untilS ? before : { state: s, happened: [] };
  while (untilS - far.state.tS > pieceS) {
    const next = bench.step(far.state, { kind: 'wait' }, pieceS);
    far = { state: next.state, happened: [...far.happened, ...next.happened] };
  }
  waitedFor.set(s, far);
  const last = bench.step(far.state, { kind: 'wait' }, untilS - far.state.tS);
  return { state: last.state, happened: [...far.happened, ...last.happened] };
}

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
