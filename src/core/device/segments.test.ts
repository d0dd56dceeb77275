import fc from 'fast-check';
import Fraction from 'fraction.js';

import { segmentsMeet } from './polygon';
import type { Pt } from './types';

/** Both lines' parameters where they cross, by Cramer's rule in fractions (reference library); null: parallel. */
function crossingOf(a: Pt, b: Pt, c: Pt, d: Pt): [Fraction, Fraction] | null {
  const [rx, ry] = [b[0] - a[0], b[1] - a[1]];
  const [sx, sy] = [d[0] - c[0], d[1] - c[1]];
  const det = rx * sy - ry * sx;
  if (det === 0) return null;
  const [qx, qy] = [c[0] - a[0], c[1] - a[1]];
  return [new Fraction(qx * sy - qy * sx, det), new Fraction(qx * ry - qy * rx, det)];
}
const within = (f: Fraction) => f.compare(0) >= 0 && f.compare(1) <= 0;
const at = fc.tuple(fc.integer({ min: -6, max: 6 }), fc.integer({ min: -6, max: 6 }));

it('segments share a point exactly where fractions say so', () => {
  fc.assert(
    fc.property(at, at, at, at, (a, b, c, d) => {
      const p = crossingOf(a, b, c, d);
      fc.pre(p !== null);
      expect(segmentsMeet(a, b, c, d)).toBe(within(p![0]) && within(p![1]));
    }),
    { numRuns: 600 },
  );
});

it('on one line they meet where their stretches do', () => {
  fc.assert(
    fc.property(
      fc.tuple(fc.integer({ min: -9, max: 9 }), fc.integer({ min: -9, max: 9 })),
      fc.tuple(fc.integer({ min: -9, max: 9 }), fc.integer({ min: -9, max: 9 })),
      ([p, q], [r, s]) => {
        fc.pre(p !== q && r !== s);
        const on = (k: number): Pt => [2 * k + 1, 3 * k - 2];
        const apart = Math.max(p, q) < Math.min(r, s) || Math.max(r, s) < Math.min(p, q);
        expect(segmentsMeet(on(p), on(q), on(r), on(s))).toBe(!apart);
      },
    ),
    { numRuns: 200 },
  );
});
