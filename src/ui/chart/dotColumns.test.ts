import { dotColumns } from './dotColumns';

const minute = 60e3;

it('twenty instants are twenty dots: none lost, none on another one, all inside, in their order', () => {
  const at = Array.from({ length: 20 }, (_, i) => 1.7e12 + i * i * minute);
  const p = dotColumns(at, [1.7e12 + 500 * minute], 326, 11);
  expect(p.dots.map((d) => d.at)).toEqual(at);
  for (const [i, a] of p.dots.entries()) {
    expect(a.x).toBeGreaterThanOrEqual(11);
    expect(a.x).toBeLessThanOrEqual(326);
    for (const b of p.dots.slice(i + 1)) expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThanOrEqual(11 - 1e-9);
    // a dot stands within its own width of its instant
    expect(Math.abs(a.x - p.x(a.at))).toBeLessThan(11);
  }
  expect(p.height).toBe(Math.max(...p.dots.map((d) => d.y)) + 5.5);
});

it('ends that are all the same are one column, and its axis is not nothing wide', () => {
  const p = dotColumns(
    Array.from({ length: 20 }, () => 1.7e12),
    [],
    326,
    11,
  );
  expect(new Set(p.dots.map((d) => d.x)).size).toBe(1);
  expect(p.height).toBe(220);
  expect(p.ticks.length).toBeGreaterThan(0);
});
