import fc from 'fast-check';

import { fitCurve } from '../numeric/fitCurve';
import { channelThroughput, chokedSpeed, equivalentChannel, freePathM, leakUnits } from './channel';
import { absoluteHold } from './roomPressure';
import { leakRatio } from './compare';
import { coolingRate, sealDecay, leakFromTau } from './decay';
import { fitDecay } from './fitDecay';

const atm = 101325;

const misra1a = {
  x: [77.6, 114.9, 141.1, 190.8, 239.9, 289.0, 332.8, 378.4, 434.8, 477.3, 536.8, 593.1, 689.1, 760.0],
  y: [10.07, 14.73, 17.94, 23.93, 29.61, 35.18, 40.02, 44.82, 50.76, 55.05, 61.01, 66.4, 75.47, 81.78],
};

it('exact exponentials come back: τ 25 s, end 12 Pa (analytic)', () => {
  const t = Array.from({ length: 61 }, (_, i) => i);
  const f = fitDecay(
    t,
    t.map((v) => 12 + 500 * Math.exp(-v / 25)),
  );
  expect(f.tau).toBeCloseTo(25, 8);
  expect(f.pInf).toBeCloseTo(12, 7);
});

/** y = b1 (1 − exp(−b2 x)) for the engine that polishes every fit here. */
const saturating = (x: readonly number[]) => (q: readonly number[]) => ({
  values: x.map((v) => q[0]! * (1 - Math.exp(-q[1]! * v))),
  derivatives: x.map((v) => [1 - Math.exp(-q[1]! * v), q[0]! * v * Math.exp(-q[1]! * v)]),
});

it('NIST StRD Misra1a: b1 238.94212918, b2 5.5015643181e-4, standard error of b1 2.7070 (certified)', () => {
  const f = fitCurve(misra1a.y, [500, 1e-4], saturating(misra1a.x));
  expect(Math.abs(f.params[0]! / 238.94212918 - 1)).toBeLessThan(1e-7);
  expect(Math.abs(f.params[1]! / 5.5015643181e-4 - 1)).toBeLessThan(1e-7);
  expect(Math.abs(f.se[0]! / 2.7070075241 - 1)).toBeLessThan(1e-4);
});

it('NIST StRD BoxBOD: b1 213.80940889, b2 0.54723748542 (certified, higher difficulty)', () => {
  const f = fitCurve([109, 149, 149, 191, 213, 224], [100, 0.75], saturating([1, 2, 3, 5, 7, 10]));
  expect(Math.abs(f.params[0]! / 213.80940889 - 1)).toBeLessThan(1e-6);
  expect(Math.abs(f.params[1]! / 0.54723748542 - 1)).toBeLessThan(1e-6);
});

it('equals a brute search over end, size and τ on noisy data: no better sum of squares exists nearby (property)', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 1000 }), fc.double({ min: 8, max: 60, noNaN: true }), (seed, tau) => {
      const t = Array.from({ length: 41 }, (_, i) => 3 * i);
      let s = seed;
      const noise = () => ((s = (s * 16807) % 2147483647) / 2147483647 - 0.5) * 8;
      const p = t.map((v) => 20 + 480 * Math.exp(-v / tau) + noise());
      const f = fitDecay(t, p);
      const cost = (a: number, b: number, q: number) =>
        t.reduce((m, v, i) => m + (p[i]! - a - b * Math.exp(-v / q)) ** 2, 0);
      const own = cost(f.pInf, f.dp0, f.tau);
      return [-1, 1].every(
        (d) =>
          cost(f.pInf + d * 0.05, f.dp0, f.tau) >= own &&
          cost(f.pInf, f.dp0 + d * 0.1, f.tau) >= own &&
          cost(f.pInf, f.dp0, f.tau * (1 + d * 1e-3)) >= own,
      );
    }),
    { numRuns: 25 },
  );
});

it('the worked record: end 9.4759, size 498.99, τ 24.9 s; 2.41e-4 ± 0.48e-4 Pa m³/s, one hole of 43 µm, below 5e-4', () => {
  const r = sealDecay({
    t: [0, 10, 20, 30, 45, 60, 80, 100, 120],
    p: [507, 346.5, 232.6, 158.2, 91.4, 52.1, 29.3, 19.4, 14.6],
    volumeM3: 6e-6,
    atPa: 1000,
    limit: 5e-4,
  });
  expect(r.method).toBe('free end');
  expect(r.fit!.pInf).toBeCloseTo(9.4759, 3);
  expect(r.fit!.dp0).toBeCloseTo(498.99, 2);
  expect(r.tauS!).toBeCloseTo(24.9, 2);
  expect(r.fit!.seTau).toBeCloseTo(0.23017, 4);
  expect(r.leak).toBeCloseTo(2.4097e-4, 7);
  expect(r.uLeak).toBeCloseTo(4.8244e-5, 7);
  expect(r.channel!.diameterM * 1e6).toBeCloseTo(43.112, 2);
  expect(r.channel!.flags).toEqual([]);
  expect(r.verdict).toBe('below');
});

