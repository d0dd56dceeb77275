import { goldenMinimum, lineFit } from './minimum';

it('a straight line by least squares: the first of Anscombe’s quartet (The American Statistician 27, 1973)', () => {
  const x = [10, 8, 13, 9, 11, 14, 6, 4, 12, 7, 5];
  const y = [8.04, 6.95, 7.58, 8.81, 8.33, 9.96, 7.24, 4.26, 10.84, 4.82, 5.68];
  const fit = lineFit(x, y);
  expect(fit.a).toBeCloseTo(3.0, 2);
  expect(fit.b).toBeCloseTo(0.5, 3);
  // printed there: standard error of the slope 0.118, residual sum of squares 13.75 of 9 degrees of freedom
  expect(fit.seB).toBeCloseTo(0.118, 3);
  expect(fit.ssr).toBeCloseTo(13.75, 1);
});

it('points that lie on a line have it, wherever they are; of two there is no scatter, of one place no slope', () => {
  for (const from of [-50, 0, 1000]) {
    const x = [0, 1, 2, 5].map((v) => from + v);
    const fit = lineFit(
      x,
      x.map((v) => 3 + 2 * v),
    );
    expect(fit.a).toBeCloseTo(3, 6);
    expect(fit.b).toBeCloseTo(2, 9);
    expect(fit.ssr).toBeCloseTo(0, 9);
  }
  expect(lineFit([1, 2], [5, 7]).seB).toBe(0);
  expect(lineFit([4, 4, 4], [1, 2, 3])).toMatchObject({ a: 2, b: 0, seB: 0 });
});

it('the least of a function lies where its slope is nought', () => {
  expect(goldenMinimum((x) => (x - 1.234) ** 2, -3, 7)).toBeCloseTo(1.234, 5);
  expect(goldenMinimum((x) => Math.cosh(x + 2), -7, 1)).toBeCloseTo(-2, 4);
});
