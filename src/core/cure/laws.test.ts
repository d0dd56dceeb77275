import fc from 'fast-check';

import { beadTimeS, tapeClocks } from '../../../test-support/cureForms';
import {
  cureClocks,
  depthSquaredPerDay,
  edgeFactorFrom,
  lawEdges,
  needOf,
  progressAt,
  shareDone,
  steady,
  timeWhen,
  waterKPa,
  type CureKind,
} from './laws';

const h = 3600;
const kinds: CureKind[] = ['tape', 'solvent', 'moisture'];

it('in steady air the clocks are those of the laws themselves', () => {
  const tape = cureClocks('tape', 2, steady(18));
  const own = tapeClocks(18);
  for (const m of ['clampOff', 'sealTest', 'full'] as const)
    for (const k of ['low', 'mean', 'high'] as const) expect(tape[m][k] / own[m][k]).toBeCloseTo(1, 6);
  const bead = cureClocks('solvent', 2, steady(23));
  expect(bead.full.low / beadTimeS('full', 2, 23).low).toBeCloseTo(1, 9);
  expect(bead.full.high / bead.full.low).toBeCloseTo(4, 9);
});

it('moisture: 3 mm in 24 h at 23 °C and 50 % (data-sheet figure); 3 mm wide is through after 6 h, 71 % after 3 h', () => {
  expect(Math.sqrt(depthSquaredPerDay({ tC: 23, rh: 50 }))).toBeCloseTo(3, 9);
  expect(cureClocks('moisture', 3, steady(23)).full.low / h).toBeCloseTo(6, 9);
  expect(shareDone('moisture', progressAt('moisture', 3, steady(23), 3 * h))).toBeCloseTo(0.707107, 6);
  expect(cureClocks('moisture', 3, steady(23, 25)).full.low / h).toBeCloseTo(12, 9);
});

it('saturation pressure of water at 23 °C is 2.81 kPa (steam tables), at 100 °C near an atmosphere', () => {
  expect(waterKPa(23)).toBeCloseTo(2.81, 1);
  expect(Math.abs(waterKPa(100) - 101.3)).toBeLessThan(3.5);
});

it('a cold night counts: 12 h at 10 °C in between bring less than 12 h at 22 °C (solvent, tape and moisture)', () => {
  const night = [
    { fromS: 0, tC: 22, rh: 50 },
    { fromS: 6 * h, tC: 10, rh: 50 },
    { fromS: 18 * h, tC: 22, rh: 50 },
  ];
  for (const kind of kinds) {
    const warm = cureClocks(kind, 2, steady(22)).full.high;
    const cold = cureClocks(kind, 2, night).full.high;
    expect(cold).toBeGreaterThan(warm);
    // never later than if it had been cold all the time
    expect(cold).toBeLessThan(cureClocks(kind, 2, steady(10)).full.high);
  }
});

it('progress over steps is the sum of its parts, whatever the order of cold and warm (property)', () => {
  const span = fc.record({ s: fc.integer({ min: 60, max: 40000 }), tC: fc.integer({ min: 5, max: 40 }) });
  fc.assert(
    fc.property(fc.constantFrom(...kinds), fc.array(span, { minLength: 1, maxLength: 6 }), (kind, spans) => {
      let at = 0;
      const steps = spans.map((x) => {
        const step = { fromS: at, tC: x.tC, rh: 50 };
        at += x.s;
        return step;
      });
      const whole = progressAt(kind, 1.5, steps, at);
      const parts = spans.reduce((m, x) => m + progressAt(kind, 1.5, steady(x.tC), x.s), 0);
      const back = timeWhen(kind, 1.5, steps, whole);
      return Math.abs(whole - parts) < 1e-9 * Math.max(1, parts) && Math.abs(back - at) < 1e-3;
    }),
    { numRuns: 100 },
  );
});

