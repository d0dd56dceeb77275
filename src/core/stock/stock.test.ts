import fc from 'fast-check';

import { firstOut, goodUntil, type Lot } from './firstOut';
import { bulkOrder, leadSd, orderFigures, learnRate, partOrder, partStock } from './reorder';

const day = 86400e3;
const lot = (over: Partial<Lot>): Lot => ({
  id: 'a',
  qty: 1,
  expiresAt: null,
  openedAt: null,
  openLifeDays: null,
  ...over,
});

describe('what to order', () => {
  it('scatter while a delivery is on its way adds in squares', () => {
    expect(leadSd(4, 10, 3, 0)).toBeCloseTo(6, 12);
    expect(leadSd(4, 10, 0, 2)).toBeCloseTo(20, 12);
    expect(leadSd(4, 10, 3, 2)).toBeCloseTo(Math.hypot(6, 20), 12);
  });

  it('a rate that is well known gives the Poisson number (tables: mean 2 is met by 5 in 98.3 %, by 4 in 94.7 %), one that is not asks for more', () => {
    const known = { a: 2e5, b: 1e6 };
    expect(partStock(known, 10, 0.95)).toBe(5);
    expect(partStock(known, 10, 0.946)).toBe(4);
    expect(partStock({ a: 2, b: 10 }, 10, 0.95)).toBeGreaterThan(5);
  });

  it('negative binomial by another way: a mixture of Poissons over the Gamma, summed', () => {
    const rate = learnRate(6, 60);
    const days = 14;
    const cdf = (s: number) => {
      // Gamma(a, b) integrated with the trapezium rule
      const n = 20000;
      const top = 2;
      let sum = 0;
      let norm = 0;
      for (let i = 1; i < n; i++) {
        const l = (top * i) / n;
        const w = l ** (rate.a - 1) * Math.exp(-rate.b * l);
        let p = Math.exp(-l * days);
        let c = p;
        for (let k = 1; k <= s; k++) {
          p *= (l * days) / k;
          c += p;
        }
        sum += w * c;
        norm += w;
      }
      return sum / norm;
    };
    const s = partStock(rate, days, 0.95);
    expect(cdf(s)).toBeGreaterThanOrEqual(0.95);
    expect(cdf(s - 1)).toBeLessThan(0.95);
  });

  it('parts: enough is left alone, at the point it is ordered, and never more than is used before it goes off', () => {
    const rate = learnRate(12, 60);
    const lead = { days: 3, sdDays: 1 };
    const idle = partOrder(rate, lead, 9, null);
    expect(idle.now).toBe(false);
    expect(idle.qty).toBe(0);
    const low = partOrder(rate, lead, idle.point, null);
    expect(low.now).toBe(true);
    expect(low.qty).toBeGreaterThan(0);
    const soon = partOrder(rate, lead, 0, 5);
    expect(soon.qty).toBeLessThan(partOrder(rate, lead, 0, null).qty);
    expect(soon.cappedByLife).toBe(true);
  });

  it('bulk: the point is use on the way plus z times its scatter', () => {
    const a = bulkOrder(700, 300, { days: 4, sdDays: 1 }, 5000, 25000, null);
    expect(a.point).toBeCloseTo(2800 + 1.6449 * Math.hypot(600, 700), 0);
    expect(a.now).toBe(false);
    expect(bulkOrder(700, 300, { days: 4, sdDays: 1 }, 2000, 25000, null)).toMatchObject({ now: true, qty: 1 });
  });
});

describe('what goes out first', () => {
  it('worked example: the open lot is good until day 195, so 20 of it and 5 of the other', () => {
    const lots = [
      lot({ id: 'A7', qty: 20, expiresAt: 210 * day, openedAt: 150 * day, openLifeDays: 45 }),
      lot({ id: 'A9', qty: 50, expiresAt: 300 * day }),
    ];
    expect(goodUntil(lots[0]!)).toBe(195 * day);
    expect(firstOut(lots, 25, 180 * day)).toEqual({
      takes: [
        { id: 'A7', qty: 20 },
        { id: 'A9', qty: 5 },
      ],
      short: 0,
      off: [],
    });
    // once it is over its date it is left and named
    expect(firstOut(lots, 25, 200 * day)).toEqual({ takes: [{ id: 'A9', qty: 25 }], short: 0, off: ['A7'] });
  });

  it('never takes more than there is, never anything over its date, and says what is missing', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ qty: fc.integer({ min: 0, max: 9 }), end: fc.integer({ min: 0, max: 20 }) }), {
          maxLength: 6,
        }),
        fc.integer({ min: 0, max: 30 }),
        (list, need) => {
          const lots = list.map((l, i) => lot({ id: `l${i}`, qty: l.qty, expiresAt: l.end * day }));
          const r = firstOut(lots, need, 10 * day);
          const took = r.takes.reduce((s, t) => s + t.qty, 0);
          expect(took + r.short).toBe(need);
          const ends = r.takes.map((t) => goodUntil(lots.find((l) => l.id === t.id)!));
          expect(ends.every((e) => e >= 10 * day)).toBe(true);
          expect(ends).toEqual([...ends].sort((a, b) => a - b));
        },
      ),
    );
  });
});

it('steady use without scatter is ordered up to what the review and the delivery take (periodic review, textbook)', () => {
  const steady = (have: number, pack = 1) => bulkOrder(2, 0, { days: 3, sdDays: 0 }, have, pack, null);
  expect(steady(6)).toMatchObject({ point: 6, safety: 0, now: true });
  expect(steady(6.1)).toMatchObject({ qty: 0, now: false });
  // what is used until the next review, and what the delivery takes, less what is there
  expect(steady(6).qty).toBe(2 * orderFigures.reviewDays.value);
  expect(steady(0).qty).toBe(2 * (orderFigures.reviewDays.value + 3));
  // one that is there already is one less to order
  expect(steady(2).qty - steady(6).qty).toBe(4);
  expect(steady(0, 5).qty).toBe(Math.ceil(steady(0).qty / 5));
});
