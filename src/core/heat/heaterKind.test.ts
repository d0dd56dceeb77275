import { defaultGun, defaultPlate } from './heater';
import { kindOfHeater } from './heaterKind';

it('wide air that never gets hot is a dryer; narrow, or hotter, it is a gun; a plate is what it is', () => {
  const air = (maxSetC: number, nozzleMm: number) => kindOfHeater({ ...defaultGun, maxSetC, nozzleMm });
  expect(air(140, 32)).toBe('dryer');
  expect(air(179, 30)).toBe('dryer');
  expect(air(180, 32)).toBe('gun');
  expect(air(140, 29)).toBe('gun');
  expect(kindOfHeater(defaultPlate)).toBe('plate');
});
