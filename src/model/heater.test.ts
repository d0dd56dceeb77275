import { defaultGun, defaultPlate } from '../core/heat/heater';
import { demoSettings } from '../demo/shop';
import { heaterSchema } from './heater';
import { defaultHeaters, heaterOf, heatersOf, settingsSchema } from './settings';
import { defaultSettings } from './defaultSettings';

it('settings of an earlier version of the app get their heaters and the plate its kind', () => {
  const old = JSON.parse(JSON.stringify(defaultSettings)) as Record<string, unknown>;
  delete old.heaters;
  const plate = old.plate as Record<string, unknown>;
  delete plate.kind;
  delete plate.minSetC;
  delete plate.autoOffS;
  const read = settingsSchema.parse(old);
  expect(read.plate).toMatchObject({ kind: 'plate', minSetC: 50, autoOffS: null });
  expect(read.heaters.map((h) => h.id)).toEqual(['mat', 'gun', 'nozzle', 'dryer']);
});

it('heaters come back as they were, calibration included', () => {
  const calibration = {
    at: 1_776_000_000_000,
    device: 'Ring-bond 6.1',
    setC: 110,
    count: 121,
    durationS: 480,
    residualSdK: 0.4,
    covariance: [1, 2, 3, 4, 5, 6, 7, 8, 9],
  };
  const s = { ...demoSettings, plate: { ...defaultPlate, calibration }, heaters: [defaultGun] };
  expect(settingsSchema.parse(JSON.parse(JSON.stringify(s)))).toEqual(s);
});

it.each([
  ['a nozzle of 200 mm', { ...defaultGun, nozzleMm: 200 }, /nozzleMm|kind/],
  ['a plate that goes to 900', { ...defaultPlate, maxSetC: 900 }, /maxSetC/],
  ['a covariance that is too short', { ...defaultPlate, calibration: { covariance: [1] } }, /calibration/],
  ['no name', { ...defaultPlate, name: '' }, /name/],
])('refuses %s', (_, heater, field) => {
  const read = heaterSchema.safeParse(heater);
  expect(read.success).toBe(false);
  expect(JSON.stringify(read.error)).toMatch(field);
});

it('a heater that was taken off the bench falls back to the plate, so that old jobs still open', () => {
  const s = { ...demoSettings, heaters: defaultHeaters };
  expect(heaterOf(s, 'gun').name).toBe('Hot-air gun');
  expect(heaterOf(s, 'gone')).toBe(s.plate);
  expect(heaterOf(s, undefined)).toBe(s.plate);
  expect(heatersOf(s)[0]).toBe(s.plate);
});
