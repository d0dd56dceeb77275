import fc from 'fast-check';
import { readFileSync } from 'node:fs';

import { coarseFile, coarseModel, coarseSize } from '../../../test-support/modes';
import { decodeModes, encodeModes } from '../../model/modesFile';
import { shippedDevices } from '../../model/shippedDevices';
import shipped from '../../store/shippedModes.json';
import { bondPerimeter } from '../device/perimeter';
import { faceView } from '../device/faceView';
import { heatModelled, toThermalStack } from '../device/thermalStack';
import { benchEnvironment } from './environment';
import { exposure, fallsBelow, readyAt } from './forecast';
import { handlingS } from './heaterDefs';
import { checkGridSize, makeGrid } from './grid';
import { defaultPlate } from './heater';
import { buildModes, Cancelled } from './modes';
import { stackDigest } from './modeProjection';
import { bondReadings, faceReadings, readOff } from './observe';
import { ReducedModel } from './reduced';
import { Trajectory } from './trajectory';
import { arcCells } from './arcs';
import { HeatRun } from './run';
import { HeatSolver } from './solver';

const { device, model } = coarseModel();
const stack = toThermalStack(device, device.bonds[0]!, new Set(device.parts.map((p) => p.id)));
const path = bondPerimeter(device, device.bonds[0]!);
const arcs = arcCells(model, path.lengthMm);
const plate110 = [{ atS: 0, setC: 110, preheated: true }];

it('the coarse modes that tests share are those that are built now', () => {
  const kept = decodeModes(readFileSync(coarseFile, 'utf8'), stackDigest(stack, coarseSize));
  // `npm run modes` writes them anew
  expect(kept).not.toBeNull();
  const fresh = buildModes(stack, () => true, coarseSize);
  const { rows: keptRows, ...keptRest } = kept!;
  const { rows: freshRows, ...freshRest } = fresh;
  expect(keptRest).toEqual(JSON.parse(JSON.stringify(freshRest)));
  freshRows.forEach((r, n) => {
    const same = keptRows[n]!;
    expect([same.id, same.count]).toEqual([r.id, r.count]);
    // kept to 16 bits of each mode's largest value
    const most = new Float64Array(fresh.rank);
    r.values.forEach((v, i) => (most[i % fresh.rank] = Math.max(most[i % fresh.rank]!, Math.abs(v))));
    const off = r.values.reduce(
      (m, v, i) => Math.max(m, Math.abs(v - same.values[i]!) / (most[i % fresh.rank] || 1)),
      0,
    );
    expect(off).toBeLessThan(1 / 32767);
  });
});

it('agrees with the full coupled model, radiation included, within 0.5 K for heat and cooling (own section 11)', () => {
  const grid = makeGrid(stack, { nx: 18, ny: 38 });
  const s = new HeatSolver(grid, benchEnvironment(22, 'true'), 22, 1e-7);
  const at = (c: number, k: number) => s.at(c, k);
  const ring = bondReadings(grid);
  const w = grid.watch.find((x) => x.id === 'battery')!;
  const cell = faceReadings(grid, w.columns, w.k);
  const run = HeatRun.start(model, defaultPlate, 22, [...plate110, { atS: 180, setC: null, preheated: false }]);
  const compare = (t: number) => {
    const bond = run.arcsC(t, arcs).reduce((m, r) => Math.min(m, r.mean), Infinity);
    expect(Math.abs(bond - ring.reduce((m, r) => Math.min(m, readOff(at, r)), Infinity))).toBeLessThan(0.5);
    expect(
      Math.abs(run.partC(t, 'battery')!.mean - cell.reduce((m, r) => Math.max(m, readOff(at, r)), -Infinity)),
    ).toBeLessThan(0.5);
  };
  s.run({ conductanceWm2K: 350, plateC: () => 110 }, 180, 5, (t) => t % 30 === 0 && compare(t));
  s.run(null, 180, 5, (t) => t % 30 === 0 && compare(180 + t));
});

