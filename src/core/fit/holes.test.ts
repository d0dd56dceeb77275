import fc from 'fast-check';

import { dryFit, type GapReading, type HoleReading } from './dryFit';
import { expansion, expansionOf, gapChangeMm, gapLossMm } from './thermalClearance';
import { flushStack, ringGap, ringGapRect } from './tolerance';

/** Gaps round a rectangle when the glass lies off by a known pose; plan frame, y down. */
function around(dx: number, dy: number, deg: number, mean = 0.15): GapReading[] {
  const [a, b] = [35, 73];
  const th = (deg * Math.PI) / 180;
  const at: [number, number, number, number][] = [];
  for (const t of [-0.8, -0.3, 0.3, 0.8])
    at.push([a, b * t, 1, 0], [-a, b * t, -1, 0], [a * t, b, 0, 1], [a * t, -b, 0, -1]);
  return at.map(([x, y, nx, ny], i) => ({
    id: `g${i}`,
    at: [x + 35, 73 - y],
    normal: [nx, -ny],
    gapMm: mean + nx * dx + ny * dy + th * (x * ny - y * nx),
  }));
}
const centre = [35, 73] as const;
const hole = (over: Partial<HoleReading> = {}): HoleReading => ({
  id: 'main',
  at: [20, 25],
  offset: [0, 0],
  allowedMm: 0.1,
  ...over,
});

it('an exact pose is recovered with holes that agree with it: slide 0.12 up, 0.07 left, turn 0.057° (analytic)', () => {
  const f = dryFit(around(-0.07, 0.12, 0.0573), centre, [hole({ allowedMm: 1 })]);
  expect(f.use).toBe('even');
  expect(f.holeWeight).toBe(0);
  expect(f.move.towardTopMm).toBeCloseTo(0.12, 9);
  expect(f.move.towardRightMm).toBeCloseTo(-0.07, 9);
  expect(f.move.clockwiseDeg).toBeCloseTo(-0.0573, 9);
});

it('a camera hole that evening would leave too far off pulls the fit to the edge of what is allowed, no farther', () => {
  // gaps are even; the hole lies 0.16 mm too far right
  const f = dryFit(around(0, 0, 0), centre, [hole({ offset: [0.16, 0] })]);
  expect(f.use).toBe('even');
  expect(f.holeWeight).toBeGreaterThan(0);
  expect(f.holeOffsetsMm[0]!).toBeCloseTo(0.1, 4);
  expect(f.move.towardRightMm).toBeLessThan(-0.02);
});

it('one hole: no pose with the hole inside is more even (constrained least squares against a grid search)', () => {
  const points = around(0.02, -0.03, 0.02);
  const h = hole({ offset: [0.14, -0.05] });
  const f = dryFit(points, centre, [h]);
  const cost = (dx: number, dy: number, th: number) => {
    const gaps = points.map((p) => {
      const [x, y, nx, ny] = [p.at[0] - 35, 73 - p.at[1], p.normal[0], -p.normal[1]];
      return p.gapMm - nx * dx - ny * dy - th * (x * ny - y * nx);
    });
    const m = gaps.reduce((a, b) => a + b, 0) / gaps.length;
    return gaps.reduce((a, g) => a + (g - m) ** 2, 0);
  };
  const [hx, hy] = [20 - 35, 73 - 25];
  const inside = (dx: number, dy: number, th: number) =>
    Math.hypot(0.14 + dx - th * hy, 0.05 + dy + th * hx) <= 0.1 + 1e-6;
  const own = cost(f.move.towardRightMm, f.move.towardTopMm, (-f.move.clockwiseDeg * Math.PI) / 180);
  let best = Infinity;
  for (let dx = -0.15; dx <= 0.1; dx += 0.005)
    for (let dy = -0.1; dy <= 0.1; dy += 0.005)
      for (let th = -0.002; th <= 0.002; th += 0.0001) if (inside(dx, dy, th)) best = Math.min(best, cost(dx, dy, th));
  expect(own).toBeLessThanOrEqual(best + 1e-6);
  expect(f.holeOffsetsMm[0]!).toBeLessThanOrEqual(0.1 + 1e-4);
});

it('largest least gap keeps the holes inside; where both cannot be had it does not fit', () => {
  // wide right, narrow left: evening means sliding right, the hole allows none of it
  const f = dryFit(around(0.14, 0, 0), centre, [hole({ offset: [0.1, 0], allowedMm: 0.05 })]);
  expect(f.use).toBe('noFit');
  expect(f.bestLeastGapMm).toBeLessThan(0.05);
});

it('what heat takes is what the least gap must exceed', () => {
  const f = dryFit(around(0, 0, 0, 0.06), centre, [], 0.08);
  expect(f.use).toBe('noFit');
  expect(dryFit(around(0, 0, 0, 0.06), centre).use).toBe('leave');
});

it('names an impossible hole', () => {
  expect(() => dryFit(around(0, 0, 0), centre, [hole({ offset: [9, 0] })])).toThrow(/offset of main/);
});

it('aluminium round glass, 75 mm, −40 K: −0.045 mm on each side (handbook expansion)', () => {
  expect(gapChangeMm(expansion.aluminium!, expansion.glass!, 75, -20, 20)).toBeCloseTo(-0.045, 9);
  expect(gapLossMm(expansion.aluminium!, expansion.glass!, 75, 22)).toBeCloseTo(0.04725, 9);
  expect(expansionOf('stainless')).toBe(expansion.steel);
  expect(expansionOf('polymer')).toBe(expansion.plastic);
  // glass in a plastic frame: the frame shrinks more still
  expect(gapLossMm(expansion.plastic!, expansion.glass!, 75, 22)).toBeGreaterThan(0.1);
});

it('a rounded rectangle with equal arcs and half its width as radius is a circle (limit)', () => {
  const c = ringGap(14, 13.2, 0.15);
  expect(c.minMm).toBeCloseTo(0.25, 9);
  expect(c.maxMm).toBeCloseTo(0.55, 9);
  const r = ringGapRect(
    { widthMm: 14, heightMm: 14, cornerMm: 7 },
    { widthMm: 13.2, heightMm: 13.2, cornerMm: 6.6 },
    [0.15, 0],
  );
  expect(r.minMm).toBeCloseTo(0.25, 9);
  expect(r.areaMm2).toBeCloseTo(c.areaMm2, 6);
});

it('a concentric ring gap is the same on all sides, and the corners follow the arcs (property)', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.1, max: 2, noNaN: true }), (g) => {
      const r = ringGapRect(
        { widthMm: 30 + 2 * g, heightMm: 20 + 2 * g, cornerMm: 5 + g },
        { widthMm: 30, heightMm: 20, cornerMm: 5 },
      );
      return Math.abs(r.minMm - g) < 1e-9 && Math.abs(r.maxMm - g) < 1e-9;
    }),
  );
});

it('glass 0.05 mm thicker on the same tape stands proud beyond the limit: measure or take another part', () => {
  const s = flushStack(0.8, 0.85, 0.15, 0.15);
  expect(s.mean).toBeCloseTo(0.05, 9);
  expect(s.verdict).toBe('measureTheParts');
  expect(flushStack(0.8, 0.78, 0.15, 0.15).verdict).not.toBe('measureTheParts');
});
