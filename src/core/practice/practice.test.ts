import * as fc from 'fast-check';

import { practisedCase } from '../../../test-support/practised';
import { slotDryS } from '../alcohol/drying';
import { defaultGun, defaultMat, defaultPlate } from '../heat/heater';
import { HeatRun } from '../heat/run';
import { breakChance, coverStrengthMPa } from '../lift/strength';
import { wedgeState } from '../lift/verdict';
import { PracticeBench } from './bench';
import { type BenchState, type HandAction } from './happened';
import { workRing } from './hands';
import { type Style } from './manner';
import type { Visitor } from './visitor';
import { drawTruth, heaterAsIs, truthFigures, type Truth } from './truth';

const about = practisedCase();
const { bond, model, path } = about;
const plain: Truth = {
  ...{ seed: 0, heaterZ: [0, 0], ambientK: 0, lnScale: 0, chips: [], nerve: 1e9, partsMm: 0, crackTurn: 0.3 },
};
const bench = (t: Partial<Truth> = {}) => new PracticeBench(about, { ...plain, ...t });
const heat: HandAction = { kind: 'heat', heater: defaultPlate, use: {}, setC: 110, preheated: true };

/** Warm enough to go, off the heat, with a first gap at the foot. */
function opened(b: PracticeBench): BenchState {
  let s = b.step(b.start(), heat, 180).state;
  s = b.step(s, { kind: 'off' }, 1).state;
  for (let n = 10; n <= 60 && !s.cut.free.length; n += 10) s = b.step(s, { kind: 'pull', sMm: 0, forceN: n }, 1).state;
  return s;
}

describe('truth of a seed', () => {
  it('the same seed makes the same device, and none lies outside the ranges that the app states', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const t = drawTruth(seed, path);
        expect(drawTruth(seed, path)).toEqual(t);
        for (const z of [...t.heaterZ, t.lnScale / 0.5, t.ambientK / truthFigures.ambientK.value])
          expect(Math.abs(z)).toBeLessThanOrEqual(truthFigures.within.value + 1e-9);
        expect(t.nerve).toBeGreaterThan(0);
        for (const c of t.chips) expect(c.sMm).toBeLessThanOrEqual(path.lengthMm);
      }),
    );
  });

  it('how much a cover stands is exponential with mean 1, chips are Poisson: counted over 4,000 seeds', () => {
    const list = Array.from({ length: 4000 }, (_, i) => drawTruth(i + 1, path));
    const mean = (f: (t: Truth) => number) => list.reduce((m, t) => m + f(t), 0) / list.length;
    // standard errors: 1/√4000 and √0.5/√4000
    expect(Math.abs(mean((t) => t.nerve) - 1)).toBeLessThan(4 / Math.sqrt(4000));
    expect(Math.abs(mean((t) => (t.nerve > Math.LN2 ? 1 : 0)) - 0.5)).toBeLessThan(2 / Math.sqrt(4000));
    expect(Math.abs(mean((t) => t.chips.length) - truthFigures.hiddenChips.value)).toBeLessThan(0.045);
  });

  it('a heater is moved along its own uncertainty, whatever its kind', () => {
    const plate = heaterAsIs(defaultPlate, { heaterZ: [2, -1] });
    expect(plate).toMatchObject({ conductanceWm2K: { value: 350 + 2 * 40 }, offsetK: { value: -1.5 } });
    for (const h of [defaultMat, defaultGun]) {
      expect(heaterAsIs(h, { heaterZ: [0, 0] })).toEqual(h);
      expect(heaterAsIs(h, { heaterZ: [1, 1] })).not.toEqual(h);
    }
  });
});