it('the slab law with a changing diffusion equals finite differences with the same history (numeric)', () => {
  const steps = [
    { fromS: 0, tC: 23, rh: 50 },
    { fromS: 2 * h, tC: 12, rh: 50 },
    { fromS: 9 * h, tC: 28, rh: 50 },
  ];
  const total = progressAt('solvent', 2, steps, 14 * h);
  const n = 120;
  let c = new Float64Array(n).fill(1);
  const dx = 1 / n;
  const dt = 60;
  for (let t = 0; t < 14 * h; t += dt) {
    const d = progressAt('solvent', 2, steps, t + dt) - progressAt('solvent', 2, steps, t);
    const parts = Math.ceil(d / (0.4 * dx * dx));
    for (let k = 0; k < parts; k++) {
      const next = new Float64Array(n);
      for (let i = 0; i < n; i++) {
        const left = i ? c[i - 1]! : -c[0]!;
        const right = i + 1 < n ? c[i + 1]! : -c[n - 1]!;
        next[i] = c[i]! + (d / parts / dx ** 2) * (left - 2 * c[i]! + right);
      }
      c = next;
    }
  }
  expect(1 - shareDone('solvent', total)).toBeCloseTo(c.reduce((a, b) => a + b, 0) / n, 2);
});

it('marks come in their order for every law', () => {
  for (const kind of kinds) {
    const c = cureClocks(kind, 2, steady(20));
    expect(c.clampOff.high).toBeLessThanOrEqual(c.build.high);
    expect(c.build.high).toBeLessThanOrEqual(c.handOver.high);
    expect(c.sealTest.high).toBeLessThanOrEqual(c.full.high);
    expect(needOf(kind, 'clampOff')).toBeGreaterThan(0);
  }
});

it('what the shop has seen narrows the edges: three that held early, one that slipped; contradictions change nothing', () => {
  const held = (ratio: number) => ({ ratio, held: true });
  expect(edgeFactorFrom([held(1.5), held(2)])).toEqual(lawEdges);
  expect(edgeFactorFrom([held(1.5), held(2), held(2.4), { ratio: 1.2, held: false }])).toEqual({
    low: 1.2,
    high: 2,
    seen: 4,
  });
  expect(edgeFactorFrom([held(1.2), held(1.2), held(1.2), { ratio: 3, held: false }])).toEqual(lawEdges);
  const edges = edgeFactorFrom([held(1.5), held(1.6), held(1.7)]);
  expect(cureClocks('solvent', 2, steady(23), edges).full.high / h).toBeCloseTo(24 * 1.6, 0);
});

it('a slip after the law’s own end counts: one at 6, three held at 7 to 9: the long end is at least 6 (independent check)', () => {
  const held = (ratio: number) => ({ ratio, held: true });
  const slip = { ratio: 6, held: false };
  const f = edgeFactorFrom([held(7), held(8), held(9), slip]);
  expect(f.low).toBe(6);
  expect(f.high).toBe(8);
  // one slip alone moves it at once
  expect(edgeFactorFrom([slip]).high).toBeGreaterThan(6);
  expect(cureClocks('solvent', 2, steady(23), edgeFactorFrom([slip])).clampOff.high).toBeGreaterThan(
    cureClocks('solvent', 2, steady(23)).clampOff.high * 1.5,
  );
  expect(() => edgeFactorFrom([held(NaN)])).toThrow('ratio: NaN');
});

it('the tape’s range is one of its logarithm: 1.58 times at 23 °C, 1.95 at 5 °C, never nothing (by hand from its own figures)', () => {
  // two standard uncertainties of Ea/R · (1/T − 1/296): 2 K of room, 8 kJ/mol of activation
  const by = (tC: number) => {
    const T = tC + 273.15;
    const room = (83e3 / 8.314462618) * (1 / (T - 2) - 1 / T);
    const energy = (8e3 / 8.314462618) * (1 / T - 1 / 296.15);
    return Math.exp(2 * Math.hypot(room, energy));
  };
  for (const [tC, times] of [
    [23, 1.58],
    [5, 1.95],
  ] as const) {
    const c = cureClocks('tape', 2, steady(tC)).full;
    expect(c.high / c.mean).toBeCloseTo(by(tC), 2);
    expect(Math.abs(c.high / c.mean - times)).toBeLessThan(0.02);
    expect(c.low).toBeGreaterThan(c.mean / 2.2);
  }
});

it('names impossible air and width', () => {
  expect(() => cureClocks('solvent', 0, steady(23))).toThrow(/bond width: 0 does not work; it takes 0.3 to 60 mm/);
  expect(() => cureClocks('moisture', 2, steady(23, 0))).toThrow(/humidity/);
  expect(() => cureClocks('tape', 2, steady(200))).toThrow(/temperature of the air/);
});
