import { addLong, dot, dotOfLong, dotShort } from './dot';

// whole numbers are summed without rounding: each length, with what lies before and behind the row left out
it.each([0, 1, 2, 3, 4, 5, 7, 8, 9, 13])(
  'rows of %i numbers give the sum of products, exactly (by definition)',
  (n) => {
    const v = Float64Array.from({ length: n }, (_, i) => 3 * i - 7);
    const row = Array.from({ length: n }, (_, i) => (i * i) % 11);
    const exact = row.reduce((s, x, i) => s + x * v[i]!, 0);
    const around = [100, 200, ...row, 300];
    expect(dot(Float64Array.from(around), 2, v, n)).toBe(exact);
    expect(dotShort(Float32Array.from(around), 2, v, n)).toBe(exact);
    expect(dotOfLong(Float64Array.from(row), v)).toBe(exact);
    const sum = Float64Array.from(v);
    addLong(sum, 2, Float64Array.from(row));
    expect([...sum]).toEqual(row.map((x, i) => v[i]! + 2 * x));
  },
);