describe('the bench', () => {
  it('temperatures are those of the heat model, to a tenth of a kelvin', () => {
    const b = bench();
    const s = b.step(b.start(), heat, 200).state;
    const run = HeatRun.start(model!, defaultPlate, 22, [{ atS: 0, setC: 110, preheated: true }]);
    for (const a of about.arcs)
      for (const t of [0, 60, 200])
        expect(b.lineC(s, (a.fromMm + a.toMm) / 2, t)).toBeCloseTo(run.members[0]!.lineC(t, a.cells), 1);
    expect(s.hot.battery!.peakC).toBeCloseTo(run.members[0]!.hottest(200, 'battery')!.atC, 1);
  });

  it('a step that is cut in halves comes to the same', () => {
    const b = bench({ lnScale: 0.2 });
    const s = opened(b);
    const push = (from: number, dtS: number, at: BenchState) =>
      b.step(at, { kind: 'push', sMm: from, depthMm: 3, speedMmS: 1, pickMm: 0.5 }, dtS).state;
    const whole = push(12, 16, s);
    let halves = s;
    for (let i = 0; i < 16; i++) halves = push(12 + i, 1, halves);
    expect(halves.tS).toBeCloseTo(whole.tS, 9);
    expect(Math.abs(halves.cut.freeMm - whole.cut.freeMm)).toBeLessThan(1);
    expect(Math.abs(halves.hazard / whole.hazard - 1)).toBeLessThan(0.02);
    const long = b.step(s, { kind: 'wait' }, 100).state;
    const short = b.step(b.step(s, { kind: 'wait' }, 50).state, { kind: 'wait' }, 50).state;
    expect(short.hot.battery!.peakC).toBeCloseTo(long.hot.battery!.peakC, 6);
  });

  it('a warm ring gives to a cup and to a pick; a cold one holds, and forcing it strains the cover far more', () => {
    const b = bench();
    const warm = opened(b);
    expect(warm.cut.freeMm).toBeCloseTo(24, 6);
    const on = b.step(warm, { kind: 'push', sMm: 12, depthMm: 3, speedMmS: 1, pickMm: 0.5 }, 10).state;
    expect(on.cut.freeMm).toBeCloseTo(34, 0);
    const cold = b.step(b.start(), { kind: 'pull', sMm: 0, forceN: 30 }, 1);
    expect(cold.happened[0]).toMatchObject({ what: 'holds' });
    const cooled = { ...warm, tS: warm.tS + 1800 };
    const forced = b.step(cooled, { kind: 'push', sMm: 12, depthMm: 3, speedMmS: 1, pickMm: 0.5 }, 10);
    expect(forced.happened[0]).toMatchObject({ what: 'stuck' });
    expect(forced.state.cut.freeMm).toBe(warm.cut.freeMm);
    expect(forced.state.hazard - warm.hazard).toBeGreaterThan(100 * (on.hazard - warm.hazard));
  });

  it('a cover breaks as often as the Weibull law says of the stress that it had (breakChance, over 400 covers)', () => {
    const b = bench();
    const s = opened(b);
    const cooled = { ...s, tS: s.tS + 900, hazard: 0, pullHazard: 1e9 };
    const push: HandAction = { kind: 'push', sMm: 12, depthMm: 3, speedMmS: 1, pickMm: 0.5 };
    const added = b.step(cooled, push, 3).state.hazard;
    const broke = Array.from({ length: 400 }, (_, i) => drawTruth(i + 1, path).nerve).filter(
      (nerve) => bench({ nerve }).step(cooled, push, 3).state.broke !== null,
    ).length;
    const tC = b.lineC(cooled, 13.5, cooled.tS + 1.5);
    const c = b.caseAt(cooled, 13.5, cooled.tS, 0.5);
    const chance = breakChance(wedgeState(c, tC, 1).stressMPa, coverStrengthMPa(c.cover, c.hMm, c.flawUm).charMPa, 3);
    expect(1 - Math.exp(-added)).toBeCloseTo(chance, 1);
    expect(Math.abs(broke / 400 - (1 - Math.exp(-added)))).toBeLessThan(4 * Math.sqrt(0.25 / 400));
  });

  it('too deep hits what is there, once each; too shallow cuts nothing; beside a cable nothing is cut', () => {
    const b = bench();
    const s = opened(b);
    const cam = path.edgeSpan('top');
    const deep = b.step(
      { ...s, cut: s.cut.cut({ fromMm: cam.fromMm - 5, toMm: cam.fromMm }) },
      { kind: 'push', sMm: cam.fromMm, depthMm: 12, speedMmS: 2, pickMm: 0.5 },
      30,
    );
    const hurt = deep.happened.filter((h) => h.what === 'hurt');
    expect(hurt.length).toBeGreaterThan(0);
    expect(new Set(hurt.map((h) => h.part)).size).toBe(hurt.length);
    const shallow = b.step(s, { kind: 'push', sMm: 12, depthMm: 1, speedMmS: 1, pickMm: 0.5 }, 5);
    expect(shallow.state.cut.freeMm).toBe(s.cut.freeMm);
    expect(shallow.happened[0]).toMatchObject({ what: 'shallow' });
  });

  it('odd hands: each has a consequence or is refused, and time goes by all the same', () => {
    const b = bench();
    const push: HandAction = { kind: 'push', sMm: 0, depthMm: 3, speedMmS: 1, pickMm: 0.5 };
    expect(b.step(b.start(), push, 2)).toMatchObject({
      state: { tS: 2 },
      happened: [{ what: 'refused', why: 'noGap' }],
    });
    expect(b.step(b.start(), { kind: 'off' }, 1).happened[0]).toMatchObject({ why: 'nothingOnHeat' });
    const on = b.step(b.start(), heat, 10).state;
    expect(b.step(on, { kind: 'pull', sMm: 0, forceN: 20 }, 1).happened[0]).toMatchObject({ why: 'onHeat' });
    // two heats at once: the later one counts
    const two = b.step(on, { ...heat, setC: 60 }, 10).state;
    expect(two.switches).toHaveLength(2);
    const flash = b.step(on, { kind: 'alcohol', fromMm: 0, toMm: 40 }, 1);
    expect(flash.state.flash).toBe(true);
    expect(b.step(flash.state, push, 1).happened[0]).toMatchObject({ why: 'over' });
    const wet = b.step(b.start(), { kind: 'alcohol', fromMm: -20, toMm: 20 }, 5).state;
    const air: HandAction = { ...heat, heater: defaultGun };
    expect(b.step(wet, air, 1).state.flash).toBe(true);
    // a plate under 200 °C lights nothing and drives it off
    expect(b.step(wet, heat, 1).state).toMatchObject({ flash: false, wet: [] });
    // until it has left the slot by the law of drying, and not after
    const dryS = slotDryS(about.ambientC, bond.widthMm);
    const heatedAfter = (waitS: number) => b.step(b.step(wet, { kind: 'wait' }, waitS).state, air, 1).state.flash;
    expect(heatedAfter(0.95 * dryS - 5)).toBe(true);
    expect(heatedAfter(1.05 * dryS)).toBe(false);
    // alcohol that has soaked in lets it go with less
    const s = opened(b);
    const soaked = b.step(s, { kind: 'alcohol', fromMm: 40, toMm: 90 }, 0).state;
    const at = { ...soaked, tS: soaked.tS + 120 };
    expect(b.pullNeedN(at, 60)).toBeLessThan(b.pullNeedN({ ...s, tS: at.tS }, 60));
  });

  it('nothing un-breaks', () => {
    const b = bench({ nerve: 1e-9 });
    const s = opened(bench());
    const cold = { ...s, tS: s.tS + 1800 };
    const broke = b.step(cold, { kind: 'push', sMm: 12, depthMm: 3, speedMmS: 2, pickMm: 0.5 }, 5).state;
    expect(broke.broke).toMatchObject({ because: 'cold' });
    const actions: HandAction[] = [heat, { kind: 'off' }, { kind: 'wait' }, { kind: 'pull', sMm: 0, forceN: 50 }];
    fc.assert(
      fc.property(fc.array(fc.nat(3), { maxLength: 8 }), (list) => {
        let x = broke;
        for (const i of list) x = b.step(x, actions[i]!, 5).state;
        expect(x.broke).toEqual(broke.broke);
        expect(x.cut.freeMm).toBe(broke.cut.freeMm);
        expect(x.hazard).toBe(broke.hazard);
      }),
      { numRuns: 20 },
    );
  });
});

