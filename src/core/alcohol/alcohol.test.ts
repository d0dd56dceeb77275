import fc from 'fast-check';

import { filmDryS, slotDryS } from './drying';
import { alcoholCautions, alcoholStops, type Surroundings } from './interlock';
import {
  alcohol,
  diffusionAt,
  saturatedKgM3,
  surfaceTensionMNm,
  vapourKPa,
  vapourM3,
  viscosityMPas,
  wick,
} from './liquid';
import { defaultRoom, nowPpm, recentMl, usedSince, vapour } from './vapour';

describe('2-propanol', () => {
  it('viscosity at the table points (CRC Handbook): 4.619, 2.038, 1.028, 0.576 mPa s', () => {
    expect([0, 25, 50, 75].map((t) => Number(viscosityMPas(t).toFixed(6)))).toEqual([4.619, 2.038, 1.028, 0.576]);
  });

  it('surface tension at 50 °C is 18.96 mN/m (CRC Handbook)', () => {
    expect(surfaceTensionMNm(50)).toBeCloseTo(18.96, 1);
  });

  it('vapour pressure: 101.325 kPa at the boiling point within 0.5 %, 4.4 kPa at 20 °C (safety cards)', () => {
    expect(vapourKPa(82.3) / 101.325).toBeCloseTo(1, 2);
    expect(vapourKPa(20) / 4.4).toBeCloseTo(1, 1);
  });

  it('at the flash point the air over it is a little above the lower limit of 2 vol %', () => {
    expect((100 * vapourKPa(alcohol.flashC.value)) / 101.325).toBeCloseTo(2.58, 1);
  });

  it('1 ml is 0.3196 litres of vapour at 25 °C (24.465 l/mol)', () => {
    expect(vapourM3(1, 25) * 1e3).toBeCloseTo((0.785 / 60.1) * 24.465, 3);
  });

  it('saturated vapour at 25 °C agrees with the ideal gas by hand', () => {
    expect(saturatedKgM3(25)).toBeCloseTo((vapourKPa(25) * 1e3 * 0.0601) / (8.314462618 * 298.15), 9);
    expect(diffusionAt(25)).toBeCloseTo(1e-5, 12);
  });
});

describe('wicking into the gap', () => {
  it('equals the slot form of Washburn: 58.509 mm in 10 s at 0.1 mm and 25 °C', () => {
    expect(wick(25, 0.1, 70, { timeS: 10 }).depthMm).toBeCloseTo(58.508895, 4);
  });

  it('the same by stepping dL/dt = γ g/(6 μ L)', () => {
    let l = 1e-6;
    const k = (20.93e-3 * 1e-4) / (6 * 2.038e-3);
    const dt = 1e-4;
    for (let t = 0; t < 10; t += dt) {
      const half = l + ((k / l) * dt) / 2;
      l += (k / half) * dt;
    }
    expect((l * 1e3) / 58.5089).toBeCloseTo(1, 2);
  });

  it('fills the ring at once; what it holds is edge × width × gap: 21 µl', () => {
    const w = wick(40, 0.1, 70, { depthMm: 3 });
    expect(w.timeS).toBeLessThan(0.05);
    expect(w.volumeMl).toBeCloseTo(0.021, 6);
  });

  it('runs deeper in a wider gap and when it is warmer (property), and is refused where it boils away', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 70, noNaN: true }),
        fc.double({ min: 0.02, max: 0.4, noNaN: true }),
        (t, g) => {
          const d = (tC: number, gap: number) => wick(tC, gap, 70, { timeS: 5 }).depthMm;
          return d(t, g * 1.3) > d(t, g) && d(t + 5, g) > d(t, g);
        },
      ),
    );
    expect(() => wick(78, 0.1, 70, { timeS: 1 })).toThrow('temperature: 78 does not work');
  });
});

