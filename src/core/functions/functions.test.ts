import fc from 'fast-check';

import { shippedDevices } from '../../model/shippedDevices';
import { claimCheck } from '../../../test-support/claimCheck';
import { diagnose } from './diagnose';
import { learnTables } from './learn';
import { readResultCode, writeResultCode } from './resultCode';
import { compareFunctions, orderTests, releaseOf, ringRouteSteps } from './riskOrder';
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

it('keeps faults from before apart from new ones and from those nobody can attribute', () => {
  const d = compareFunctions(
    { flash: 'ok', nfc: 'fail', speaker: 'untested', touch: 'fail', baro: 'absent', gps: 'ok' },
    { flash: 'fail', nfc: 'fail', speaker: 'ok', touch: 'ok', vibra: 'fail', baro: 'fail', gps: 'untested' },
  );
  expect(Object.fromEntries(d.map((c) => [c.fn, c.change]))).toEqual({
    flash: 'newFault',
    nfc: 'oldFault',
    speaker: 'same',
    touch: 'mended',
    vibra: 'notAttributable',
    gps: 'notRetested',
  });
});

it('nobody releases alone: the order of what stands in the way', () => {
  const changes = compareFunctions({ flash: 'ok' }, { flash: 'fail', gps: 'untested', vibra: 'fail' });
  expect(releaseOf(changes, { repairer: 'A', checker: null, customerTold: false }).open).toEqual([
    'twoNames',
    'notRetested',
    'newFaults',
    'tellCustomer',
  ]);
  expect(releaseOf([], { repairer: 'A', checker: 'A', customerTold: false }).open).toEqual(['otherPerson']);
  expect(releaseOf([], { repairer: 'A', checker: 'B', customerTold: false }).open).toEqual([]);
});

describe('diagnosis: exact Bayes over none, singles and pairs', () => {
  // worked examples of the reference, computed there by another implementation
  it.each([
    [
      ['heatPlate', 'bladePass', 'coilRemove'],
      { chargeQ: 'fail', nfc: 'fail', flash: 'ok' },
      0.0017675,
      { coilFlex: 0.78291, coilCut: 0.22618, antenna: 0.013044 },
      { cell: 0.043519, wifiBt: 0.043146, gps: 0.034145 },
    ],
    [
      ['housingSwap'],
      { flash: 'fail', micRear: 'fail', camMain: 'ok' },
      0.00056512,
      { rearFlex: 0.99764, sideFlex: 0.028748 },
      { chargeW: 0.14425, chargeQ: 0.13085, speaker: 0.11666 },
    ],
    [
      ['hotAir', 'solventWick', 'adhesiveBead'],
      { micRear: 'fail', flash: 'ok' },
      0.29717,
      { micGlue: 0.68664, camSolvent: 0.022009 },
      { baro: 0.22869, camMain: 0.1071, micMain: 0.096151 },
    ],
  ] as const)('%j with %j', (steps, observed, none, shares, bits) => {
    const d = diagnose(steps, observed);
    expect(d.none).toBeCloseTo(none, 5);
    for (const [id, p] of Object.entries(shares)) expect(d.causes.find((c) => c.cause.id === id)!.p).toBeCloseTo(p, 4);
    expect(d.nextTests.slice(0, 3).map((t) => t.test.id)).toEqual(Object.keys(bits));
    for (const [id, b] of Object.entries(bits))
      expect(d.nextTests.find((t) => t.test.id === id)!.bits).toBeCloseTo(b, 5);
    expect(d.top!.id).toBe(Object.keys(shares)[0]);
  });

  it('a cause that was looked at and is not it leaves its place to the next', () => {
    const seen = { chargeQ: 'fail', nfc: 'fail', flash: 'ok' } as const;
    const d = diagnose(['bladePass', 'coilRemove'], seen, undefined, ['coilFlex']);
    expect(d.top!.id).toBe('coilCut');
    expect(d.causes.some((c) => c.cause.id === 'coilFlex')).toBe(false);
  });

  it('nothing failed: no cause is likelier than none', () => {
    expect(diagnose(['bladePass'], { flash: 'ok' }).top).toBeNull();
  });
});

