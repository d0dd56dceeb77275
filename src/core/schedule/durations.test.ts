import { asPrior, fromQuantiles, learn, predictedS, quantileS, remainingS } from './durations';

it('lognormal by its median and nine in ten', () => {
  const d = fromQuantiles(500, 800);
  expect(quantileS(d, 0.5)).toBeCloseTo(500, 6);
  expect(quantileS(d, 0.9)).toBeCloseTo(800, 6);
});

it('what is left of running work: by integrating the tail (numerically), and never less than nothing', () => {
  const d = fromQuantiles(500, 800);
  for (const elapsed of [0, 300, 700, 1500]) {
    // E[X − e | X > e] is the tail integrated over its height at e
    const survive = (x: number) => {
      let [lo, hi] = [0, 1];
      for (let i = 0; i < 60; i++) {
        const m = (lo + hi) / 2;
        if (quantileS(d, m) < x) lo = m;
        else hi = m;
      }
      return 1 - lo;
    };
    let sum = 0;
    const step = 4;
    for (let x = elapsed + step / 2; x < 20_000; x += step) sum += step * survive(x);
    expect(remainingS(d, elapsed) / (sum / survive(Math.max(1e-9, elapsed)))).toBeCloseTo(1, 2);
  }
});

it('learning: worked example of the reference', () => {
  const b = learn({ mu: Math.log(500), kappa: 3, alpha: 3, beta: 0.3 }, [620, 700, 560]);
  expect(b.mu).toBeCloseTo(6.32543, 5);
  expect(b.kappa).toBe(6);
  expect(b.alpha).toBe(4.5);
  expect(b.beta).toBeCloseTo(0.34932, 5);
  expect(predictedS(b, 0.8)).toBeCloseTo(728.7, 1);
  expect(predictedS(b, 0.95)).toBeCloseTo(969.8, 1);
});

it('midge wing lengths (Hoff 2009, published): posterior mean 1.814 and variance 0.0153', () => {
  // lengths themselves, so the logarithm is undone first; prior 1.9, one observation, variance 0.01 by one degree
  const wings = [1.64, 1.7, 1.72, 1.74, 1.82, 1.82, 1.82, 1.9, 2.08];
  const b = learn({ mu: 1.9, kappa: 1, alpha: 0.5, beta: 0.005 }, wings.map(Math.exp));
  expect(b.mu).toBeCloseTo(1.814, 3);
  expect((2 * b.beta) / (2 * b.alpha)).toBeCloseTo(0.0153, 4);
});

it('a class as a beginning: its weight is held down, its spread kept; nothing learned from nothing', () => {
  const b = { mu: 6, kappa: 200, alpha: 100, beta: 8 };
  const p = asPrior(b);
  expect(p).toMatchObject({ mu: 6, kappa: 5, alpha: 4 });
  expect(p.beta / p.alpha).toBeCloseTo(b.beta / b.alpha, 12);
  expect(learn(b, [])).toBe(b);
});

it('work that has taken absurdly long: what is left is a finite time that goes on growing smoothly past the table', () => {
  const d = fromQuantiles(300, 540);
  const left = (s: number) => remainingS(d, s);
  const at = (z: number) => Math.exp(d.mu + d.sigma * z);
  // Mills' ratio (asymptotic): from one side and the other of the change the two agree within a tenth
  expect(left(at(6.01)) / left(at(5.99))).toBeCloseTo(1, 0);
  for (const z of [5, 6, 7, 10, 20]) {
    expect(Number.isFinite(left(at(z)))).toBe(true);
    expect(left(at(z))).toBeGreaterThan(0);
  }
  expect(Number.isFinite(left(36 * 3600))).toBe(true);
});