it.each([
  [-10, 160],
  [22, 160],
  [45, 160],
  [22, 60],
])('within 0.5 K of the full model in a room of %d °C on a plate of %d °C, radiation true in both', (roomC, setC) => {
  const grid = makeGrid(stack, { nx: 18, ny: 38 });
  const s = new HeatSolver(grid, benchEnvironment(roomC, 'true'), roomC, 1e-6);
  const ring = bondReadings(grid);
  const run = HeatRun.start(model, defaultPlate, roomC, [
    { atS: 0, setC, preheated: true },
    { atS: 240, setC: null, preheated: false },
  ]);
  const compare = (t: number) => {
    const full = ring.reduce(
      (m, r) =>
        Math.min(
          m,
          readOff((c, k) => s.at(c, k), r),
        ),
      Infinity,
    );
    const own = run.arcsC(t, arcs).reduce((m, r) => Math.min(m, r.mean), Infinity);
    expect(Math.abs(full - own)).toBeLessThan(0.5);
  };
  s.run({ conductanceWm2K: 350, plateC: () => setC }, 240, 5, (t) => t % 60 === 0 && compare(t));
  s.run(null, 240, 5, (t) => t % 60 === 0 && compare(240 + t));
});

it('a fan over the open face takes heat from it, and from no other (own section; Incropera & DeWitt eq. 7.30)', () => {
  const at = (air: 'still' | 'draught', t: number) =>
    HeatRun.start(model, defaultPlate, 22, [...plate110, { atS: 180, setC: null, preheated: false }], {}, air);
  const line = (air: 'still' | 'draught', t: number) => at(air, t).arcC(t, arcs[0]!).mean;
  expect(line('draught', 180)).toBeLessThan(line('still', 180) - 1);
  expect(line('draught', 240)).toBeLessThan(line('still', 240) - 3);
  // against the full model with another film at the far face
  const grid = makeGrid(stack, { nx: 18, ny: 38 });
  const s = new HeatSolver(grid, { ...benchEnvironment(22, 'true'), frontConvWm2K: 17 }, 22, 1e-6);
  s.run({ conductanceWm2K: 350, plateC: () => 110 }, 180, 5);
  const full = bondReadings(grid).reduce(
    (m, r) =>
      Math.min(
        m,
        readOff((c, k) => s.at(c, k), r),
      ),
    Infinity,
  );
  const own = at('draught', 180)
    .arcsC(180, arcs)
    .reduce((m, r) => Math.min(m, r.mean), Infinity);
  expect(Math.abs(full - own)).toBeLessThan(0.5);
});

it('refuses by name what is no number: glass, contact, setpoint, room', () => {
  const bad = (h: Partial<typeof defaultPlate>) =>
    HeatRun.start(model, { ...defaultPlate, ...h }, 22, [{ atS: 0, setC: 110, preheated: true }]);
  expect(() => bad({ conductanceWm2K: { ...defaultPlate.conductanceWm2K, value: NaN } })).toThrow(
    /conductanceWm2K: NaN/,
  );
  expect(() => HeatRun.start(model, defaultPlate, NaN)).toThrow(/ambientC: NaN/);
  expect(() => HeatRun.start(model, defaultPlate, 22, [{ atS: 0, setC: NaN, preheated: true }])).toThrow(/setC: NaN/);
  const thin = { ...device, faces: device.faces.map((f) => ({ ...f, cover: { ...f.cover, hMm: -0.8 } })) };
  expect(() => toThermalStack(thin, thin.bonds[0]!, new Set())).toThrow(/cover.hMm: -0.8/);
});

it('solves each mode in closed form: the same as small implicit steps of the reduced equations', () => {
  const { modes } = model;
  const r = modes.rank;
  const h = 350;
  const u = 1 / (1 / h + 1 / modes.firstHalfCellWm2K);
  const phase = { startS: 0, contactWm2K: h, targetC: 110, plateStartC: 22, lagS: 45 };
  const exact = new Trajectory(model, [phase], 22, modes.hFreeWm2K, { radiation: 'linear' }).state(90);
  // fourth-order Runge-Kutta on y' = -(K + uB) y + u b (Tp - Ta), lag included; small steps keep the stiff modes stable
  const f = (y: Float64Array, t: number) => {
    const tp = 110 - 88 * Math.exp(-t / 45) - 22;
    return Float64Array.from(y, (_, i) => {
      let v = u * modes.forcing[i]! * tp;
      for (let j = 0; j < r; j++) v -= (modes.k[i * r + j]! + u * modes.b[i * r + j]!) * y[j]!;
      return v;
    });
  };
  const add = (a: Float64Array, b: Float64Array, k: number) => a.map((v, i) => v + k * b[i]!);
  let y: Float64Array = new Float64Array(r);
  const dt = 0.05;
  for (let t = 0; t < 90 - 1e-9; t += dt) {
    const k1 = f(y, t);
    const k2 = f(add(y, k1, dt / 2), t + dt / 2);
    const k3 = f(add(y, k2, dt / 2), t + dt / 2);
    const k4 = f(add(y, k3, dt), t + dt);
    y = y.map((v, i) => v + (dt / 6) * (k1[i]! + 2 * k2[i]! + 2 * k3[i]! + k4[i]!));
  }
  const scale = Math.max(...exact.map(Math.abs));
  exact.forEach((v, i) => expect(Math.abs(v - y[i]!) / scale).toBeLessThan(1e-5));
});

