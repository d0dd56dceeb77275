import { sealDecay } from '../seal/decay';
import { SimulatedTester } from './simulatedTester';

const device = { tauS: 90, noisePa: 0, roomC: 21 };
const volumeM3 = 6e-6;

it('the hold finds the hidden time constant back, of a vacuum too', () => {
  const t = new SimulatedTester(device, () => 0);
  for (const pa of [1000, -1000]) {
    const r = t.hold(pa, 120)!;
    expect(r.p[0]).toBeCloseTo(pa, 0);
    // an exponential in closed form (analytic): p0 exp(-t/τ)
    expect(r.p[30]).toBeCloseTo(pa * Math.exp(-60 / 90), 0);
    expect(sealDecay({ t: r.t, p: r.p, volumeM3, atPa: pa }).tauS! / 90).toBeCloseTo(1, 2);
  }
});

it('a warm device that cools: right with its temperature, wrong without it', () => {
  const t = new SimulatedTester(device, () => 0);
  t.setFault('warm');
  const r = t.hold(-1000, 180)!;
  const gasK = r.gasC!.map((c) => c + 273.15);
  const right = sealDecay({ t: r.t, p: r.p, gasK, volumeM3, atPa: -1000 });
  expect(right.method).toBe('cooling');
  expect(right.tauS! / 90).toBeCloseTo(1, 1);
  const wrong = sealDecay({ t: r.t, p: r.p, volumeM3, atPa: -1000 });
  expect(Math.abs((wrong.tauS ?? 0) / 90 - 1)).toBeGreaterThan(0.3);
});

it('faults: six times the leak, or nothing at all', () => {
  const t = new SimulatedTester(device, () => 0);
  t.setFault('leaky');
  const r = t.hold(-1000, 60)!;
  expect(sealDecay({ t: r.t, p: r.p, volumeM3, atPa: -1000 }).tauS!).toBeCloseTo(15, 1);
  t.setFault('silent');
  expect(t.hold(-1000, 60)).toBeNull();
});
