import { bernoulliCusum, bernoulliCusumRun, mcnemar, pChart, wilson } from './rates';

// Newcombe 1998, table of intervals, to four decimals (published)
it.each([
  [81, 263, 0.2553, 0.3662],
  [15, 148, 0.0624, 0.1605],
  [0, 20, 0, 0.1611],
  [1, 29, 0.0061, 0.1718],
])('Wilson %d of %d', (k, n, low, high) => {
  const w = wilson(k, n);
  expect(Math.abs(w.low - low)).toBeLessThan(6e-5);
  expect(Math.abs(w.high - high)).toBeLessThan(6e-5);
});

it('McNemar: 150 and 86 give 17.36 (Agresti); 7 and 1 exact 0.0703, mid-p 0.0391 (Fagerland 2013)', () => {
  expect(mcnemar(150, 86).chi2).toBeCloseTo(17.36, 2);
  expect(mcnemar(7, 1).pExact).toBeCloseTo(0.0703, 4);
  expect(mcnemar(7, 1).pMid).toBeCloseTo(0.0391, 4);
  expect(mcnemar(0, 0).pExact).toBe(1);
});

it('chart of shares: 347 of 30 × 50 has its limits at 0.0524 and 0.4102 (Montgomery)', () => {
  const c = pChart([347], [1500]);
  const { limits } = pChart(Array<number>(30).fill(347 / 30), Array<number>(30).fill(50));
  expect(c.mean).toBeCloseTo(347 / 1500, 9);
  expect(limits[0]!.low).toBeCloseTo(0.0524, 4);
  expect(limits[0]!.high).toBeCloseTo(0.4102, 4);
});

it('watch job by job: a limit of one come-back has a run of 1/p; worked runs 783 good and 75 bad', () => {
  expect(bernoulliCusumRun(0.02, 0.06, 0.04, 0.02)).toBeCloseTo(50, 6);
  expect(Math.abs(bernoulliCusumRun(0.02, 0.06, 2.5, 0.02) / 783 - 1)).toBeLessThan(0.01);
  expect(Math.abs(bernoulliCusumRun(0.02, 0.06, 2.5, 0.06) / 75 - 1)).toBeLessThan(0.02);
});

it('the run is that of the simulated watch on its lattice (fixed seed)', () => {
  let seed = 9;
  const u = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
  const good = Math.abs(Math.log((1 - 0.06) / (1 - 0.02)));
  const up = Math.round(Math.log(3) / good);
  const top = Math.ceil(2.5 / good);
  let jobs = 0;
  for (let i = 0; i < 1500; i++) for (let s = 0; s < top; jobs++) s = u() < 0.06 ? s + up : Math.max(0, s - 1);
  expect(Math.abs(jobs / 1500 / bernoulliCusumRun(0.02, 0.06, 2.5, 0.06) - 1)).toBeLessThan(0.08);
});

it('signals where come-backs crowd, starts again there, and stays quiet when they are rare', () => {
  const rare = Array.from({ length: 300 }, (_, i) => i % 60 === 0);
  expect(bernoulliCusum(rare, 0.02, 0.06, 2.5).signals).toEqual([]);
  const crowd = [...rare, true, true, true, true, ...rare];
  const c = bernoulliCusum(crowd, 0.02, 0.06, 2.5);
  expect(c.signals[0]).toBeGreaterThanOrEqual(300);
  expect(c.path[c.signals[0]! + 1]).toBeLessThan(2.5);
});

it('names impossible counts', () => {
  expect(() => wilson(5, 0)).toThrow(/cases: 0/);
  expect(() => wilson(7, 3)).toThrow(/hits: 7/);
  expect(() => mcnemar(1.5, 2)).toThrow(/changes/);
  expect(() => bernoulliCusum([true], 0.1, 0.05, 2)).toThrow(/share that is too high/);
});

it('paired changes by the thousand still have a p (asymptotic normal, textbook)', () => {
  for (const n of [1900, 5000, 200_000]) {
    const b = Math.round(n / 2 + Math.sqrt(n));
    const r = mcnemar(b, n - b);
    // z = 2 standard deviations of a fair coin: two-sided 0.0455
    expect(Math.abs(r.pMid - 0.0455)).toBeLessThan(0.004);
    expect(r.pExact).toBeGreaterThan(r.pMid);
  }
});