it('does not care how a run is cut into phases (property)', () => {
  fc.assert(
    fc.property(fc.integer({ min: 5, max: 150 }), fc.integer({ min: 1, max: 100 }), (cut, more) => {
      const whole = new Trajectory(
        model,
        [{ startS: 0, contactWm2K: 350, targetC: 105, plateStartC: 105, lagS: 0 }],
        22,
        15,
        { radiation: 'linear' },
      );
      const two = whole.with({ startS: cut, contactWm2K: 350, targetC: 105, plateStartC: 105, lagS: 0 });
      const a = whole.state(cut + more);
      const b = two.state(cut + more);
      return a.every((v, i) => Math.abs(v - b[i]!) < 1e-6 * (1 + Math.abs(v)));
    }),
    { numRuns: 20 },
  );
});

it('is linear in the drive without radiation, and a little less than that with it', () => {
  const rise = (targetC: number, radiation: 'true' | 'linear') => {
    const phase = { startS: 0, contactWm2K: 350, targetC, plateStartC: targetC, lagS: 0 };
    const y = new Trajectory(model, [phase], 20, model.stillAir, { radiation }).state(300);
    return model
      .rows('bond')
      .values.subarray(0, model.modes.rank)
      .reduce((m, v, i) => m + v * y[i]!, 0);
  };
  expect(rise(100, 'linear') / rise(60, 'linear')).toBeCloseTo(2, 6);
  expect(rise(100, 'true') / rise(60, 'true')).toBeLessThan(1.999);
  expect(rise(100, 'true') / rise(60, 'true')).toBeGreaterThan(1.96);
});

it('orders its bounds and widens them with the uncertainty of the plate', () => {
  const sharp = {
    ...defaultPlate,
    conductanceWm2K: { ...defaultPlate.conductanceWm2K, u: 5 },
    offsetK: { ...defaultPlate.offsetK, u: 0.2 },
  };
  for (const t of [30, 90, 150]) {
    const wide = HeatRun.start(model, defaultPlate, 22, plate110).arcC(t, arcs[0]!);
    const tight = HeatRun.start(model, sharp, 22, plate110).arcC(t, arcs[0]!);
    expect(wide.low).toBeLessThan(wide.mean);
    expect(wide.mean).toBeLessThan(wide.high);
    expect(tight.high - tight.low).toBeLessThan(wide.high - wide.low);
    expect(tight.mean).toBeCloseTo(wide.mean, 9);
  }
});