it('a cooling device: the integral law finds τ 90 s where an exponential through p T0/T is far off', () => {
  // dm/dt = −(1/90)(m T − pAmb)/T, integrated finely
  const T = (s: number) => 295 + 15 * Math.exp(-s / 120);
  const t: number[] = [];
  const p: number[] = [];
  let m = (atm + 3000) / 310;
  const dt = 0.01;
  for (let k = 0; k <= 12_000; k++) {
    const s = k * dt;
    if (k % 200 === 0) {
      t.push(s);
      p.push(m * T(s));
    }
    const f = (x: number, u: number) => (-(1 / 90) * (x * T(u) - atm)) / T(u);
    const k1 = f(m, s);
    const k2 = f(m + (dt / 2) * k1, s + dt / 2);
    m += dt * k2;
  }
  const c = coolingRate(t, p, t.map(T), atm);
  expect(1 / c.rate).toBeCloseTo(90, 0);
  const naive = fitDecay(
    t,
    p.map((v, i) => (v * T(0)) / T(t[i]!) - atm),
  );
  expect(Math.abs(naive.tau - 90)).toBeGreaterThan(40);
});

it('a short record falls back to the room as its end', () => {
  const t = [0, 2, 4, 6, 8, 10];
  const r = sealDecay({ t, p: t.map((v) => 1000 * Math.exp(-v / 200)), volumeM3: 6e-6, atPa: -1000 });
  expect(r.method).toBe('fixed end');
  expect(r.tauS!).toBeCloseTo(200, 3);
});

it('air: free path 65.4 nm at an atmosphere (Jennings 1988), choked 200 m/s, 1 Pa m³/s = 592.15 sccm at 0 °C', () => {
  expect(Math.abs(freePathM(atm) * 1e9 - 65.4)).toBeLessThan(0.8);
  expect(Math.abs(chokedSpeed() - 200)).toBeLessThan(2);
  expect(leakUnits(1).sccm0C).toBeCloseTo(592.15, 1);
  expect(leakUnits(1).sccm20C / leakUnits(1).sccm0C).toBeCloseTo(293.15 / 273.15, 9);
  const q = channelThroughput(50e-6, 2e-3, atm + 5000, atm);
  expect(equivalentChannel(q, 2e-3, atm + 5000, atm).diameterM).toBeCloseTo(50e-6, 12);
  // a hole of a centimetre is the widest that is spoken of: it is no channel any more
  expect(equivalentChannel(1e6, 2e-3, atm + 100, atm).diameterM).toBeCloseTo(0.01, 6);
});

it('before and after on the same device: no worse, leakier, or not decided', () => {
  const tau = (tauS: number, u = 1) => ({ tauS, u });
  expect(leakRatio(tau(40), tau(42))!.verdict).toBe('noWorse');
  expect(leakRatio(tau(40), tau(12))!.verdict).toBe('leakier');
  expect(leakRatio(tau(40), tau(26))!.verdict).toBe('undecided');
  const r = leakRatio(tau(40, 0), tau(20, 0))!;
  expect(r.ratio).toBeCloseTo(2, 9);
  expect(Math.log(r.high / r.ratio)).toBeCloseTo(0.2, 9);
});

