/** A made-up thing that hands work on: it begins somewhere, and goes on by what is done. */
export interface Practised<S extends { tS: number }, A extends { kind: string }, H> {
  /** time goes by in pieces of so long, s */
  readonly pieceS: number;
  start(): S;
  step(s: S, a: A | { kind: 'wait' }, dtS: number): { state: S; happened: H[] };
}

export interface Done<A> {
  atS: number;
  dtS: number;
  action: A;
}

interface Played<S, H> {
  count: number;
  state: S;
  happened: H[];
}

const waitedFor = new WeakMap<object, { state: unknown; happened: unknown[] }>();

/** Time goes by to an instant. */
export function waited<S extends { tS: number }, A extends { kind: string }, H>(
  bench: Practised<S, A, H>,
  s: S,
  untilS: number,
): { state: S; happened: H[] } {
  if (untilS <= s.tS + 1e-6) return { state: s, happened: [] };
  const before = waitedFor.get(s) as { state: S; happened: H[] } | undefined;
  let far = before && before.state.tS <= untilS ? before : { state: s, happened: [] };
  while (untilS - far.state.tS > bench.pieceS) {
    const next = bench.step(far.state, { kind: 'wait' }, bench.pieceS);
    far = { state: next.state, happened: [...far.happened, ...next.happened] };
  }
  waitedFor.set(s, far);
  const last = bench.step(far.state, { kind: 'wait' }, untilS - far.state.tS);
  return { state: last.state, happened: [...far.happened, ...last.happened] };
}

/** What hands did, one after the other with the time between; goes on from what was played before. */
function play<S extends { tS: number }, A extends { kind: string }, H>(
  bench: Practised<S, A, H>,
  acts: readonly Done<A>[],
  from: Played<S, H> | null,
): Played<S, H> {
  let { state, happened } = from ?? { state: bench.start(), happened: [] as H[] };
  for (const a of acts.slice(from?.count ?? 0)) {
    const until = waited(bench, state, a.atS);
    const done = bench.step(until.state, a.action, a.dtS);
    state = done.state;
    happened = [...happened, ...until.happened, ...done.happened];
  }
  return { count: acts.length, state, happened };
}

const kept = new WeakMap<object, Played<unknown, unknown>>();

/** How far a bench has come with all that hands did on it: a drag adds to that, it is not played anew. */
export function playedOn<S extends { tS: number }, A extends { kind: string }, H>(
  bench: Practised<S, A, H>,
  acts: readonly Done<A>[],
): Played<S, H> {
  const before = kept.get(bench) as Played<S, H> | undefined;
  if (before?.count === acts.length) return before;
  const next = play(bench, acts, before && before.count < acts.length ? before : null);
  kept.set(bench, next);
  return next;
}
