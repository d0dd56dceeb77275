import { coarseModel } from '../../../test-support/modes';
import { toThermalStack } from '../device/thermalStack';
import { SimulatedBench, type HiddenTruth } from '../instruments/simulatedBench';
import { calibrate, checkLog, predictAt, type CalibrationInput } from './calibrate';
import { benchEnvironment } from './environment';
import { makeGrid } from './grid';
import { defaultPlate } from './heater';
import { bondReadings, readOff } from './observe';
import { uncertainAxes } from './heaterDefs';
import { arcCells } from './arcs';
import { HeatRun } from './run';
import { HeatSolver } from './solver';

const { device, model } = coarseModel();
/** the bond cell nearest to the middle of the bottom edge */
const cell = model.modes.bondSMm.reduce((best, s, i, all) => (s < all[best]! ? i : best), 0);
const start = { conductanceWm2K: 350, offsetK: 0, lagS: 45 };

function logOf(truth: HiddenTruth, seconds: number, seed: number) {
  const bench = new SimulatedBench(model, truth, cell, 22, seed);
  bench.control(0, { setC: 110, heating: true });
  bench.device(0, true);
  const tS: number[] = [];
  const tempC: number[] = [];
  for (let t = 0; t <= seconds; t += 2) {
    tS.push(t);
    tempC.push(bench.read(t).probeC!);
  }
  return { tS, tempC };
}
const fit = (log: CalibrationInput['log'], more: Partial<CalibrationInput> = {}) =>
  calibrate(model, { log, setC: 110, ambientC: 22, cell, preheated: false, start, ...more });

describe('synthetic logs with 0.4 K noise (own section 8): recovered within 3 standard errors', () => {
  it.each([
    [350, -6, 45, 3],
    [350, -6, 45, 17],
    [180, 3, 20, 5],
    [500, -10, 80, 9],
  ])('%d W/m²K, %d K, %d s, seed %d', (conductanceWm2K, offsetK, lagS, seed) => {
    const f = fit(logOf({ conductanceWm2K, offsetK, lagS, noiseK: 0.4 }, 480, seed));
    expect(Math.abs(f.value.conductanceWm2K - conductanceWm2K)).toBeLessThan(3 * f.se.conductanceWm2K);
    expect(Math.abs(f.value.offsetK - offsetK)).toBeLessThan(3 * f.se.offsetK);
    expect(Math.abs(f.value.lagS - lagS)).toBeLessThan(3 * f.se.lagS);
    expect(f.residualSdK).toBeGreaterThan(0.3);
    expect(f.residualSdK).toBeLessThan(0.5);
    // conductance and offset trade off against each other
    expect(f.correlation).toBeLessThan(-0.8);
    expect(f.atEnd).toEqual([]);
  });
  it('a short log knows less, and a probe laid on the plate helps', () => {
    const truth = { conductanceWm2K: 350, offsetK: -6, lagS: 45, noiseK: 0.4 };
    const long = fit(logOf(truth, 480, 4));
    const short = fit(logOf(truth, 180, 4));
    const helped = fit(logOf(truth, 180, 4), { prior: { offsetK: { mean: -6, sd: 0.5 } } });
    expect(short.se.conductanceWm2K).toBeGreaterThan(3 * long.se.conductanceWm2K);
    expect(helped.se.conductanceWm2K).toBeLessThan(short.se.conductanceWm2K / 2);
    expect(Math.abs(helped.value.offsetK + 6)).toBeLessThan(1.6);
  });
});

it('a log of the full model with true radiation, another step and no noise is met within the reduction’s error', () => {
  const stack = toThermalStack(device, device.bonds[0]!, new Set(device.parts.map((p) => p.id)));
  const grid = makeGrid(stack, { nx: 18, ny: 38 });
  const s = new HeatSolver(grid, benchEnvironment(22, 'true'), 22, 1e-7);
  const r = bondReadings(grid)[cell]!;
  const tS: number[] = [0];
  const tempC: number[] = [22];
  s.run({ conductanceWm2K: 300, plateC: (t) => 104 - 82 * Math.exp(-t / 40) }, 480, 4, (t) => {
    tS.push(t);
    tempC.push(readOff((c, k) => s.at(c, k), r));
  });
  const f = fit({ tS, tempC });
  expect(f.value.conductanceWm2K).toBeGreaterThan(270);
  expect(f.value.conductanceWm2K).toBeLessThan(330);
  // linearised radiation ends up in the offset
  expect(Math.abs(f.value.offsetK + 6)).toBeLessThan(1.5);
  expect(Math.abs(f.value.lagS - 40)).toBeLessThan(4);
  // the line itself is far better determined than the three figures
  const later = predictAt(model, f, { setC: 110, ambientC: 22, cell, preheated: false }, 120);
  const k = tS.findIndex((t) => t >= 120);
  expect(Math.abs(later.meanC - tempC[k]!)).toBeLessThan(0.5);
  expect(later.seK).toBeLessThan(1);
});