describe('hands', () => {
  const work = (style: Style, t: Partial<Truth>, seed = 3) =>
    workRing({ bench: bench(t), heater: defaultPlate, use: {}, setC: 110, pickMm: 0.5, style, seed });

  it('by the calls a usual device comes off whole, nothing hit, its battery under its limit; the same again, the same end', () => {
    const a = work('guided', {});
    expect(a.state).toMatchObject({ free: true, broke: null, hurt: [], flash: false });
    expect(a.state.hot.battery!.aboveStopS).toBe(0);
    expect(work('guided', {})).toEqual(a);
  });

  it('a stronger glue is felt, told and heated for longer; it is not forced', () => {
    const usual = work('guided', {});
    const strong = work('guided', { lnScale: 0.3 });
    expect(strong.heats).toBeGreaterThan(usual.heats);
    expect(strong.state.broke).toBeNull();
    expect(strong.state.hazard).toBeLessThan(0.2);
  });

  it('cold, fast and deep: the cover breaks or something is hit', () => {
    const r = work('reckless', { nerve: 0.7 });
    expect(r.state.broke !== null || r.state.hurt.length > 0).toBe(true);
    // what it strains the cover by is far more than hands that follow the calls do
    expect(work('reckless', {}).state.hazard).toBeGreaterThan(10 * work('guided', {}).state.hazard);
  });

  it('somebody who comes in is seen to before they leave, never with the device on the heat for longer than it takes', () => {
    const b = bench();
    const work = (visitor?: Visitor) =>
      workRing({
        ...{ bench: b, heater: defaultPlate, use: {}, setC: 110, pickMm: 0.5, style: 'guided', seed: 1 },
        enough: (s) => s.cut.freeMm > 60,
        ...(visitor ? { visitor } : {}),
      });
    const undisturbed = work();
    expect(undisturbed.wentS).toBeNull();
    const firstOff = undisturbed.happened.length;
    expect(firstOff).toBeGreaterThan(0);
    for (const comesS of [0, 100, 190, 240, 300]) {
      const visitor = { comesS, takesS: 120, waitsS: 200 };
      const w = work(visitor);
      expect(w.wentS).toBeGreaterThanOrEqual(comesS);
      expect(w.wentS).toBeLessThan(comesS + visitor.waitsS);
      expect(w.state).toMatchObject({ broke: null, hurt: [], hot: {} });
      // part of the time at the counter goes by while it would have been warmed again anyway
      const later = w.state.tS - undisturbed.state.tS;
      expect(later).toBeGreaterThanOrEqual(0);
      expect(later).toBeLessThan(visitor.takesS + 60);
    }
    // who comes after the work is done is not part of it
    expect(work({ comesS: 1e6, takesS: 60, waitsS: 100 }).wentS).toBeNull();
  });

  it('it stops where it is far enough', () => {
    const b = bench();
    const w = workRing({
      ...{ bench: b, heater: defaultPlate, use: {}, setC: 110, pickMm: 0.5, style: 'guided', seed: 1 },
      enough: (s) => s.cut.free.length > 0,
    });
    expect(w.heats).toBeLessThanOrEqual(3);
    expect(w.state.cut.freeMm).toBeLessThan(30);
  });
});
