import fc from 'fast-check';

import type { Pt } from '../device/types';
import { bentFrame, type SeatPoint } from './bentFrame';
import { ringGap, sideGap, stackUp } from './tolerance';

const seats = (list: [number, number, number][]): SeatPoint[] =>
  list.map(([x, y, z], i) => ({ id: `s${i}`, at: [x, y] as Pt, zMm: z }));

const example = seats([
  [-35, 73, 0],
  [0, 73, 0],
  [35, 73, -0.12],
  [35, 0, 0],
  [35, -73, 0],
  [0, -73, 0.01],
  [-35, -73, 0],
  [-35, 0, 0],
]);

describe('glass on a bent seat', () => {
  it('agrees with the worked example of the reference', () => {
    const b = bentFrame(example, 0.3, 2);
    expect(b.maxGapMm).toBeCloseTo(0.12, 9);
    expect(b.contactShare).toBeCloseTo(0.87133, 5);
    expect(b.touchShare).toBeCloseTo(1, 9);
    expect(b.badArcs).toHaveLength(1);
    expect(b.badArcs[0]!.fromMm).toBeCloseTo(52.5, 5);
    expect(b.badArcs[0]!.toMm).toBeCloseTo(108.09, 2);
    expect(b.perimeterMm).toBe(432);
    expect(b.tapeNeededMm).toBeCloseTo(0.6, 9);
    expect(b.tapePickMm).toBeNull();
    expect(b.beadHeightMm).toBeCloseTo(0.06, 9);
    expect(b.beadVolumeMm3).toBeCloseTo(3.3352, 4);
    expect(b.action).toBe('beadTopUp');
    expect(b.gapsMm.map((h) => Math.round(h * 1e3) / 1e3)).toEqual([0, 0, 0.12, 0.005, 0.01, 0, 0.01, 0.005]);
  });

  it('a bow rests on its ends: gap 0.2 in the middle (exact)', () => {
    const ys = [-73, -36.5, 0, 36.5, 73];
    const z = (y: number) => 0.2 * (y / 73) ** 2;
    const pts = seats([
      ...ys.map((y): [number, number, number] => [-35, y, z(y)]),
      ...ys.reverse().map((y): [number, number, number] => [35, y, z(y)]),
    ]);
    const b = bentFrame(pts, 0.3, 2);
    expect(b.maxGapMm).toBeCloseTo(0.2, 9);
    expect(b.action).toBe('declineOrStraighten');
  });

  it('a flat seat, tilted or not, bonds all round', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1e-3, max: 1e-3, noNaN: true }),
        fc.double({ min: -1e-3, max: 1e-3, noNaN: true }),
        (a, c) => {
          const b = bentFrame(
            example.map((p) => ({ ...p, zMm: a * p.at[0] + c * p.at[1] })),
            0.3,
            2,
          );
          expect(b.maxGapMm).toBeLessThan(1e-6);
          expect(b.contactShare).toBeCloseTo(1, 6);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('a gentle bend asks for a thicker tape; three points are too few', () => {
    const b = bentFrame(
      example.map((p) => ({ ...p, zMm: p.zMm * 0.6 })),
      0.3,
      2,
    );
    expect(b.action).toBe('thickerTape');
    expect(b.tapePickMm).toBe(0.4);
    expect(() => bentFrame(example.slice(0, 3), 0.3, 2)).toThrow(/seat heights/);
  });
});

describe('tolerances', () => {
  it('agrees with the worked example of the reference', () => {
    const s = stackUp(
      [
        { coef: 1, nominal: 0.55, plus: 0.03, minus: 0.03 },
        { coef: 1, nominal: 0.15, plus: 0.03, minus: 0.03 },
        { coef: -1, nominal: 0.75, plus: 0.04, minus: 0.04 },
      ],
      -0.1,
      0.05,
    );
    expect(s.worst[0]).toBeCloseTo(-0.15, 9);
    expect(s.rss[0]).toBeCloseTo(-0.10831, 5);
    expect(s.inflated[1]).toBeCloseTo(0.037464, 6);
    expect(s.sigma).toBeCloseTo(0.019437, 6);
    expect(s.pBelow).toBeCloseTo(0.0050487, 6);
    expect(s.verdict).toBe('measureTheParts');
  });

  it('root sum of squares of four tenths is 0.2', () => {
    const four = Array.from({ length: 4 }, () => ({ coef: 1, nominal: 0, plus: 0.1, minus: 0.1 }));
    expect(stackUp(four, -1, 1).rss[1]).toBeCloseTo(0.2, 12);
    expect(stackUp(four, -1, 1).verdict).toBe('safe');
    expect(stackUp(four, -0.35, 0.35).verdict).toBe('likely');
    expect(stackUp(four, -0.25, 0.25).verdict).toBe('usual');
  });

  it('a part a millimetre too big does not go in', () => {
    expect(sideGap(71.7, 72.4).pBelow).toBeCloseTo(1, 6);
    expect(sideGap(72.3, 72).verdict).toBe('safe');
  });

  it('ring gap of the worked example: 0.25 to 0.55, mean 0.3992, 16.09 mm² more than nothing', () => {
    const g = ringGap(14, 13.2, 0.15);
    expect([g.minMm, g.maxMm].map((v) => Math.round(v * 1e6) / 1e6)).toEqual([0.25, 0.55]);
    expect(g.meanMm).toBeCloseTo(0.3992, 4);
    expect(g.areaMm2).toBeCloseTo(17.09, 2);
    expect(g.touches).toBe(false);
    expect(ringGap(13.4, 13.2, 0.15).touches).toBe(true);
  });
});

it('one low spot in the middle of a straight side is one stretch there, and does not wrap', () => {
  // 60 × 120 mm, a point every 10 mm, one of them 0.5 mm low: nothing else will not bond
  const at: [number, number][] = [];
  for (let x = 0; x < 60; x += 10) at.push([x, 0]);
  for (let y = 0; y < 120; y += 10) at.push([60, y]);
  for (let x = 60; x > 0; x -= 10) at.push([x, 120]);
  for (let y = 120; y > 0; y -= 10) at.push([0, y]);
  const low = 12;
  const b = bentFrame(
    at.map((p, i) => ({ id: String(i), at: p, zMm: i === low ? -0.5 : 0 })),
    0.2,
    2,
  );
  expect(b.badArcs).toHaveLength(1);
  const [arc] = b.badArcs;
  expect(arc!.fromMm).toBeGreaterThan(10 * (low - 1));
  expect(arc!.toMm).toBeLessThan(10 * (low + 1));
  expect((arc!.fromMm + arc!.toMm) / 2).toBeCloseTo(10 * low, 6);
  // the same spot at the first point wraps: it begins before it
  const first = bentFrame(
    at.map((p, i) => ({ id: String(i), at: p, zMm: i === 0 ? -0.5 : 0 })),
    0.2,
    2,
  );
  expect(first.badArcs).toHaveLength(1);
  expect((first.badArcs[0]!.fromMm + first.badArcs[0]!.toMm) / 2).toBeCloseTo(0, 6);
});
