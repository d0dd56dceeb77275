import * as fc from 'fast-check';

import { adhesiveRecord } from '../adhesives';
import { easierK, easierPick, pickPaceMmS, pickPacer } from './pickPace';
import { coverStrengths } from './strength';
import { cutSpeed, floorC, liftThresholds, paceMmS, slowShare, wedgeState, workFloorC, type LiftCase } from './verdict';

const foam = adhesiveRecord('foamRing');
const strong = (scale: number) => ({
  ...foam,
  debond: { ...foam.debond, scale: { ...foam.debond.scale, value: scale } },
});
const lift = (over: Partial<LiftCase> = {}): LiftCase => ({
  ...{ cover: coverStrengths.glassStrengthened!, hMm: 0.8, adhesive: foam, ringMm: 2, fullArea: false },
  ...{ perimeterMm: 420, pickMm: 0.5, flawUm: 30, keepCover: true, breakLimit: 0.02, ...over },
});

describe('floor of working slowly under a thicker pick', () => {
  it('a wedge k times as thick drives the bond k² times as hard (Obreimoff 1930): the same floor as plain glue', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 1.6, noNaN: true }), (k) => {
        expect(workFloorC(strong(k * k), 0.5 * k)).toBeCloseTo(workFloorC(foam), 1);
      }),
    );
  });

  it('never under the floor of practice of plain glue, and what is easy does not move with the pick', () => {
    for (const pickMm of [0.5, 0.8, 3]) {
      expect(workFloorC(strong(1.5), pickMm)).toBeGreaterThanOrEqual(foam.softC.value - 15 - 1e-9);
      const th = liftThresholds(lift({ adhesive: strong(1.8), pickMm }));
      expect(th.easyC!).toBeGreaterThanOrEqual(floorC(strong(1.8)));
    }
    // a thinner pick than usual lowers nothing, and weak glue is as the shop found it
    expect(workFloorC(strong(1.5), 0.3)).toBe(workFloorC(strong(1.5)));
    expect(workFloorC(strong(0.7), 0.8)).toBe(workFloorC(strong(0.7)));
  });
});

describe('a pick that needs less heat', () => {
  it('is proposed where the glue is stronger than plain, and not where heat does it', () => {
    expect(easierPick(lift())).toBeNull();
    expect(easierPick(lift({ adhesive: strong(1.8) }))).toBe(0.8);
    expect(easierPick(lift({ adhesive: strong(1.8), pickMm: 0.8 }))).toBeNull();
  });

  it('goes slowly at clearly less heat than the one in hand, whatever the glue', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 3, noNaN: true }), fc.constantFrom(0.3, 0.4, 0.5), (scale, pickMm) => {
        const c = lift({ adhesive: strong(scale), pickMm });
        const found = easierPick(c);
        const workC = (p: number) => liftThresholds({ ...c, pickMm: p }).workC ?? Infinity;
        if (found === null) expect(workC(0.8)).toBeGreaterThan(workC(pickMm) - easierK.value);
        else expect(workC(found)).toBeLessThanOrEqual(workC(pickMm) - easierK.value);
      }),
      { numRuns: 40 },
    );
  });
});

describe('speed of the pick', () => {
  const least = cutSpeed.value * slowShare;

  it('of plain glue, and of a cover that is written off, it is what the heat lets it have', () => {
    for (const c of [lift(), lift({ adhesive: strong(2), keepCover: false })]) {
      const th = liftThresholds(c);
      for (const tC of [40, 50, 62, 75, 90]) expect(pickPaceMmS(c, th, tC)).toBe(paceMmS(tC, th.easyC, th.workC));
    }
  });

  it('under strong glue a cover that is to be saved is cut no faster than it stands', () => {
    const c = lift({ adhesive: strong(1.8), pickMm: 0.8 });
    const th = liftThresholds(c);
    let slower = 0;
    for (let tC = th.workC!; tC < 100; tC++) {
      const pace = pickPaceMmS(c, th, tC);
      const heat = paceMmS(tC, th.easyC, th.workC);
      expect(pace).toBeLessThanOrEqual(heat);
      if (pace < heat) slower++;
      if (pace > least * 1.001) expect(wedgeState(c, tC, pace).breakChance).toBeLessThan(c.breakLimit);
      else expect(pace).toBeCloseTo(Math.min(least, heat), 9);
    }
    expect(slower).toBeGreaterThan(0);
    // a plan asks to the half degree where the glue is strong, and exactly where it is plain
    const pace = pickPacer(c, th);
    expect(pace(70.2)).toBe(pickPaceMmS(c, th, 70));
    expect(pace(69.9)).toBe(pace(70.2));
    const plain = lift();
    const easy = liftThresholds(plain);
    expect(pickPacer(plain, easy)(55.13)).toBe(paceMmS(55.13, easy.easyC, easy.workC));
    expect(pickPaceMmS(c, th, th.workC! - 1)).toBe(0);
  });
});
