import fc from 'fast-check';

import { beginDemoDay, demoDayChanged, demoDayOver, demoOffsetMs, endDemoDay, offsetFor } from './demoDay';

const hour = 3_600_000;
const kept = new Map<string, string>();
beforeAll(() => {
  Object.defineProperty(globalThis, 'localStorage', {
    configurable: true,
    value: {
      getItem: (k: string) => kept.get(k) ?? null,
      setItem: (k: string, v: string) => void kept.set(k, v),
      removeItem: (k: string) => void kept.delete(k),
    },
  });
});

it('whenever it begins, the demo stands in a working morning of the same day', () =>
  fc.assert(
    fc.property(fc.date({ min: new Date(2026, 0, 1), max: new Date(2028, 0, 1), noInvalidDate: true }), (d) => {
      const at = new Date(d.getTime() + offsetFor(d.getTime()));
      const min = at.getHours() * 60 + at.getMinutes();
      expect(min).toBeGreaterThanOrEqual(10 * 60 + 30);
      expect(min).toBeLessThanOrEqual(13 * 60 + 15);
      expect(at.toDateString()).toBe(d.toDateString());
    }),
  ));

it('within those hours it goes by the real clock', () => {
  expect(offsetFor(new Date(2026, 3, 14, 13, 2).getTime())).toBe(0);
  expect(offsetFor(new Date(2026, 3, 14, 22, 0).getTime())).toBeLessThan(-10 * hour);
});

it('begins, is over after its boats have left, and ends', () => {
  expect(demoOffsetMs()).toBeNull();
  const t0 = new Date(2026, 3, 14, 22, 0).getTime();
  beginDemoDay(t0);
  expect(demoOffsetMs()).toBe(offsetFor(t0));
  expect(demoDayOver(t0 + 4 * hour)).toBe(false);
  expect(demoDayOver(t0 + 6 * hour)).toBe(true);
  expect(demoDayChanged()).toBe(false);
  localStorage.removeItem('northcove.demoDay');
  expect(demoDayChanged()).toBe(true);
  endDemoDay();
  expect(demoOffsetMs()).toBeNull();
  expect(demoDayOver(t0)).toBe(false);
});