describe('what independent checks found', () => {
  const V = 6e-6;
  const hold = (tau: number, n = 60, p0 = -1000) =>
    Array.from({ length: n }, (_, i) => ({ t: i, p: p0 * Math.exp(-i / tau) }));
  let seed = 3;
  const u = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
  const gauss = () => Math.sqrt(-2 * Math.log(1 - u())) * Math.cos(2 * Math.PI * u());

  it.each([400, 1000, 3000])(
    'a log of absolute readings with a true time constant of %d s is not read as 57 s',
    (tau) => {
      const still = Array.from({ length: 8 }, (_, i) => ({ t: i, p: atm + 0.5 * gauss() }));
      const held = hold(tau).map(({ t, p }) => ({ t: t + 9, p: atm + p + 0.5 * gauss() }));
      const all = [...still, ...held];
      const cut = absoluteHold(
        all.map((x) => x.t),
        all.map((x) => x.p),
      )!;
      expect(cut.from).toBe('before');
      expect(Math.abs(cut.roomPa - atm)).toBeLessThan(1);
      const r = sealDecay({ t: cut.t, p: cut.p, volumeM3: V, atPa: -1000 });
      expect(Math.abs((r.tauS ?? r.tighterThanS!) / tau - 1)).toBeLessThan(0.5);
      // without the room in it, it has to be asked: the end of a hold is not the room
      expect(
        absoluteHold(
          held.map((x) => x.t),
          held.map((x) => x.p),
        ),
      ).toBeNull();
      expect(
        absoluteHold(
          [0, 1, 2, 3, 4],
          [100, 99, 98, 97, 96].map((v) => v * 1000),
          101_000,
        )!.p[0],
      ).toBe(-1000);
    },
  );

  it('a room that is seen after the release is taken from there', () => {
    const held = hold(200).map(({ t, p }) => ({ t, p: atm + p }));
    const all = [...held, ...Array.from({ length: 8 }, (_, i) => ({ t: 62 + i, p: atm }))];
    const cut = absoluteHold(
      all.map((x) => x.t),
      all.map((x) => x.p),
    )!;
    expect(cut.from).toBe('after');
    expect(cut.roomPa).toBe(atm);
    expect(Math.abs(sealDecay({ t: cut.t, p: cut.p, volumeM3: V, atPa: -1000 }).tauS! / 200 - 1)).toBeLessThan(0.05);
  });

  it('a tight device is tight: a flat log in coarse steps gives a lower bound, never a gross leak', () => {
    const t = Array.from({ length: 60 }, (_, i) => i);
    for (const tau of [1e5, 1e6]) {
      const p = t.map((v) => Math.round((-1000 * Math.exp(-v / tau)) / 10) * 10);
      const r = sealDecay({ t, p, volumeM3: V, atPa: -1000, limit: 1e-4 });
      expect(r.tauS).toBeNull();
      expect(r.tighterThanS!).toBeGreaterThan(500);
      expect(r.tighterThanS!).toBeLessThan(tau);
      expect(r.verdict).toBe('below');
    }
    let bounds = 0;
    for (let k = 0; k < 100; k++) {
      const p = t.map((v) => -1000 * Math.exp(-v / 1e6) + 2 * gauss());
      const r = sealDecay({ t, p, volumeM3: V, atPa: -1000 });
      if (r.tighterThanS !== null && r.tighterThanS < 1e6) bounds++;
      expect(r.tauS === null || r.tauS > 500).toBe(true);
    }
    expect(bounds).toBeGreaterThan(90);
    expect(() => sealDecay({ t, p: t.map(() => 0), volumeM3: V, atPa: -1000 })).toThrow(/pressure: 0 Pa/);
  });

  it('a device that warms by 3 K while it is held is called disturbed, not "below"', () => {
    // V dp/dt = −C p, and the air inside warms: p follows (p_room + p)/T dT/dt besides
    const tau = 200;
    let p = 1000;
    const log: { t: number[]; p: number[] } = { t: [], p: [] };
    for (let i = 0; i <= 1200; i++) {
      if (i % 10 === 0) {
        log.t.push(i / 10);
        log.p.push(p + 0.5 * gauss());
      }
      const T = 295 + (3 * i) / 1200;
      p += (-p / tau + ((atm + p) / T) * (3 / 120)) * 0.1;
    }
    const r = sealDecay({ ...log, volumeM3: V, atPa: 1000, limit: 1e-5 });
    expect(r.disturbed || r.verdict !== 'below').toBe(true);
    // the clean one is not called disturbed
    const clean = hold(40, 120, 1000);
    const c = sealDecay({
      t: clean.map((x) => x.t),
      p: clean.map((x) => x.p + 0.5 * gauss()),
      volumeM3: V,
      atPa: 1000,
    });
    expect(c.disturbed).toBe(false);
    expect(Math.abs(c.tauS! / 40 - 1)).toBeLessThan(0.05);
  });

  it('the air of a high place counts: 140 s at 85 kPa are 140 s (simulated cooling hold)', () => {
    const room = 85_000;
    const tau = 140;
    const t: number[] = [];
    const pd: number[] = [];
    const gasK: number[] = [];
    let m = (room - 1000) / 310;
    for (let i = 0; i <= 600; i++) {
      const T = 295 + 15 * Math.exp(-i / 10 / 80);
      if (i % 10 === 0) {
        t.push(i / 10);
        pd.push(m * T - room);
        gasK.push(T);
      }
      m += (-(m * T - room) / tau / T) * 0.1;
    }
    const at = (roomPa?: number) => sealDecay({ t, p: pd, gasK, volumeM3: V, atPa: -1000, roomPa }).tauS!;
    expect(Math.abs(at(room) / tau - 1)).toBeLessThan(0.02);
    expect(Math.abs(at() / tau - 1)).toBeGreaterThan(0.1);
  });

  it('no loss seen after against a time constant before: at most so much; the other way round at least', () => {
    expect(leakRatio({ tauS: 40, u: 1 }, { tauS: null, u: 0, atLeastS: 900 })!.verdict).toBe('noWorse');
    expect(leakRatio({ tauS: null, u: 0, atLeastS: 900 }, { tauS: 40, u: 1 })!.verdict).toBe('leakier');
    expect(leakRatio({ tauS: null, u: 0, atLeastS: 900 }, { tauS: null, u: 0, atLeastS: 900 })).toBeNull();
  });
});