describe('vapour', () => {
  it('equals the reference: 1 ml in 30 m³ at one change an hour', () => {
    const v = vapour(1, { roomM3: 30, ach: 1, nearM3: 0.03 });
    expect(v.vapourL).toBeCloseTo(0.314197, 5);
    expect(v.peakPpm).toBeCloseTo(10.0487, 3);
    expect(v.dayPpm).toBeCloseTo(1.3087, 3);
    expect(v.nearShare * 100).toBeCloseTo(1.04732, 4);
    expect(v.mostMl).toBeCloseTo(0.190963, 5);
    expect(v.overNear).toBe(true);
    expect(v.overDay).toBe(false);
  });

  it('a closed room keeps all of it: V over the room', () => {
    const v = vapour(10, { roomM3: 20, ach: 0, nearM3: 0.1 });
    expect(v.peakPpm).toBeCloseTo((vapourM3(10, 20) / 20) * 1e6, 6);
    expect(v.dayPpm).toBeCloseTo(v.peakPpm, 6);
  });

  it('what is in the air now: nothing before, the whole in a closed room after, less with every hour of changes', () => {
    const uses = [{ at: 0, ml: 2 }];
    expect(nowPpm(uses, defaultRoom, -1)).toBe(0);
    const closed = { ...defaultRoom, ach: 0 };
    expect(nowPpm(uses, closed, 3.6e6)).toBeCloseTo((vapourM3(2, 20) / closed.roomM3) * 1e6, 6);
    const at = (h: number) => nowPpm(uses, defaultRoom, h * 3.6e6);
    expect(at(2) / at(1)).toBeCloseTo(Math.exp(-defaultRoom.ach), 6);
    // at the end of the release it is the peak of the closed form
    expect(at(5 / 60)).toBeCloseTo(vapour(2, defaultRoom).peakPpm, 6);
  });

  it('the day’s total counts from its instant on, and impossible rooms are refused by name', () => {
    expect(
      usedSince(
        [
          { at: 1, ml: 0.2 },
          { at: 5, ml: 0.3 },
        ],
        2,
      ),
    ).toBeCloseTo(0.3, 9);
    expect(() => vapour(1, { ...defaultRoom, roomM3: 0 })).toThrow('room: 0 does not work; it takes 2 to 10000 m³');
    expect(() => vapour(-1, defaultRoom)).toThrow('alcohol');
  });
});

describe('interlock (law 8)', () => {
  const clear: Surroundings = {
    heatOn: null,
    airNear: [],
    contactNear: [],
    faceC: 45,
    belowC: 60,
    cameraMm: 25,
    masked: false,
    ventilated: false,
    mostMl: 0.19,
    ml: 0.05,
    recentMl: 0,
  };

  it('lets a drop through on a device that is warm and off its heater, with a plate on elsewhere (common practice)', () => {
    expect(alcoholStops(clear)).toEqual([]);
    expect(alcoholStops({ ...clear, faceC: null, cameraMm: Infinity })).toEqual([]);
    const plate = { ...clear, contactNear: ['J-2'] };
    expect(alcoholStops(plate)).toEqual([]);
    expect(alcoholCautions(plate)).toEqual(['contactNear']);
  });

  it.each<[string, Partial<Surroundings>, string]>([
    ['the plate is on under it', { heatOn: 'Hot plate' }, 'heatOn'],
    ['a gun runs within reach', { airNear: ['Hot-air gun'] }, 'airNear'],
    ['the face is at 61 °C', { faceC: 61 }, 'faceTooHot'],
    ['nobody knows how far it has cooled', { faceC: Infinity }, 'faceTooHot'],
    ['an open camera at 9 mm', { cameraMm: 9 }, 'camera'],
    ['more than still air bears', { ml: 0.2 }, 'tooMuch'],
    ['the fifth drop of 0.19 ml in a row', { ml: 0.19, recentMl: 0.76, mostMl: 0.19 }, 'tooMuch'],
  ])('stops: %s', (_, change, stop) => {
    expect(alcoholStops({ ...clear, ...change })).toEqual([stop]);
  });

  it('fails closed: a figure that is no number, or below zero, is a stop', () => {
    for (const key of ['faceC', 'belowC', 'cameraMm', 'mostMl', 'ml', 'recentMl'] as const)
      expect(alcoholStops({ ...clear, [key]: NaN })).toContain('unknown');
    for (const key of ['cameraMm', 'mostMl', 'ml', 'recentMl'] as const)
      expect(alcoholStops({ ...clear, [key]: -1 })).toContain('unknown');
  });

  it('a mask opens the camera stop; a wipe asks for a cool device; moving air bears more', () => {
    expect(alcoholStops({ ...clear, cameraMm: 2, masked: true })).toEqual([]);
    expect(alcoholStops({ ...clear, faceC: 45, belowC: 35 })).toEqual(['faceTooHot']);
    expect(alcoholStops({ ...clear, ml: 0.6, ventilated: true })).toEqual([]);
  });

  it('five doses of 0.19 ml in a row hang in the air together: nearly all of the last half hour, nothing older', () => {
    const uses = [0, 1, 2, 3, 4].map((i) => ({ at: i * 60e3, ml: 0.19 }));
    const at = recentMl(uses, { ach: 2 }, 5 * 60e3);
    // by hand: 0.19 Σ exp(−2 k/60), k = 1 to 5
    expect(at).toBeCloseTo(
      [1, 2, 3, 4, 5].reduce((m, k) => m + 0.19 * Math.exp((-2 * k) / 60), 0),
      9,
    );
    expect(recentMl(uses, { ach: 2 }, 40 * 60e3)).toBe(0);
    expect(() => recentMl([{ at: 0, ml: NaN }], { ach: 2 }, 1)).toThrow('alcohol: NaN');
  });
});

