import { coarseModel } from '../../../test-support/modes';
import type { Range } from '../source';
import { Trajectory } from '../heat/trajectory';
import { probeLimits, trend, watchProbe, type ProbeReading } from './probeWatch';
import { SimulatedBench, simulatedFaults, type SimulatedFault } from './simulatedBench';

const { model } = coarseModel();
const cell = 0;
const truth = { conductanceWm2K: 320, offsetK: -3, lagS: 40, noiseK: 0.3 };

/** The model that the app believes: near the truth, not the truth. */
function expected(tS: number): Range {
  const run = new Trajectory(
    model,
    [{ startS: 0, contactWm2K: 350, targetC: 110, plateStartC: 22, lagS: 45 }],
    22,
    model.modes.hFreeWm2K,
  );
  const y = run.state(tS);
  let mean = 22;
  for (let m = 0; m < y.length; m++) mean += model.rows('bond').values[cell * y.length + m]! * y[m]!;
  return { low: mean - 5, mean, high: mean + 5 };
}

function session(fault: SimulatedFault, faultAtS: number, endS: number, seed = 3): ProbeReading[] {
  const bench = new SimulatedBench(model, truth, cell, 22, seed);
  bench.control(0, { setC: 110, heating: true });
  bench.device(0, true);
  const out: ProbeReading[] = [];
  for (let t = 0; t <= endS; t += 1) {
    if (t === faultAtS) bench.setFault(t, fault);
    const { probeC } = bench.read(t);
    if (probeC !== undefined) out.push({ tS: t, tempC: probeC });
  }
  return out;
}

it.each([2, 3, 4, 5])('a sound probe raises nothing over five minutes (seed %d)', (seed) => {
  const all = session('none', 0, 300, seed);
  for (let end = 5; end <= 300; end += 5) {
    const s = watchProbe(all.slice(0, end + 1), expected, end, 22);
    expect(s.fault).toBeNull();
    expect(s.good!.tS).toBe(end);
  }
});

it.each([
  ['loose', 'loose', 15],
  ['dropout', 'dropout', 10],
  ['open', 'open', 3],
  ['frozen', 'frozen', 30],
  ['drift', 'drift', 170],
] as const)('%s is noticed as %s within %d s, and the last good reading is from before it', (fault, word, withinS) => {
  const at = 150;
  const s = watchProbe(session(fault, at, at + withinS), expected, at + withinS, 22);
  expect(s.fault).toBe(word);
  // a dead probe is never a cold device: no reading from after the fault is good
  if (s.good) expect(s.good.tS).toBeLessThanOrEqual(at + 5);
});

it('a probe that never was at the line is not one that came off', () => {
  const list = Array.from({ length: 90 }, (_, t) => ({ tS: t, tempC: 24 + 0.02 * t + 0.1 * Math.sin(t) }));
  expect(watchProbe(list, expected, 89, 22)).toMatchObject({ fault: 'astray', good: null });
});

it('readings that come again are good again', () => {
  const bench = new SimulatedBench(model, truth, cell, 22, 6);
  bench.control(0, { setC: 110, heating: true });
  bench.device(0, true);
  const list: ProbeReading[] = [];
  for (let t = 0; t <= 240; t++) {
    if (t === 100) bench.setFault(t, 'open');
    if (t === 120) bench.setFault(t, 'none');
    const { probeC } = bench.read(t);
    if (probeC !== undefined) list.push({ tS: t, tempC: probeC });
  }
  expect(watchProbe(list.slice(0, 112), expected, 111, 22).fault).toBe('open');
  expect(watchProbe(list, expected, 240, 22).fault).toBeNull();
});

it('no reading at all is a dropout without a value', () => {
  expect(watchProbe([], expected, 5, 22)).toEqual({ fault: 'dropout', sinceS: null, good: null });
});

it('trend is the least-squares line', () => {
  const { slope, intercept } = trend([
    [0, 1],
    [1, 3],
    [2, 5],
    [3, 7],
  ]);
  expect([slope, intercept]).toEqual([2, 1]);
});

it('the simulated bench is the reduced model with its hidden figures; its display reads without its offset', () => {
  const bench = new SimulatedBench(model, { ...truth, noiseK: 0 }, cell, 22);
  bench.control(0, { setC: 110, heating: true });
  expect(bench.read(400)).toMatchObject({ plateC: 110, setC: 110, heating: true, deviceOn: false });
  expect(bench.read(400).probeC).toBeCloseTo(22, 1);
  bench.device(400, true);
  const y = new Trajectory(
    model,
    [{ startS: 400, contactWm2K: 320, targetC: 107, plateStartC: 107, lagS: 40 }],
    22,
    model.modes.hFreeWm2K,
  ).state(460);
  let line = 22;
  for (let m = 0; m < y.length; m++) line += model.rows('bond').values[cell * y.length + m]! * y[m]!;
  expect(Math.abs(bench.read(460).probeC! - line)).toBeLessThan(0.1);
  bench.device(500, false);
  bench.control(500, { heating: false });
  expect(bench.read(900).probeC!).toBeLessThan(bench.read(505).probeC!);
  expect(simulatedFaults).toContain('loose');
});

it('one that comes off is loose since the first reading that was not near the line any more', () => {
  // a line that stands at 90 °C: on it until 40 s, then in the air within two readings
  const still = () => ({ low: 86, mean: 90, high: 94 });
  const all = Array.from({ length: 60 }, (_, tS): ProbeReading => ({
    tS,
    tempC: tS <= 40 ? 89 + (tS % 3) / 2 : tS === 41 ? 60 : 26 + (tS % 3) / 2,
  }));
  expect(watchProbe(all, still, 59, 22)).toMatchObject({ fault: 'loose', sinceS: 41, good: { tS: 40 } });
});

describe('creeping away from the line', () => {
  const band = () => ({ low: 86, mean: 90, high: 94 });
  const limit = probeLimits.driftKMin.value;
  /** Two minutes of a straight creep to where it ends, with the flicker of a display. */
  const creep = (kPerMin: number, endC: number) =>
    watchProbe(
      Array.from({ length: 121 }, (_, tS): ProbeReading => ({
        tS,
        tempC: endC - (kPerMin * (120 - tS)) / 60 + (tS % 2 ? 0.05 : -0.05),
      })),
      band,
      120,
      22,
    ).fault;
  it.each([1, -1])('faster than the limit and outside of what the model expects it is told (toward %d)', (way) => {
    expect(creep(1.5 * limit * way, 90 + 5 * way)).toBe('drift');
    // slower, or still within the band: it may be the contact
    expect(creep(0.5 * limit * way, 90 + 5 * way)).toBeNull();
    expect(creep(1.5 * limit * way, 90 + 3 * way)).toBeNull();
  });
});
