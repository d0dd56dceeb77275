import fc from 'fast-check';

import { coarseModel } from '../../../test-support/modes';
import { bondPerimeter } from '../device/perimeter';
import { cameraZones } from '../device/thermalStack';
import { edgeLoop } from './airPath';
import { readyAt } from './forecast';
import { defaultDryer, defaultGun, defaultMat, defaultPlate, jetOf } from './heater';
import { airHandlingS, handlingS, leadOf, uncertainAxes } from './heaterDefs';
import { arcCells } from './arcs';
import { HeatRun } from './run';
import type { HeatSwitch, HeatUse } from './member';

const { device, model } = coarseModel();
const bond = device.bonds[0]!;
const arcs = arcCells(model, bondPerimeter(device, bond).lengthMm);
const on = (setC: number, more: Partial<HeatSwitch> = {}): HeatSwitch => ({ atS: 0, setC, preheated: true, ...more });
const air = (use: HeatUse, setC = 200) => HeatRun.start(model, defaultGun, 22, [on(setC)], use);
const coldest = (run: HeatRun, t: number) => run.arcsC(t, arcs).reduce((m, r) => Math.min(m, r.mean), Infinity);
const zones = cameraZones(device, bond);

it('a mask over the cameras keeps them cooler and the rest nearly as warm', () => {
  const bare = air({});
  const masked = air({ masks: zones.map((shape) => ({ shape, factor: 0.3 })) });
  expect(masked.partC(150, 'camera')!.mean).toBeLessThan(bare.partC(150, 'camera')!.mean - 3);
  expect(Math.abs(masked.arcC(150, arcs[0]!).mean - bare.arcC(150, arcs[0]!).mean)).toBeLessThan(1);
});

it('cameras that hang over the edge of a plate stay cooler than those that lie on it', () => {
  const use = (factor: number) => ({ lifted: zones.map((shape) => ({ shape, factor })) });
  const at = (u: HeatUse) => HeatRun.start(model, defaultPlate, 22, [on(110)], u).partC(120, 'camera')!.mean;
  expect(at(use(0))).toBeLessThan(at(use(0.5)));
  expect(at(use(0.5))).toBeLessThan(at({}));
});

it('farther, cooler or farther out is slower (properties of the jet on a device)', () => {
  fc.assert(
    fc.property(fc.integer({ min: 120, max: 300 }), fc.integer({ min: 30, max: 100 }), (setC, standoffMm) => {
      const here = coldest(air({ standoffMm }, setC), 90);
      return (
        coldest(air({ standoffMm: standoffMm + 20 }, setC), 90) <= here + 0.01 &&
        coldest(air({ standoffMm }, setC - 20), 90) < here &&
        coldest(air({ standoffMm, path: { kind: 'loop', insetMm: -25, roundS: 4 } }, setC), 90) < here
      );
    }),
    { numRuns: 12 },
  );
});

it('heat on one edge stays there: that edge is the warmest, the far one hardly moves', () => {
  const strip = air({ path: { kind: 'strip', insetMm: 2, from: -0.08, to: 0.08, speedMmS: 30 } });
  const line = strip.arcsC(60, arcs).map((r) => r.mean);
  expect(line.indexOf(Math.max(...line))).toBeLessThanOrEqual(2);
  expect(line[12]!).toBeLessThan(line[0]! / 1.5);
});

it('heaters follow one another on one device: what the first left is where the second begins', () => {
  const run = HeatRun.start(model, defaultPlate, 22, [
    on(100),
    { atS: 90, setC: null, preheated: false },
    { atS: 120, setC: 200, preheated: true, heater: defaultGun, use: { path: edgeLoop } },
  ]);
  const gunAlone = air({});
  expect(run.arcC(150, arcs[0]!).mean).toBeGreaterThan(gunAlone.arcC(30, arcs[0]!).mean + 10);
  expect(run.onPlate(130)!.heater!.id).toBe('gun');
  expect(run.onPlate(100)).toBeNull();
});

it('a heater from cold is slower than one that is ready; a slow mat more so', () => {
  const t = (h: typeof defaultPlate, preheated: boolean) =>
    readyAt(HeatRun.start(model, h, 22, [on(110, { preheated })]), arcs[0]!, 55, 0)!.mean;
  const [plateWait, matWait] = [defaultPlate, defaultMat].map((h) => t(h, false) - t(h, true)) as [number, number];
  expect(plateWait).toBeGreaterThan(10);
  expect(matWait).toBeGreaterThan(plateWait * 2);
});

it('a plate that is switched off under the device cools slower than a device that was taken off', () => {
  const heated = HeatRun.start(model, defaultPlate, 22, [on(110)]);
  const taken = heated.then({ atS: 150, setC: null, preheated: false });
  const left = heated.then({ atS: 150, setC: 22, preheated: false, fromC: 110, lagS: 600 });
  for (const t of [180, 240, 400]) expect(left.arcC(t, arcs[0]!).mean).toBeGreaterThan(taken.arcC(t, arcs[0]!).mean);
  expect(left.arcC(2400, arcs[0]!).mean).toBeLessThan(left.arcC(400, arcs[0]!).mean);
});

it('under moving air the bounds are wider by the swing of a round, and not after it', () => {
  const run = air({}).then({ atS: 100, setC: null, preheated: false });
  const width = (t: number) => {
    const r = run.arcC(t, arcs[0]!);
    return r.high - r.low;
  };
  expect(width(99.9) - width(100.2)).toBeGreaterThan(3);
});

it('hot air is laid aside at once, from a plate there is a way to go', () => {
  expect(leadOf(defaultGun)).toBe(airHandlingS.value);
  expect(leadOf(defaultDryer)).toBe(airHandlingS.value);
  expect(leadOf(defaultMat)).toBe(handlingS.value);
});

it('an uncalibrated heater is uncertain in each figure by itself', () => {
  expect(uncertainAxes(defaultPlate)).toEqual([
    { into: 40, offsetK: 0 },
    { into: 0, offsetK: 1.5 },
  ]);
  expect(uncertainAxes(defaultGun)).toEqual([
    { into: 0.34, offsetK: 0 },
    { into: 0, offsetK: 10 },
  ]);
});

it('the jet of a heater takes its own distance unless another is said', () => {
  expect(jetOf(defaultDryer, 120)).toMatchObject({ nozzleMm: 45, standoffMm: 115, airC: 120 });
  expect(jetOf(defaultDryer, 120, 1, 80)).toMatchObject({ standoffMm: 80, hScale: 1 });
});

it('the picture begins as warm as the room at every point, and each point is warmer after two minutes on the plate', () => {
  const run = HeatRun.start(model, defaultPlate, 22, [on(110)]);
  const cold = run.picture(0);
  const warm = run.picture(120);
  expect(cold.length).toBeGreaterThan(10);
  for (let i = 0; i < cold.length; i++) {
    expect(Math.abs(cold[i]! - 22)).toBeLessThan(0.5);
    expect(warm[i]!).toBeGreaterThan(25);
  }
  // the hottest point of the picture is what is told of the whole cover
  const whole = run.hottestUnderC(120, [device.faces[0]!.cover.outline as never])!;
  expect(Math.max(...warm)).toBeCloseTo(whole, 6);
  expect(whole).toBeGreaterThan(run.arcsC(120, arcs).reduce((m, r) => Math.min(m, r.mean), Infinity));
});