describe('forecast', () => {
  const run = HeatRun.start(model, defaultPlate, 22, plate110);

  it('ready is the usual instant, at the latest the late one: the line is easy after the way to the bench', () => {
    const ready = readyAt(run, arcs[0]!, 62, 0)!;
    expect(ready.low).toBeLessThanOrEqual(ready.mean);
    expect(ready.mean).toBeLessThanOrEqual(ready.high);
    const line = (leaveS: number) =>
      run.then({ atS: leaveS, setC: null, preheated: false }).arcC(leaveS + handlingS.value, arcs[0]!);
    expect(line(ready.mean).mean).toBeGreaterThanOrEqual(62 - 0.1);
    expect(line(ready.mean - 3).mean).toBeLessThan(62);
    // the late end is where even an unlucky contact has got there
    expect(line(ready.high).low).toBeGreaterThan(61);
  });

  it('is never ready when the plate is too cold', () => {
    const cold = HeatRun.start(model, defaultPlate, 22, [{ atS: 0, setC: 60, preheated: true }]);
    expect(readyAt(cold, arcs[0]!, 62, 0)).toBeNull();
  });

  it('a hotter plate is ready sooner and costs the cell more (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 95, max: 125 }), (c) => {
        const at = (setC: number) =>
          readyAt(HeatRun.start(model, defaultPlate, 22, [{ atS: 0, setC, preheated: true }]), arcs[0]!, 50, 0)!;
        return at(c + 5).high < at(c).high;
      }),
      { numRuns: 8 },
    );
  });

  it('"sticks back within minutes" after a plate (common practice): below 50 °C only after a minute or more', () => {
    const off = run.then({ atS: 180, setC: null, preheated: false });
    const grips = fallsBelow(off, arcs[0]!, 50, 180);
    expect(grips.low - 180).toBeGreaterThan(60);
    expect(grips.low - 180).toBeLessThan(600);
    expect(grips.low).toBeLessThanOrEqual(grips.high);
  });

  it('limits read the high bound: the cell is above caution by the high bound before it is by the mean', () => {
    const e = exposure(run, 'battery', { cautionC: 60, stopC: 80 }, 0, 200)!;
    expect(e.peakC.high).toBeGreaterThan(e.peakC.mean);
    expect(e.aboveCautionS.high).toBeGreaterThanOrEqual(e.aboveCautionS.mean);
    // own finding: on a 110 °C plate the cell passes 60 °C before the ring is soft
    expect(e.cautionAtS!).toBeLessThan(readyAt(run, arcs[0]!, 62, 0)!.high);
  });

  it('doses add up over reheats', () => {
    const marks = { cautionC: 60, stopC: 80 };
    const once = run.then({ atS: 150, setC: null, preheated: false });
    const twice = once.then({ atS: 400, setC: 110, preheated: true }).then({ atS: 480, setC: null, preheated: false });
    const first = exposure(once, 'battery', marks, 0, 399, 1)!.aboveCautionS.mean;
    const all = exposure(twice, 'battery', marks, 0, 900, 1)!.aboveCautionS.mean;
    expect(all).toBeGreaterThan(first + 30);
  });
});

describe('modes', () => {
  it('come back from their file within half a step of 16 bits, and a damaged file is refused', () => {
    const text = encodeModes(model.modes);
    const back = decodeModes(text, model.modes.digest)!;
    expect(back.k).toEqual(model.modes.k);
    for (const [i, rows] of model.modes.rows.entries()) {
      const most = new Array<number>(rows.values.length / rows.count).fill(0);
      rows.values.forEach((v, q) => (most[q % most.length] = Math.max(most[q % most.length]!, Math.abs(v))));
      const worst = back.rows[i]!.values.reduce(
        (m, v, q) => Math.max(m, Math.abs(v - rows.values[q]!) / (most[q % most.length]! / 32767 || 1)),
        0,
      );
      expect(worst).toBeLessThan(0.51);
    }
    // what that costs in kelvins
    const at = (m: typeof model.modes) =>
      HeatRun.start(new ReducedModel(m), defaultPlate, 22, plate110)
        .arcsC(120, arcs)
        .map((r) => r.mean);
    at(back).forEach((v, i) => expect(Math.abs(v - at(model.modes)[i]!)).toBeLessThan(0.01));
    expect(decodeModes(text.slice(0, 5000), model.modes.digest)).toBeNull();
    expect(decodeModes(text, 'other')).toBeNull();
  });

  it('are cancelled when the caller says so', () => {
    let calls = 0;
    expect(() => buildModes(stack, () => ++calls < 3, { nx: 8, ny: 16 })).toThrow(Cancelled);
    expect(calls).toBe(3);
  });

  it.each(
    shippedDevices
      .map((d) => [d.id, faceView(d, d.bonds[0]!)] as const)
      .filter(([, v]) => heatModelled(v.device, v.bond)),
  )('of %s ship with the app and belong to its present model', (id, { device: d, bond }) => {
    const s = toThermalStack(d, bond, new Set(d.parts.map((p) => p.id)));
    const digest = stackDigest(s, checkGridSize(s));
    expect(shipped[id as keyof typeof shipped]).toBe(digest);
    const modes = decodeModes(readFileSync(`public/modes/${digest}.json`, 'utf8'), digest);
    expect(modes).not.toBeNull();
    const m = new ReducedModel(modes!);
    const p = bondPerimeter(d, bond);
    const edge = HeatRun.start(m, defaultPlate, 22, plate110).arcsC(120, arcCells(m, p.lengthMm));
    expect(Math.min(...edge.map((e) => e.mean))).toBeGreaterThan(50);
    // nothing is hotter than the plate that heats it
    expect(Math.max(...edge.map((e) => e.mean))).toBeLessThan(110);
  });
});
