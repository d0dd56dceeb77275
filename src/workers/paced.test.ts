import fc from 'fast-check';

import { paced } from './paced';

it('tells the first and the end, and at most ten a second between', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 60 }), { minLength: 2, maxLength: 200 }), (gaps) => {
      const told: { at: number; share: number }[] = [];
      let now = 0;
      const tell = paced(
        (share) => void told.push({ at: now, share }),
        () => now,
      );
      gaps.forEach((gap, i) => {
        now += gap;
        tell((i + 1) / gaps.length);
      });
      expect(told[0]!.share).toBeCloseTo(1 / gaps.length, 9);
      expect(told.at(-1)!.share).toBe(1);
      for (let i = 1; i < told.length - 1; i++) expect(told[i]!.at - told[i - 1]!.at).toBeGreaterThanOrEqual(100);
    }),
  );
});
