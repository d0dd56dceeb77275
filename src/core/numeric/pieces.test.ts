import fc from 'fast-check';
import { inverse, Matrix } from 'ml-matrix';

import { addLong, dot, dotOfLong, dotShort } from './dot';
import { largest, smallest } from './ends';
import { conditionRatio, leastSquares } from './leastSquares';
import { firstRoot } from './roots';

const hilbert = (n: number) =>
  Array.from({ length: n }, (_, i) => Array.from({ length: n }, (_, j) => 1 / (i + j + 1)));

describe('least squares', () => {
  it.each([
    [2, 19.281470067903967],
    [3, 524.0567775860608],
    [4, 15513.738738929],
    [5, 476607.2502422],
  ])('Hilbert matrix of order %d has the condition number that handbooks list: %d', (n, condition) => {
    expect(conditionRatio(hilbert(n)) * condition).toBeCloseTo(1, 6);
  });

  it('a line through points by hand: slope, intercept and (AᵀA)⁻¹', () => {
    // x 1, 2, 3, 4; y 2, 3, 5, 6: slope 7/5, intercept 1/2
    const rows = [1, 2, 3, 4].map((x) => [1, x]);
    const { x, rank, covariance } = leastSquares(rows, [2, 3, 5, 6]);
    expect(x[0]).toBeCloseTo(0.5, 12);
    expect(x[1]).toBeCloseTo(1.4, 12);
    expect(rank).toBe(2);
    // n = 4, Σx = 10, Σx² = 30, determinant 20
    expect(
      covariance
        .to2DArray()
        .flat()
        .map((v) => Math.round(v * 1e9) / 1e9),
    ).toEqual([1.5, -0.5, -0.5, 0.2]);
  });

  it('of many answers the shortest: x + y = 2 is met by 1 and 1', () => {
    const { x, rank } = leastSquares([[1, 1]], [2]);
    expect(rank).toBe(1);
    expect(x[0]).toBeCloseTo(1, 12);
    expect(x[1]).toBeCloseTo(1, 12);
  });

  it('columns that say the same share what they carry, and count once', () => {
    const { x, rank } = leastSquares(
      [
        [1, 2],
        [2, 4],
        [3, 6],
      ],
      [5, 10, 15],
    );
    expect(rank).toBe(1);
    // 1·x + 2·y = 5 with the least x² + y²: (1, 2)
    expect(x[0]).toBeCloseTo(1, 9);
    expect(x[1]).toBeCloseTo(2, 9);
  });

  it('what is left is at right angles to every column, and the covariance is the inverse of AᵀA (property)', () => {
    const figure = fc.double({ min: -3, max: 3, noNaN: true });
    fc.assert(
      fc.property(fc.array(fc.tuple(figure, figure, figure, figure), { minLength: 8, maxLength: 20 }), (list) => {
        const rows = list.map(([a, b], i) => [1, a + 0.1 * i, b + 0.05 * i * i]);
        const y = list.map(([, , c, d]) => c + d);
        const { x, rank, covariance } = leastSquares(rows, y);
        if (rank < 3) return true;
        const left = rows.map((r, i) => y[i]! - r.reduce((s, v, j) => s + v * x[j]!, 0));
        const a = new Matrix(rows);
        const inv = inverse(a.transpose().mmul(a));
        return (
          [0, 1, 2].every((j) => Math.abs(rows.reduce((s, r, i) => s + r[j]! * left[i]!, 0)) < 1e-6) &&
          [0, 1, 2].every((j) =>
            [0, 1, 2].every(
              (l) => Math.abs(covariance.get(j, l) - inv.get(j, l)) < 1e-6 * (1 + Math.abs(inv.get(j, l))),
            ),
          )
        );
      }),
      { numRuns: 60 },
    );
  });
});

it('inner products of any length and place are the sums that whole numbers give', () => {
  for (let n = 0; n <= 13; n++)
    for (let at = 0; at < 4; at++) {
      const rows = Array.from({ length: at + n + 3 }, (_, i) => ((i * 7919) % 23) - 11);
      const v = Array.from({ length: n }, (_, i) => ((i * 104729) % 19) - 9);
      const sum = v.reduce((s, x, i) => s + x * rows[at + i]!, 0);
      expect(dot(Float64Array.from(rows), at, Float64Array.from(v), n)).toBe(sum);
      expect(dotShort(Float32Array.from(rows), at, Float64Array.from(v), n)).toBe(sum);
      expect(dotOfLong(Float64Array.from(rows.slice(at, at + n)), Float64Array.from(v))).toBe(sum);
      const w = Float64Array.from(v);
      addLong(w, -3, Float64Array.from(rows.slice(at, at + n)));
      expect([...w]).toEqual(v.map((x, i) => x - 3 * rows[at + i]!));
    }
});

it('roots: π/2 of the cosine, ∛2, and of a falling line, to full precision', () => {
  expect(firstRoot(Math.cos, 0, 3)).toBeCloseTo(Math.PI / 2, 12);
  expect(firstRoot((x) => x ** 3 - 2, 0, 9)).toBeCloseTo(Math.cbrt(2), 12);
  expect(firstRoot((x) => 5 - 2 * x, -100, 100)).toBeCloseTo(2.5, 11);
  expect(firstRoot((x) => x - 1e6, 0, 1e9)).toBeCloseTo(1e6, 5);
});

it('the ends of a list of any length, and of none', () => {
  const long = Float64Array.from({ length: 300_000 }, (_, i) => Math.sin(i) * 10);
  expect([largest([3, -1, 7, 7, 2]), smallest([3, -1, 7, -1, 2])]).toEqual([7, -1]);
  expect(largest(long)).toBeGreaterThan(9.999);
  expect(smallest(long)).toBeLessThan(-9.999);
  expect([largest([]), smallest([])]).toEqual([-Infinity, Infinity]);
});
