import fc from 'fast-check';

import type { PracticeBench } from '@/core/practice/bench';
import type { BenchState, HandAction, Happened } from '@/core/practice/happened';
import { playedOn, waited, type Done } from './replay';

/** A bench that counts what it is asked: time goes by, and at 100 s something gets too hot. */
function counting() {
  const asked: { kind: string; dtS: number }[] = [];
  const step = (s: BenchState, a: HandAction, dtS: number): { state: BenchState; happened: Happened[] } => {
    asked.push({ kind: a.kind, dtS });
    const tS = s.tS + dtS;
    const hot: Happened[] =
      s.tS < 100 && tS >= 100 ? [{ what: 'partHot', atS: 100, part: 'battery', tC: 80, stopC: 80 }] : [];
    return { state: { ...s, tS, hazard: s.hazard + (a.kind === 'push' ? 1 : 0) }, happened: hot };
  };
  const start = () => ({ tS: 0, hazard: 0 }) as BenchState;
  return { asked, bench: { step, start, pieceS: 10 } as unknown as PracticeBench };
}
const push: HandAction = { kind: 'push', sMm: 0, depthMm: 3, speedMmS: 1, pickMm: 0.5 };
const doneAt = (atS: number): Done<HandAction> => ({ atS, dtS: 2, action: push });

it('time that was waited for is not worked out anew: each look costs what is new and no more', () => {
  const { bench, asked } = counting();
  const s = bench.start();
  for (let t = 0.25; t <= 300; t += 0.25) expect(waited(bench, s, t).state.tS).toBeCloseTo(t, 9);
  // 1200 looks: one short step for each, and thirty whole pieces
  expect(asked.length).toBeLessThan(1200 + 31);
  asked.length = 0;
  waited(bench, s, 305);
  expect(asked.length).toBeLessThan(3);
  expect(asked.every((a) => a.dtS <= 10)).toBe(true);
});

it('looked at in any order it says the same, and what happened stands in it once', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: 0, max: 400, noNaN: true }), { minLength: 1, maxLength: 30 }), (looks) => {
      const { bench } = counting();
      const s = bench.start();
      return looks.every((t) => {
        const { state, happened } = waited(bench, s, t);
        return Math.abs(state.tS - Math.max(0, t)) < 1e-6 && happened.length === (t >= 100 ? 1 : 0);
      });
    }),
  );
});

it('back in time nothing is undone and nothing is added: the state is what it was', () => {
  const { bench } = counting();
  const s = { ...bench.start(), tS: 50 };
  expect(waited(bench, s, 20)).toEqual({ state: s, happened: [] });
});

it('what hands did is played with the time between, and a further act adds to it only', () => {
  const { bench, asked } = counting();
  const acts = [doneAt(30), doneAt(90)];
  const first = playedOn(bench, acts);
  expect(first.state.tS).toBeCloseTo(92, 9);
  expect(first.state.hazard).toBe(2);
  expect(playedOn(bench, acts)).toBe(first);
  asked.length = 0;
  const next = playedOn(bench, [...acts, doneAt(120)]);
  expect(asked.filter((a) => a.kind === 'push')).toHaveLength(1);
  expect(next.state).toMatchObject({ hazard: 3 });
  expect(next.state.tS).toBeCloseTo(122, 9);
  expect(next.happened).toHaveLength(1);
  // an exercise that was begun anew is played from its start
  asked.length = 0;
  expect(playedOn(bench, [doneAt(30)]).state.hazard).toBe(1);
  expect(asked.filter((a) => a.kind === 'push')).toHaveLength(1);
});
