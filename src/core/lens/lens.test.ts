import fc from 'fast-check';

import { defaultDryer, defaultNozzle } from '../heat/heater';
import { shippedDevices } from '../../model/shippedDevices';
import { lensHeat, lensHeatData, type LensHeatInput } from './lensHeat';
import { lensCovers, lensToleranceMm, matchLenses } from './lensSet';

const device = (id: string) => shippedDevices.find((d) => d.id === id)!;
const set = lensCovers(device('lens67'));
const base: LensHeatInput = {
  cover: set[0]!.face.cover,
  bond: set[0]!.bond,
  heater: defaultNozzle,
  setC: 120,
  standoffMm: 30,
  ambientC: 22,
  targetC: 50,
  workC: 40,
  cameraStopC: 80,
};

describe('the covers of a device', () => {
  it('are found with their sizes, the blade between tape and view; a set has different ones', () => {
    expect(set.map((l) => Math.round(l.sizeMm * 10) / 10)).toEqual([14.4, 14.4, 11.2]);
    for (const l of set) {
      expect(l.limitMm).toBeGreaterThanOrEqual(l.needMm);
      expect(l.bladeUnderMm).toBeCloseTo(0.65, 9);
      expect(l.fromBehind).toBe(false);
    }
    expect(lensCovers(device('front62')).map((l) => l.fromBehind)).toEqual([true]);
    expect(lensCovers(device('ring61'))).toEqual([]);
  });
});

describe('a lens cover under hot air', () => {
  it('the longer it takes, the hotter the camera; the range holds the mean', () => {
    const r = lensHeat(base);
    expect(r.readyS!.low).toBeLessThan(r.readyS!.mean);
    expect(r.readyS!.mean).toBeLessThan(r.readyS!.high);
    expect(r.cameraC.low).toBeLessThanOrEqual(r.cameraC.mean);
    expect(r.cameraC.mean).toBeLessThanOrEqual(r.cameraC.high);
    expect(lensHeat({ ...base, targetC: 60 }).cameraC.high).toBeGreaterThan(r.cameraC.high);
  });

  it('conserves energy: without loss to the frame both lumps end where the air’s wall temperature is (analytic limit)', () => {
    // a tiny module follows the disc: the tape’s temperature is then the disc’s, a first-order rise to the wall temperature
    const was = { ...lensHeatData };
    const tight = { value: 1e-3, source: was.moduleJK.source, u: 0 };
    const none = { value: 0, source: was.moduleToFrameWK.source, u: 0 };
    Object.assign(lensHeatData, { moduleJK: { ...tight, value: 0.02 }, moduleToFrameWK: none });
    try {
      const heater = { ...defaultNozzle, hScale: { ...defaultNozzle.hScale, u: 0 } };
      const at = (targetC: number) => lensHeat({ ...base, heater, targetC }).readyS!.mean;
      // first order: t = tau ln((wall - start)/(wall - target)) gives equal ratios of remaining rise in equal times
      const [t1, t2, t3] = [at(35), at(45), at(55)];
      const wall = (() => {
        // the wall temperature that makes the two spans agree with one time constant, by bisection
        let [lo, hi] = [56, 121];
        for (let k = 0; k < 60; k++) {
          const w = (lo + hi) / 2;
          const ratio = Math.log((w - 35) / (w - 45)) / Math.log((w - 45) / (w - 55));
          if (ratio > (t2 - t1) / (t3 - t2)) hi = w;
          else lo = w;
        }
        return (lo + hi) / 2;
      })();
      expect(wall).toBeGreaterThan(60);
      const tau = (t2 - t1) / Math.log((wall - 35) / (wall - 45));
      expect(tau * Math.log((wall - 22) / (wall - 35))).toBeCloseTo(t1, 0);
    } finally {
      Object.assign(lensHeatData, was);
    }
  });

  it('air that is too weak never gets there and is said so', () => {
    const r = lensHeat({ ...base, heater: defaultDryer, setC: 80, standoffMm: 115, targetC: 75 });
    expect(r.readyS).toBeNull();
    expect(r.workS).toBe(0);
  });

  it('hotter air is never slower (property), and impossible input is refused by name', () => {
    fc.assert(
      fc.property(fc.integer({ min: 110, max: 300 }), (setC) => {
        const t = (c: number) => lensHeat({ ...base, setC: c }).readyS?.mean ?? Infinity;
        return t(setC + 20) <= t(setC);
      }),
      { numRuns: 25 },
    );
    expect(() => lensHeat({ ...base, setC: 20 })).toThrow('air: 20 does not work');
    expect(() => lensHeat({ ...base, bond: { ...base.bond, widthMm: 9 } })).toThrow('bond.widthMm');
  });
});

describe('which new cover goes where', () => {
  const old = [
    { bondId: 'a', sizeMm: 14.4 },
    { bondId: 'b', sizeMm: 14.4 },
    { bondId: 'c', sizeMm: 11.2 },
  ];

  it('by size, whatever order they lie in; one that is missing is named', () => {
    const m = matchLenses(old, [11.2, 14.4, 14.38]);
    expect(m.missing).toEqual([]);
    expect(m.pairs.find((p) => p.bondId === 'c')!.newMm).toBe(11.2);
    expect(m.pairs.every((p) => p.fits)).toBe(true);
    expect(matchLenses(old, [14.4, 11.2]).missing).toHaveLength(1);
    expect(matchLenses(old, []).missing).toHaveLength(3);
  });

  it('one of the wrong size is paired and marked', () => {
    const m = matchLenses(old, [14.4, 14.4, 12]);
    expect(m.pairs.find((p) => p.bondId === 'c')).toMatchObject({ newMm: 12, fits: false });
  });

  it('is the pairing with the least total difference: checked against all of them (brute force)', () => {
    const perms = (a: number[]): number[][] =>
      a.length ? a.flatMap((x, i) => perms([...a.slice(0, i), ...a.slice(i + 1)]).map((r) => [x, ...r])) : [[]];
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 80, max: 160 }), { minLength: 1, maxLength: 3 }),
        fc.array(fc.integer({ min: 80, max: 160 }), { minLength: 3, maxLength: 4 }),
        (want, have) => {
          const list = want.map((w, i) => ({ bondId: `l${i}`, sizeMm: w / 10 }));
          const m = matchLenses(
            list,
            have.map((h) => h / 10),
          );
          const sum = m.pairs.reduce((s, p) => s + Math.abs(p.newMm - p.oldMm), 0);
          const best = Math.min(...perms(have).map((p) => want.reduce((s, w, i) => s + Math.abs(p[i]! - w) / 10, 0)));
          return m.pairs.length === want.length && Math.abs(sum - best) < 1e-9;
        },
      ),
    );
    expect(lensToleranceMm.value).toBeLessThan(0.5);
  });
});
