import { eyeFigures } from './byEye';
import { leastPlaces, learnEye, type EyePair } from './learnEye';

/** Numbers from a seed: uniform and normal (Box & Muller 1958). */
function draws(seed: number) {
  let s = seed >>> 0;
  const u = () => ((s = (Math.imul(s, 1664525) + 1013904223) >>> 0) + 0.5) / 2 ** 32;
  return { u, n: () => Math.sqrt(-2 * Math.log(u())) * Math.cos(2 * Math.PI * u()) };
}

/** What an eye of a known sharpness marks: it sees the deviation with its own error, and marks what is past one in twenty. */
function seen(trueU: number, n: number, seed: number): EyePair[] {
  const { u, n: normal } = draws(seed);
  return Array.from({ length: n }, () => {
    const offMm = 0.6 * u();
    return { offMm, marked: offMm + trueU * normal() > 1.645 * trueU };
  });
}

describe('a shop’s eye', () => {
  it.each([0.06, 0.1, 0.2])('of %d mm is found again from what it marked, within its interval', (trueU) => {
    const inside = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10].filter((seed) => {
      const l = learnEye('step', seen(trueU, 160, seed))!;
      return l.low <= trueU && trueU <= l.high;
    });
    // 95 % of ten: eight or more in nineteen of twenty
    expect(inside.length).toBeGreaterThanOrEqual(8);
    const one = learnEye('step', seen(trueU, 800, 42))!;
    expect(Math.abs(Math.log(one.u / trueU))).toBeLessThan(0.2);
    expect(one.high / one.low).toBeLessThan(1.8);
  });
  it('says nothing from a few places, and stays near what is usual while they tell little', () => {
    expect(learnEye('gap', seen(0.1, leastPlaces - 1, 1))).toBeNull();
    // places that are all even tell next to nothing of a sharp eye
    const even = Array.from({ length: 16 }, () => ({ offMm: 0.005, marked: false }));
    const l = learnEye('gap', even)!;
    expect(Math.abs(Math.log(l.u / eyeFigures.gap.value))).toBeLessThan(0.2);
    expect(l.high / l.low).toBeGreaterThan(3);
  });
  it('an eye that passed over large steps is a dull one', () => {
    const dull = learnEye(
      'step',
      Array.from({ length: 20 }, () => ({ offMm: 0.3, marked: false })),
    )!;
    expect(dull.low).toBeGreaterThan(eyeFigures.step.value);
  });
  it('a place that is no number is named', () => {
    const pairs = [...seen(0.1, 12, 1), { offMm: Number.NaN, marked: false }];
    expect(() => learnEye('step', pairs)).toThrow(/place/);
  });
});
