import fc from 'fast-check';

import { insetConvex, nearSegment, polygonOf, segmentsMeet, selfCrossing } from './polygon';
import type { Pt } from './types';

const moved = (pts: readonly Pt[], [dx, dy]: Pt): Pt[] => pts.map(([x, y]) => [x + dx, y + dy]);
const anywhere = fc.tuple(fc.integer({ min: -300, max: 300 }), fc.integer({ min: -300, max: 300 }));

const square: Pt[] = [
  [0, 0],
  [10, 0],
  [10, 10],
  [0, 10],
];
const bowTie: Pt[] = [
  [0, 0],
  [10, 10],
  [10, 0],
  [0, 10],
];
/** goes out along a side and back on it */
const spike: Pt[] = [
  [0, 0],
  [10, 0],
  [20, 0],
  [10, 0],
  [10, 10],
  [0, 10],
];
/** a point in the middle of a side is no fold */
const straightOn: Pt[] = [
  [0, 0],
  [5, 0],
  [10, 0],
  [10, 10],
  [0, 10],
];
const slanting = (pts: readonly Pt[]): Pt[] => pts.map(([x, y]) => [3 * x - 4 * y, 4 * x + 3 * y]);

it('crossing and folding back are found wherever the polygon lies and however it is turned; a simple one has none', () => {
  fc.assert(
    fc.property(anywhere, fc.boolean(), (by, turned) => {
      const put = (pts: readonly Pt[]) => moved(turned ? slanting(pts) : pts, by);
      expect(selfCrossing(put(square))).toBeNull();
      expect(selfCrossing(put(straightOn))).toBeNull();
      expect(selfCrossing(put(bowTie))).not.toBeNull();
      expect(selfCrossing(put(spike))).not.toBeNull();
    }),
  );
});

it('two stretches meet or not, wherever they lie', () => {
  fc.assert(
    fc.property(anywhere, (by) => {
      const at = (x: number, y: number): Pt => [x + by[0], y + by[1]];
      expect(segmentsMeet(at(0, 0), at(4, 4), at(0, 4), at(4, 0))).toBe(true);
      expect(segmentsMeet(at(0, 0), at(4, 4), at(5, 6), at(9, 2))).toBe(false);
      expect(segmentsMeet(at(0, 0), at(1, 1), at(0, 4), at(4, 0))).toBe(false);
    }),
  );
});

it('a polygon inset on all sides: a square of 10 by 1 has 64 of its 100 mm² left, and none by 6', () => {
  const area = (p: readonly Pt[]) =>
    Math.abs(p.reduce((s, a, i) => s + a[0] * p[(i + 1) % p.length]![1] - p[(i + 1) % p.length]![0] * a[1], 0)) / 2;
  expect(area(insetConvex(square, 1)!)).toBeCloseTo(64, 9);
  expect(insetConvex(square, 6)).toBeNull();
  // a circle as a polygon is inside it and comes near: the area of a regular one is (n/2) r² sin(2π/n)
  const round = polygonOf({ kind: 'disc', c: [7, -3], rMm: 5 }, 8);
  expect(area(round)).toBeLessThanOrEqual(Math.PI * 25);
  expect(area(round)).toBeGreaterThan(0.88 * Math.PI * 25);
  expect(nearSegment([5, 7], [0, 0], [10, 0])).toEqual({ d: 7, at: [5, 0], t: 0.5 });
});
