import { findEdges, noisePa, pressTest } from './pressTest';

let seed = 1;
const uniform = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
const gauss = () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());

/** A made-up barometer log: presses held, shell with a time constant, drift and scatter. */
function log(
  a: number,
  tau: number,
  presses: [number, number][],
  over: { sd?: number; drift?: number; door?: number } = {},
) {
  const end = Math.max(...presses.map((c) => c[1])) + 10;
  const t = Array.from({ length: Math.round(end / 0.2) }, (_, i) => Math.round(i * 0.2 * 10) / 10);
  const e = (v: number, t0: number) => (v >= t0 - 1e-9 ? Math.exp(-(v - t0) / tau) : 0);
  const p = t.map(
    (v) =>
      100_800 +
      (over.drift ?? 0) * v +
      presses.reduce((s, [x, y]) => s + a * (e(v, x) - e(v, y)), 0) +
      (over.door !== undefined && v > over.door ? 40 : 0) +
      (over.sd ?? 0) * gauss(),
  );
  return { t, p };
}
const three: [number, number][] = [
  [8, 13],
  [22, 27],
  [36, 41],
];

beforeEach(() => {
  seed = 11;
});

it('without scatter amplitude and time constant come back: 50 Pa, 20 s (analytic)', () => {
  const { t, p } = log(50, 20, [[8, 13.4]], { drift: 0.1 });
  const r = pressTest(t, p, [[8.2, 13.6]]);
  expect(r.amplitudePa).toBeCloseTo(50, 1);
  expect(r.tauS!).toBeCloseTo(20, 1);
  expect(r.kind).toBe('holds');
});

it('a shell that breathes decays; one that is open, or does not give, shows nothing', () => {
  expect(pressTest(...args(log(60, 2, three, { sd: 1.5, drift: 0.3 })), three).kind).toBe('decays');
  expect(pressTest(...args(log(0, 20, three, { sd: 1.5, drift: 0.3 })), three).kind).toBe('noBump');
});

it.each([1, 2, 5])('without prompts a shell that leaks with %f s is not taken for one that holds', (tau) => {
  expect(pressTest(...args(log(60, tau, three, { sd: 1.5, drift: 0.3 }))).kind).toBe('decays');
  expect(pressTest(...args(log(60, tau, [[8, 14]], { sd: 1.5, drift: 0.3 }))).kind).toBe('decays');
});

it('a push of a second without prompts is no press', () => {
  const { t, p } = log(0, 20, three, { sd: 1.5 });
  const pushed = p.map((v, i) => v + (t[i]! > 10 && t[i]! < 11 ? 25 : 0));
  expect(pressTest(t, pushed).kind).toBe('noBump');
});

it('a door that opens is no bump that holds: press and release do not match', () => {
  const r = pressTest(...args(log(0, 20, [[8, 13]], { sd: 1, door: 8 })), [[8, 13]]);
  expect(['noBump', 'disturbed']).toContain(r.kind);
});

it('finds presses without prompts, and none in a quiet log', () => {
  const { t, p } = log(60, 30, three, { sd: 1.5 });
  expect(findEdges(t, p)).toHaveLength(6);
  expect(pressTest(t, p)).toMatchObject({ kind: 'holds', cycles: { length: 3 } });
  expect(pressTest(...args(log(0, 30, three, { sd: 1.5 }))).cycles).toEqual([]);
});

it('scatter is that of the readings, with or without bumps (simulated, fixed seed)', () => {
  const { p } = log(80, 30, three, { sd: 2 });
  expect(noisePa(p)).toBeGreaterThan(1.5);
  expect(noisePa(p)).toBeLessThan(2.5);
});

it('quiet logs are called a bump in at most one of forty (simulated, fixed seed)', () => {
  let wrong = 0;
  for (let i = 0; i < 40; i++) {
    const { t, p } = log(0, 20, [[8, 13]], { sd: 2, drift: 0.3 });
    if (pressTest(t, p, [[8, 13]]).kind !== 'noBump') wrong++;
  }
  expect(wrong).toBeLessThanOrEqual(1);
});

it('names a log that is too short', () => {
  expect(() => pressTest([0, 1], [1, 1])).toThrow(/readings: 2 does not work; it takes at least 30/);
});

it('a hand takes a second: 6.5 s stays 6.5 s and decays, and 38 s at one reading a second are enough (simulated truth)', () => {
  const tau = 6.5;
  const ramp = 1;
  // the step's answer averaged over the ramp, in small steps: not the closed form that the fit uses
  const answer = (v: number, t0: number) => {
    let s = 0;
    const n = 200;
    for (let k = 0; k < n; k++) {
      const at = t0 - ramp / 2 + ((k + 0.5) / n) * ramp;
      if (v >= at) s += Math.exp(-(v - at) / tau) / n;
    }
    return s;
  };
  const make = (dt: number, end: number, cycles: [number, number][]) => {
    const t = Array.from({ length: Math.round(end / dt) }, (_, i) => i * dt);
    return {
      t,
      p: t.map(
        (v) => 100_800 + cycles.reduce((m, [a, b]) => m + 60 * (answer(v, a) - answer(v, b)), 0) + 0.5 * gauss(),
      ),
    };
  };
  const fine = make(0.2, 50, three);
  const r = pressTest(fine.t, fine.p, three);
  expect(r.kind).toBe('decays');
  expect(Math.abs(r.tauS! / tau - 1)).toBeLessThan(0.15);
  const slow = make(1, 38, [
    [8, 14],
    [24, 30],
  ]);
  expect(
    pressTest(slow.t, slow.p, [
      [8, 14],
      [24, 30],
    ]).kind,
  ).not.toBe('noBump');
});

it('a hand that comes a second and a half after the prompt on a sealed shell is not "not seen"', () => {
  const { t, p } = log(
    50,
    300,
    [
      [9.5, 14.5],
      [23.5, 28.5],
    ],
    { sd: 1 },
  );
  expect(
    pressTest(t, p, [
      [8, 13],
      [22, 27],
    ]).kind,
  ).toBe('holds');
});

function args(l: { t: number[]; p: number[] }): [number[], number[]] {
  return [l.t, l.p];
}

it('scatter by the median of the differences, worked by hand for an even and an odd number of them', () => {
  // 0 1 3 6 10: differences 1 2 3 4, their median 2.5, away from it 1.5 0.5 0.5 1.5, median 1
  expect(noisePa([0, 1, 3, 6, 10])).toBeCloseTo(1.4826 / Math.SQRT2, 9);
  // 0 1 3 7: differences 1 2 4, median 2, away from it 1 0 2, median 1
  expect(noisePa([0, 1, 3, 7])).toBeCloseTo(1.4826 / Math.SQRT2, 9);
});