describe('learning from the shop', () => {
  const found = (causeId: string, observed: Record<string, 'ok' | 'fail'>, steps = ['bladePass']) => ({
    causeId,
    observed,
    steps,
  });

  it('a chance of the table counts as ten cases (Beta-binomial)', () => {
    const own = Array.from({ length: 30 }, () => found('coilCut', { nfc: 'fail', chargeQ: 'ok' }));
    const t = learnTables(own, []);
    const c = t.causes.find((x) => x.id === 'coilCut')!;
    expect(c.fails.nfc).toBeCloseTo((10 * 0.45 + 30) / 40, 12);
    expect(c.fails.chargeQ).toBeCloseTo((10 * 0.98) / 40, 12);
    expect(t.causes.find((x) => x.id === 'coilFlex')).toBe(causes.find((x) => x.id === 'coilFlex'));
  });

  it('a step that did no harm in many jobs becomes less likely, and the ranks follow', () => {
    const jobs = Array.from({ length: 900 }, () => ['bladePass', 'coilRemove']);
    const cuts = Array.from({ length: 30 }, () => found('coilCut', { chargeQ: 'fail' }, ['bladePass', 'coilRemove']));
    const t = learnTables(cuts, jobs);
    expect(t.steps.bladePass!.coilCut).toBeCloseTo((100 * 0.012 + 30) / 1000, 12);
    expect(t.steps.coilRemove!.coilFlex).toBeCloseTo((100 * 0.03) / 1000, 12);
    expect(diagnose(['bladePass', 'coilRemove'], { chargeQ: 'fail' }).top!.id).toBe('coilFlex');
    expect(diagnose(['bladePass', 'coilRemove'], { chargeQ: 'fail' }, t).top!.id).toBe('coilCut');
  });

  it('with nothing found the tables are those that shipped', () => {
    expect(learnTables([], [])).toEqual({ causes, steps: stepCauses });
  });
});

describe('result code', () => {
  const results = { touch: 'ok', flash: 'fail', baro: 'absent', vibra: 'ok', power: 'fail' } as const;

  it('comes back as it went out, with blanks, small letters and a letter for a digit', () => {
    const code = writeResultCode('AC7K', results);
    expect(code).toMatch(/^([0-9A-HJKMNP-TV-Z]{4}-){3}[0-9A-HJKMNP-TV-Z]{4}$/);
    const back = readResultCode(` ${code.toLowerCase().replace(/0/g, 'o').replace(/-/g, ' ')} `, 'AC7K');
    for (const t of functionTests) expect(back[t.id]).toBe(results[t.id as 'touch'] ?? 'untested');
  });

  it('any results: read back (property)', () => {
    const result = fc.constantFrom('ok', 'fail', 'untested', 'absent');
    const all = fc.array(result, { minLength: 27, maxLength: 27 });
    fc.assert(
      fc.property(all, fc.string({ minLength: 4, maxLength: 4 }), (list, tag) => {
        const r = Object.fromEntries(functionTests.map((t, i) => [t.id, list[i]!])) as Record<string, 'ok'>;
        expect(readResultCode(writeResultCode(tag, r), tag)).toEqual(r);
      }),
    );
  });

  it('every single wrong sign is caught; so is another job, a short code and a sign that is none', () => {
    const code = writeResultCode('AC7K', results).replace(/-/g, '');
    for (let i = 0; i < code.length; i++) {
      const other = code[i] === '7' ? '8' : '7';
      expect(() => readResultCode(code.slice(0, i) + other + code.slice(i + 1), 'AC7K')).toThrow(/code/);
    }
    expect(() => readResultCode(code, 'ZZ99')).toThrow(/code: of another job/);
    expect(() => readResultCode('12', 'AC7K')).toThrow(/code: 2 signs/);
    expect(() => readResultCode(code.slice(0, 15) + 'U', 'AC7K')).toThrow(/code, sign 16: U/);
  });
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
