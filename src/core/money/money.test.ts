import fc from 'fast-check';

import { breakEven, learned, optionCost, probCheaper, type Risk } from './choices';
import { quote, type QuoteInput } from './quote';

/** mulberry32, seeded. */
function random(seed: number): () => number {
  let a = seed;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const q0: QuoteInput = {
  parts: [
    { name: 'glass', unit: 3450, qty: 1 },
    { name: 'mesh', unit: 220, qty: 2 },
  ],
  consumables: [
    { name: 'tape', unit: 1.4, qty: 431, waste: 0.1 },
    { name: 'bead', unit: 95, qty: 0.19, waste: 0.2 },
  ],
  minutes: 56,
  ratePerHour: 3000,
  reserves: [
    { name: 'break', p: 0.08, cost: 4200 },
    { name: 'warranty', p: 0.05, cost: 2600 },
  ],
  overhead: 350,
  margin: 0.18,
  tax: 0.19,
  step: 100,
  off: 10,
};

describe('quote', () => {
  it('agrees line by line with the reference (exact fractions)', () => {
    const q = quote(q0);
    expect(q.cost).toBeCloseTo(8191.4, 9);
    expect(q.lines.map((l) => l.amount)).toEqual([3450, 440, 663.74, 21.66, 2800, 336, 130, 350]);
    expect(q.grossExact).toBeCloseTo(11887.519512195121, 9);
    expect([q.gross, q.tax, q.net]).toEqual([11890, 1898, 9992]);
    expect(q.margin).toBeCloseTo((9992 - 8191.4) / 9992, 12);
  });

  it('by hand: 1000 at 25 % tax rounded up to 100 is 1300, of which 260 tax', () => {
    const q = quote({
      ...q0,
      parts: [{ name: 'glass', unit: 1000, qty: 1 }],
      consumables: [],
      minutes: 0,
      reserves: [],
      overhead: 0,
      margin: 0,
      tax: 0.25,
      off: 0,
    });
    expect([q.gross, q.tax, q.net]).toEqual([1300, 260, 1040]);
  });

  it('is never under what it has to be, never a whole step over it, and its parts add up', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 30000 }),
        fc.integer({ min: 0, max: 300 }),
        fc.integer({ min: 0, max: 60 }),
        fc.constantFrom(0, 0.07, 0.19, 0.25),
        fc.constantFrom(1, 50, 100, 500),
        (unit, minutes, margin, tax, step) => {
          const q = quote({
            ...q0,
            parts: [{ name: 'x', unit, qty: 1 }],
            minutes,
            margin: margin / 100,
            tax,
            step,
            off: 0,
          });
          expect(q.gross).toBeGreaterThanOrEqual(q.grossExact - 1e-6);
          expect(q.gross - q.grossExact).toBeLessThan(step + 1e-6);
          expect(q.net + q.tax).toBe(q.gross);
          expect(q.gross % step).toBe(0);
          expect(Math.abs(q.tax - (q.gross * tax) / (1 + tax))).toBeLessThanOrEqual(0.5 + 1e-9);
        },
      ),
    );
  });

  it('refuses a margin of one and a step of nothing', () => {
    expect(() => quote({ ...q0, margin: 1 })).toThrow(/margin: 1 does not work; it takes 0 to under 1/);
    expect(() => quote({ ...q0, step: 0 })).toThrow(/rounding step/);
  });
});

describe('choices under what is not known', () => {
  const risk: Risk = { id: 'break', a: 2, b: 18, cost: 6000 };

  it('the worked example: break-even 0.15, cheaper with 0.80, worth of knowing 64.3', () => {
    const e = breakEven(3900, risk, 4800);
    expect(e.pStar).toBeCloseTo(0.15, 12);
    expect(optionCost(3900, [risk]).mean).toBeCloseTo(4500, 9);
    expect(e.probA).toBeCloseTo(0.8015, 4);
    expect(e.evpi).toBeCloseTo(64.3, 1);
  });

  it('uniform prior: worth of knowing in closed form, p* - p*²/2 (Raiffa & Schlaifer 1961)', () => {
    for (const p of [0.2, 0.4, 0.7])
      expect(breakEven(0, { id: 'x', a: 1, b: 1, cost: 1 }, p).evpi).toBeCloseTo(
        Math.min(0.5, p) - (p - (p * p) / 2),
        9,
      );
    expect(breakEven(5, risk, 4)).toMatchObject({ probA: 0, evpi: 0 });
    expect(breakEven(0, { ...risk, cost: 1 }, 4)).toMatchObject({ probA: 1, evpi: 0 });
  });

  it('mean and spread of one job equal a simulation of 100 000', () => {
    const risks: Risk[] = [
      { id: 'a', a: 3, b: 20, cost: 4000 },
      { id: 'b', a: 1, b: 30, cost: 9000 },
    ];
    const r = random(7);
    let sum = 0;
    let sq = 0;
    const n = 100_000;
    // a Beta-Bernoulli draw is a Bernoulli draw with the mean chance
    for (let i = 0; i < n; i++) {
      const x = 1000 + risks.reduce((m, k) => m + (r() < k.a / (k.a + k.b) ? k.cost : 0), 0);
      sum += x;
      sq += x * x;
    }
    const mean = sum / n;
    const c = optionCost(1000, risks);
    expect(Math.abs(c.mean - mean)).toBeLessThan(25);
    expect(Math.abs(c.sd / Math.sqrt(sq / n - mean * mean) - 1)).toBeLessThan(0.02);
    expect(c.low).toBeLessThan(c.mean);
    expect(c.high).toBeGreaterThan(c.mean);
  });

  it('rule of succession (Laplace): three of eight with a uniform prior is 0.4', () => {
    const r = learned('x', 0.5, 2, 3, 8, 1);
    expect(r.a / (r.a + r.b)).toBeCloseTo(0.4, 12);
    expect(() => learned('x', 0.5, 2, 9, 8, 1)).toThrow(/happened/);
  });

  it('the chance of being cheaper agrees with the exact one when the other has no risk, and is turned over when asked the other way', () => {
    const a = { base: 3900, risks: [risk] };
    expect(probCheaper(a, { base: 4800, risks: [] })).toBeCloseTo(breakEven(3900, risk, 4800).probA, 1);
    const b = { base: 4000, risks: [{ id: 'other', a: 3, b: 30, cost: 5000 }] };
    expect(probCheaper(a, b) + probCheaper(b, a)).toBeCloseTo(1, 9);
    expect(probCheaper(a, { base: 4000, risks: [risk] })).toBe(1);
    expect(probCheaper({ base: 1, risks: [] }, { base: 1, risks: [] })).toBe(0.5);
  });
});
