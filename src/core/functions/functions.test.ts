import { shippedDevices } from '../../model/shippedDevices';
import { claimCheck } from '../seal/claimCheck';
import { compareFunctions, orderTests, ringRouteSteps } from './riskOrder';
import { causes, functionTests, stepCauses } from './tables';

it('order by risk per minute equals the worked example for plate, blade and coil', () => {
  const all = functionTests.map((t) => t.id);
  const first = orderTests(['heatPlate', 'bladePass', 'coilRemove'], all).slice(0, 5);
  expect(first.map((t) => t.test.id)).toEqual(['flash', 'nfc', 'micRear', 'chargeQ', 'buttons']);
  expect(first[0]!.risk).toBeCloseTo(0.022904, 6);
  expect(first[3]!.perMinute).toBeCloseTo(0.027409, 6);
});

it('tables are whole: 27 functions, causes and steps refer only to what exists', () => {
  const ids = new Set(functionTests.map((t) => t.id));
  expect(ids.size).toBe(27);
  const known = new Set(causes.map((c) => c.id));
  for (const c of causes) for (const f of Object.keys(c.fails)) expect(ids.has(f)).toBe(true);
  for (const s of Object.values(stepCauses)) for (const c of Object.keys(s)) expect(known.has(c)).toBe(true);
  for (const d of shippedDevices) for (const f of d.functions) expect(ids.has(f)).toBe(true);
});

it('tests before closing come before those after it, and only what the device has', () => {
  const order = orderTests(ringRouteSteps, ['gps', 'flash', 'cell']);
  expect(order.map((t) => t.test.stage)).toEqual(['open', 'closed', 'closed']);
  expect(() => orderTests(['nonsense'], ['flash'])).toThrow(/step: nonsense/);
});

it('keeps faults from before apart from new ones, and ranks causes of a new one', () => {
  const d = compareFunctions(
    { flash: 'ok', nfc: 'fail', speaker: 'untested', touch: 'fail' },
    { flash: 'fail', nfc: 'fail', speaker: 'ok', touch: 'ok' },
    ringRouteSteps,
  );
  const of = (fn: string) => d.find((c) => c.fn === fn)!;
  expect(of('flash').change).toBe('newFault');
  expect(of('flash').causes[0]!.id).toBe('rearFlex');
  expect(of('nfc').change).toBe('oldFault');
  expect(of('nfc').causes).toEqual([]);
  expect(of('speaker').change).toBe('notCompared');
  expect(of('touch').change).toBe('mended');
});

it('a fault that was not tested before counts as new: nobody can say it was there', () => {
  expect(compareFunctions({}, { flash: 'fail' }, ringRouteSteps)[0]!.change).toBe('newFault');
});

describe('wording rules', () => {
  it('catches promises of water resistance', () => {
    expect(claimCheck('The ring holds, so the phone is water-resistant again.')).toEqual({ ok: false, rules: ['W1'] });
    expect(claimCheck('Rated IP67 after this.').rules).toEqual(['W3']);
    expect(claimCheck('Not only sealed but waterproof.').ok).toBe(false);
    expect(claimCheck('Leak-free and hermetic.').rules).toEqual(['W4']);
  });

  it('lets denials pass', () => {
    expect(claimCheck('No water resistance is promised. Keep the device away from water.').ok).toBe(true);
    expect(claimCheck('It is not waterproof.').ok).toBe(true);
  });
});
