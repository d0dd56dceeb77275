import * as fc from 'fast-check';

import { pushMm, shortestMm } from './stretches';

describe('how far a pick is pushed at a time', () => {
  const speeds = fc.double({ min: 0.08, max: 20, noNaN: true });
  const lefts = fc.double({ min: 0.25, max: 200, noNaN: true });

  it('never goes on by nothing, whatever is shut: a stretch of 200 mm ends within 2,000 pushes', () => {
    fc.assert(
      fc.property(speeds, lefts, fc.double({ min: 0, max: 200, noNaN: true }), (speed, leftMm, shutMm) => {
        const mm = pushMm(speed, leftMm, (d) => d >= shutMm);
        expect(mm).toBeGreaterThanOrEqual(shortestMm);
        expect(mm).toBeLessThanOrEqual(Math.min(2, leftMm));
      }),
    );
    // a step of one millimetre and what a double cannot hold of it, halved: once it was pushed by 3e-14 mm for ever
    expect(pushMm(0.33333333333334475, 50, () => true)).toBe(shortestMm);
  });

  it('is three seconds of pushing where nothing is shut', () => {
    expect(pushMm(0.4, 50, () => false)).toBeCloseTo(1.2, 12);
    expect(pushMm(0.05, 50, () => false)).toBe(0.3);
    expect(pushMm(4, 50, () => false)).toBe(2);
    expect(pushMm(4, 0.7, () => false)).toBe(0.7);
  });

  it('ends before what is shut, if more than half a millimetre is left before it', () => {
    expect(pushMm(4, 50, (d) => d > 1.2)).toBe(1);
    expect(pushMm(4, 50, (d) => d > 0.6)).toBe(0.5);
  });
});
