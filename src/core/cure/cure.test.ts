import { holdResult } from '../seal/holdTest';
import { beadTimeS } from '../../../test-support/cureForms';
import { foOfShare, solventLeft } from './solventCure';

const h = 3600;

describe('solvent leaving a bead', () => {
  it('half is left at D t / l² = 0.0492 (Crank, plane sheet)', () => {
    expect(foOfShare(0.5)).toBeCloseTo(0.0492, 4);
    expect(foOfShare(0.05)).toBeCloseTo(0.28225, 5);
  });

  it('short-time law and series meet', () => {
    expect(solventLeft(0.02)).toBeCloseTo(1 - 4 * Math.sqrt(0.02 / Math.PI), 6);
    expect(solventLeft(0)).toBe(1);
  });

  it('agrees with finite differences at Fo 0.1', () => {
    const n = 200;
    let c = new Float64Array(n).fill(1);
    const dx = 1 / n;
    const dt = 0.4 * dx * dx;
    for (let t = 0; t < 0.1 - 1e-12; t += dt) {
      const next = new Float64Array(n);
      for (let i = 0; i < n; i++) {
        // edges at zero: a half cell away
        const left = i ? c[i - 1]! : -c[0]!;
        const right = i + 1 < n ? c[i + 1]! : -c[n - 1]!;
        next[i] = c[i]! + (dt / dx ** 2) * (left - 2 * c[i]! + right);
      }
      c = next;
    }
    expect(solventLeft(0.1)).toBeCloseTo(c.reduce((a, b) => a + b, 0) / n, 2);
  });

  it('2 mm: 24 h and 20 min (set); 1 mm: 6 h (predicted: the two schools are the same glue); one edge four times as long', () => {
    expect(beadTimeS('full', 2, 23).low / h).toBeCloseTo(24, 1);
    expect(beadTimeS('clampOff', 2, 23).low / 60).toBeCloseTo(19.6, 1);
    expect(beadTimeS('build', 2, 23).low / h).toBeCloseTo(12.05, 1);
    expect(beadTimeS('full', 1, 23).low / h).toBeCloseTo(6, 1);
    expect(beadTimeS('full', 1, 23).high / beadTimeS('full', 1, 23).low).toBeCloseTo(4, 12);
    expect(beadTimeS('full', 2, 30).low / h).toBeCloseTo(15.7, 1);
  });
});

// clamps in minutes, then handling, building on, full in hours, both edges open. The figures of the trade behind it (common
// practice) are 20 min, 12 h and 24 h for a wide black bead and 6 h for a small one; the rest follows from the slab law.
it.each([
  [1.0, 15, 8, 1.1, 5.0, 10.0],
  [1.0, 23, 5, 0.7, 3.0, 6.0],
  [1.0, 40, 2, 0.3, 1.1, 2.2],
  [1.4, 23, 10, 1.3, 5.9, 11.8],
  [2.0, 15, 33, 4.4, 20.0, 39.9],
  [2.0, 23, 20, 2.7, 12.1, 24.0],
  [2.0, 30, 13, 1.8, 7.9, 15.7],
  [2.5, 23, 31, 4.2, 18.8, 37.5],
  [3.0, 15, 73, 10.0, 45.1, 89.7],
  [3.0, 40, 16, 2.2, 10.1, 20.0],
])('table of a solvent-borne joint: %f mm at %f °C', (mm, tC, clampMin, handleH, buildH, fullH) => {
  expect(Math.abs(beadTimeS('clampOff', mm, tC).low / 60 - clampMin)).toBeLessThan(0.6);
  expect(Math.abs(beadTimeS('handle', mm, tC).low / h - handleH)).toBeLessThan(0.06);
  expect(Math.abs(beadTimeS('build', mm, tC).low / h - buildH)).toBeLessThan(0.06);
  expect(Math.abs(beadTimeS('full', mm, tC).low / h - fullH)).toBeLessThan(0.06);
});

describe('hold test', () => {
  it('gives back the time constant of an exact decay', () => {
    const end = 3000 * Math.exp(-60 / 240);
    const r = holdResult({ kind: 'vacuum', startPa: 3000, endPa: end, seconds: 60 });
    expect(r.tauS).toBeCloseTo(240, 6);
    expect(r.lowS).toBeLessThan(240);
    expect(r.highS!).toBeGreaterThan(240);
  });

  it('no loss has no upper bound, and impossible readings are named', () => {
    expect(holdResult({ kind: 'vacuum', startPa: 3000, endPa: 3000, seconds: 60 })).toMatchObject({
      tauS: null,
      highS: null,
    });
    expect(() => holdResult({ kind: 'pressure', startPa: 3000, endPa: 3200, seconds: 60 })).toThrow(/end: 3200/);
    expect(() => holdResult({ kind: 'pressure', startPa: 50, endPa: 20, seconds: 60 })).toThrow(
      /start: 50 does not work; it takes 200 to 50000 Pa/,
    );
  });
});
