import fc from 'fast-check';

import { suspectStretches, type SuspectSource } from './suspects';

it('what two measurements agree on comes first, and its overlap is named', () => {
  const s = suspectStretches(400, [
    { kind: 'seat', fromMm: 100, toMm: 160 },
    { kind: 'bump', fromMm: 140, toMm: 170 },
    { kind: 'press', fromMm: 300, toMm: 340 },
  ]);
  expect(s).toHaveLength(2);
  expect(s[0]).toEqual({ fromMm: 100, toMm: 170, kinds: ['seat', 'bump'], most: { fromMm: 140, toMm: 160, kinds: 2 } });
  expect(s[1]!.kinds).toEqual(['press']);
});

it('a stretch over the start of the ring stays one', () => {
  const [s, none] = suspectStretches(400, [
    { kind: 'seat', fromMm: -30, toMm: 20 },
    { kind: 'bump', fromMm: 390, toMm: 410 },
  ]);
  expect(none).toBeUndefined();
  expect(s!.toMm - s!.fromMm).toBeCloseTo(50, 9);
  expect(s!.most).toMatchObject({ kinds: 2 });
  expect(s!.most.toMm - s!.most.fromMm).toBeCloseTo(20, 9);
});

it('nothing measured, nothing suspected; the whole ring at once is one stretch', () => {
  expect(suspectStretches(400, [])).toEqual([]);
  const [s] = suspectStretches(400, [{ kind: 'seat', fromMm: 0, toMm: 400 }]);
  expect(s!.toMm - s!.fromMm).toBeCloseTo(400, 9);
});

it('the suspected length is that of the union, counted on a fine grid (property)', () => {
  const source = fc.record({
    kind: fc.constantFrom('bump', 'step', 'seat', 'press'),
    fromMm: fc.integer({ min: -200, max: 500 }),
    span: fc.integer({ min: 1, max: 120 }),
  });
  fc.assert(
    fc.property(fc.array(source, { minLength: 1, maxLength: 6 }), (list) => {
      const sources = list.map((s) => ({ kind: s.kind, fromMm: s.fromMm, toMm: s.fromMm + s.span }) as SuspectSource);
      const got = suspectStretches(400, sources).reduce((m, s) => m + s.toMm - s.fromMm, 0);
      let covered = 0;
      for (let i = 0; i < 400; i++)
        if (sources.some((s) => [-400, 0, 400].some((w) => i + 0.5 + w > s.fromMm && i + 0.5 + w < s.toMm))) covered++;
      expect(got).toBeCloseTo(covered, 6);
    }),
  );
});
