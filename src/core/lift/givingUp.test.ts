import { givingUpFigures, heatsBuyLittle, progressOf, workedS } from './givingUp';

const min = 60;

describe('giving up a way', () => {
  it('nothing for twenty minutes: the way is wrong, whatever came before (common practice)', () => {
    const gains = [{ atS: 2 * min, mm: 200 }];
    expect(progressOf(gains, 21 * min, 35)).toMatchObject({ quietS: 19 * min, little: false });
    expect(progressOf(gains, 22 * min, 35)).toMatchObject({ quietS: 20 * min, little: true });
    expect(progressOf([], 20 * min, 35).little).toBe(true);
    expect(progressOf([], 19.9 * min, 35).little).toBe(false);
  });

  it('a crawl counts too, but not just after something gave', () => {
    // 5 mm in twenty minutes where 35 mm/min are usual
    const crawl = [{ atS: 15 * min, mm: 5 }];
    const at = progressOf(crawl, 25 * min, 35);
    expect(at.mmPerMin).toBeCloseTo(5 / 20, 9);
    expect(at.little).toBe(true);
    expect(progressOf(crawl, 24 * min, 35).little).toBe(false);
    // at a fifth of the usual pace it goes on
    expect(progressOf([{ atS: 15 * min, mm: 140.1 }], 25 * min, 35).little).toBe(false);
  });

  it('three heats in a row that bought next to nothing say so long before twenty minutes', () => {
    expect(heatsBuyLittle([5, 4])).toBe(false);
    expect(heatsBuyLittle([5, 4, 6])).toBe(true);
    expect(heatsBuyLittle([5, 4, 20])).toBe(false);
    expect(heatsBuyLittle([120, 0, 19.9, 3])).toBe(true);
    expect(heatsBuyLittle([0, 0, 90])).toBe(false);
  });

  it('time away is no work: each pause counts for at most five minutes', () => {
    const h = 3600e3;
    expect(workedS([0, 60e3, 60e3 + 9 * h])).toEqual([0, 60, 60 + givingUpFigures.restS.value]);
    expect(workedS([])).toEqual([]);
  });

  it('a pace of nothing is refused by name', () => {
    expect(() => progressOf([], 10, 0)).toThrow(/usual pace/);
  });
});