it('is not biased: 20 logs of the full model with true radiation over the allowed range, mean bias under one standard error', () => {
  const stack = toThermalStack(device, device.bonds[0]!, new Set(device.parts.map((p) => p.id)));
  const grid = makeGrid(stack, { nx: 18, ny: 38 });
  const r = bondReadings(grid)[cell]!;
  let seed = 5;
  const u = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
  const gauss = () => Math.sqrt(-2 * Math.log(1 - u())) * Math.cos(2 * Math.PI * u());
  const sum = { conductanceWm2K: 0, offsetK: 0, lagS: 0 };
  const n = 20;
  for (let k = 0; k < n; k++) {
    const truth = { conductanceWm2K: 120 + 25 * k, offsetK: -8 + 0.8 * k, lagS: 20 + 3 * k };
    const s = new HeatSolver(grid, benchEnvironment(22, 'true'), 22, 1e-5);
    const targetC = 110 + truth.offsetK;
    const tS: number[] = [0];
    const tempC: number[] = [22];
    const plateC = (t: number) => targetC - (targetC - 22) * Math.exp(-t / truth.lagS);
    s.run({ conductanceWm2K: truth.conductanceWm2K, plateC }, 420, 4, (t) => {
      tS.push(t);
      tempC.push(readOff((c, z) => s.at(c, z), r) + 0.4 * gauss());
    });
    const f = fit({ tS, tempC });
    for (const id of ['conductanceWm2K', 'offsetK', 'lagS'] as const)
      sum[id] += (f.value[id] - truth[id]) / f.se[id] / n;
  }
  for (const z of Object.values(sum)) expect(Math.abs(z)).toBeLessThan(1);
});

it('a preheated plate leaves no trace of its lag: two figures are fitted', () => {
  const bench = new SimulatedBench(model, { conductanceWm2K: 260, offsetK: -4, lagS: 1, noiseK: 0.2 }, cell, 22, 8);
  bench.control(-600, { setC: 110, heating: true });
  bench.device(0, true);
  const tS = Array.from({ length: 200 }, (_, i) => 2 * i);
  const f = fit({ tS, tempC: tS.map((t) => bench.read(t).probeC!) }, { preheated: true });
  expect(Math.abs(f.value.conductanceWm2K - 260)).toBeLessThan(3 * f.se.conductanceWm2K + 1);
  expect(f.value.lagS).toBe(45);
  expect(f.se.lagS).toBe(0);
});

it.each([
  ['too few', { tS: [0, 1, 2], tempC: [20, 30, 40] }, /log.points: 3 .* at least 20/],
  [
    'too short',
    { tS: Array.from({ length: 40 }, (_, i) => i), tempC: Array.from({ length: 40 }, (_, i) => 20 + i) },
    /log.length: 39 .* at least 180 s/,
  ],
  [
    'no rise',
    { tS: Array.from({ length: 100 }, (_, i) => 3 * i), tempC: Array.from({ length: 100 }, () => 22) },
    /log.rise: 0 .* at least 10 K/,
  ],
  [
    'time goes back',
    {
      tS: Array.from({ length: 100 }, (_, i) => (i === 50 ? 0 : 3 * i)),
      tempC: Array.from({ length: 100 }, (_, i) => 22 + i),
    },
    /log.time 51/,
  ],
])('refuses a log that is %s, saying what is needed', (_, log, message) => {
  expect(() => checkLog(log)).toThrow(message);
});

it('a calibrated heater keeps its covariance: the line is narrow although each figure is wide', () => {
  const f = fit(logOf({ conductanceWm2K: 350, offsetK: -6, lagS: 45, noiseK: 0.4 }, 300, 4));
  const wide = {
    ...defaultPlate,
    conductanceWm2K: { ...defaultPlate.conductanceWm2K, value: f.value.conductanceWm2K, u: f.se.conductanceWm2K },
    offsetK: { ...defaultPlate.offsetK, value: f.value.offsetK, u: f.se.offsetK },
  };
  const kept = {
    ...wide,
    calibration: {
      at: 0,
      device: 'x',
      setC: 110,
      count: 150,
      durationS: 300,
      residualSdK: 0.4,
      covariance: f.covariance,
    },
  };
  // the axes give the covariance back
  const [a, b] = uncertainAxes(kept);
  expect(a.into ** 2 + b.into ** 2).toBeCloseTo(f.covariance[0]!, 6);
  expect(a.offsetK ** 2 + b.offsetK ** 2).toBeCloseTo(f.covariance[4]!, 6);
  expect(a.into * a.offsetK + b.into * b.offsetK).toBeCloseTo(f.covariance[1]!, 6);
  const arcs = arcCells(model, 424);
  const width = (h: typeof defaultPlate) => {
    const r = HeatRun.start(model, h, 22, [{ atS: 0, setC: 110, preheated: true }]).arcC(120, arcs[0]!);
    return r.high - r.low;
  };
  expect(width(kept)).toBeLessThan(0.8 * width(wide));
});