describe('drying', () => {
  it('a slot dries by the law of Stefan (1889): four times as long for twice the depth', () => {
    expect(slotDryS(22, 6) / slotDryS(22, 3)).toBeCloseTo(4, 9);
    const byHand = (785 * 0.003 ** 2) / (2 * diffusionAt(22) * saturatedKgM3(22));
    expect(slotDryS(22, 3)).toBeCloseTo(byHand, 6);
  });

  it('a wiped film is gone in minutes, and sooner when it is warm (property)', () => {
    expect(filmDryS(22)).toBeGreaterThan(20);
    expect(filmDryS(22)).toBeLessThan(600);
    fc.assert(fc.property(fc.double({ min: -5, max: 70, noNaN: true }), (t) => filmDryS(t + 3) < filmDryS(t)));
    expect(() => filmDryS(200)).toThrow('temperature');
  });
});

it('a small shut room that hardly breathes is nearly one that does not: the law goes on into its own limit', () => {
  const shut = vapour(5, { roomM3: 20, ach: 0, nearM3: 0.03 });
  const hardly = vapour(5, { roomM3: 20, ach: 0.001, nearM3: 0.03 });
  expect(hardly.peakPpm / shut.peakPpm).toBeCloseTo(1, 3);
  expect(hardly.dayPpm / shut.dayPpm).toBeCloseTo(1, 1);
  // by hand: what goes out with the air is the difference of the two over the day
  const breathing = vapour(5, { roomM3: 20, ach: 0.04, nearM3: 0.03 });
  expect(breathing.peakPpm).toBeLessThan(shut.peakPpm);
  expect(breathing.dayPpm).toBeLessThan(hardly.dayPpm);
});

it('a slot that wets less draws in less: depth goes with the root of the cosine, at a right angle nothing runs in (Washburn)', () => {
  const to = { timeS: 10 };
  const flat = wick(22, 0.2, 40, to, 0);
  expect(wick(22, 0.2, 40, to, 60).depthMm).toBeCloseTo(flat.depthMm * Math.sqrt(0.5), 9);
  expect(wick(22, 0.2, 40, to, 90).depthMm).toBeLessThan(flat.depthMm * 1e-6);
  // the same law the other way round
  expect(wick(22, 0.2, 40, { depthMm: flat.depthMm }, 0).timeS).toBeCloseTo(10, 9);
});

it('what lies beyond where a drying law is known is refused by name, what lies at its ends is not', () => {
  for (const tC of [-20, 80]) expect(filmDryS(tC)).toBeGreaterThan(0);
  for (const tC of [-20.1, 80.1]) expect(() => filmDryS(tC)).toThrow('temperature');
  for (const mm of [0, 200]) expect(slotDryS(22, mm)).toBeGreaterThanOrEqual(0);
  expect(() => slotDryS(22, 200.1)).toThrow('depth');
});