it('names what is impossible', () => {
  expect(() => sealDecay({ t: [0, 1, 2], p: [1, 2, 3], volumeM3: 6e-6, atPa: 1000 })).toThrow(/readings: 3/);
  expect(() => fitDecay([0, 1, 1, 2, 3], [5, 4, 3, 2, 1])).toThrow(/time: not rising/);
  expect(() => sealDecay({ t: [0, 1, 2, 3, 4], p: [1, 1, 1, 1, 9e9], volumeM3: 6e-6, atPa: 1000 })).toThrow(
    /pressure at 4 s/,
  );
});

it('two readings give the leak of the same time constant: V p / τ (analytic)', () => {
  const r = leakFromTau(60, 0, { volumeM3: 6e-6, uVolumeShare: 0, atPa: 1000, limit: 2e-4 });
  expect(r.leak).toBeCloseTo((6e-6 * 1000) / 60, 12);
  expect(r.uLeak).toBe(0);
  expect(r.verdict).toBe('below');
  expect(leakFromTau(60, 30, { volumeM3: 6e-6, atPa: 1000, limit: 1e-4 }).verdict).toBe('undecided');
  expect(leakFromTau(2, 0.1, { volumeM3: 6e-6, atPa: -1000, limit: 1e-4 }).verdict).toBe('above');
});

describe('a loss that hides in the scatter', () => {
  const t = Array.from({ length: 61 }, (_, i) => 10 * i);
  const held = (atPa: number, volumeM3: number, more: Partial<Parameters<typeof sealDecay>[0]> = {}) =>
    sealDecay({ t, p: t.map(() => atPa), volumeM3, atPa, ...more });

  it('a log that never moves: two of its last digits, 1 Pa each, may have gone unseen over its length', () => {
    // 2 Pa of 1000 Pa in 600 s: a time constant of 300,000 s at the least
    const r = held(-1000, 6e-6);
    expect(r.method).toBe('no loss seen');
    expect(r.tighterThanS!).toBeCloseTo((1000 * 600) / 2, 3);
    // leak = volume × pressure ÷ time constant
    expect(r.leak).toBeCloseTo((6e-6 * 1000) / r.tighterThanS!, 18);
  });

  it.each([
    [-500, 2e-6],
    [2000, 9e-6],
  ])('at %d Pa and %d m³ the bound is the volume’s share of what could have gone', (atPa, volumeM3) => {
    const r = held(atPa, volumeM3);
    expect(r.leak * r.tighterThanS!).toBeCloseTo(volumeM3 * Math.abs(atPa), 12);
  });

  it('it is under a limit when its bound is with what is not known of the volume, two standard uncertainties', () => {
    const { leak } = held(-1000, 6e-6);
    const high = leak * (1 + 2 * 0.1);
    const verdict = (limit: number) => held(-1000, 6e-6, { uVolumeShare: 0.1, limit }).verdict;
    expect(verdict(high * 1.001)).toBe('below');
    expect(verdict(high * 0.999)).toBe('undecided');
    expect(verdict(leak * 0.5)).toBe('undecided');
  });
});

it('a hold that is let go ends with its last reading before the fall, and the room is what comes after', () => {
  const held = Array.from({ length: 20 }, (_, i) => 103_000 - 10 * i);
  const room = Array.from({ length: 7 }, (_, i) => 100_000 + (i % 2));
  const p = [...held, ...room];
  const cut = absoluteHold(
    p.map((_, i) => i / 2),
    p,
  )!;
  expect(cut).toMatchObject({ from: 'after', first: 0 });
  expect(cut.p).toHaveLength(20);
  expect(cut.roomPa).toBeCloseTo(100_000.5, 0);
  expect(cut.p[0]).toBeCloseTo(103_000 - cut.roomPa, 6);
  expect(cut.t.at(-1)).toBeCloseTo(9.5, 9);
});

it('a tight hold after a long wait is still the hold: its room stays where it was but for its noise', () => {
  const noise = [0, 2, -1, 1, -2, 1, 0, -1, 2, 0];
  const room = Array.from({ length: 40 }, (_, i) => 100_000 + noise[i % 10]!);
  const held = Array.from({ length: 20 }, (_, i) => 99_000 + noise[(i + 3) % 10]!);
  const p = [...room, ...held];
  const cut = absoluteHold(
    p.map((_, i) => i),
    p,
  )!;
  expect(cut.from).toBe('before');
  expect(cut.first).toBeGreaterThanOrEqual(40);
  expect(cut.roomPa).toBeCloseTo(100_000, -1);
});
