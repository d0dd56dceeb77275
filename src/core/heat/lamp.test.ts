import { coarseModel, coarseSize, coarseStack } from '../../../test-support/modes';
import { material, slab } from '../../../test-support/slab';
import { Perimeter } from '../device/perimeter';
import { benchEnvironment } from './environment';
import { makeGrid } from './grid';
import { defaultGun, defaultLamp, defaultPlate, type Heater } from './heater';
import { defOf, leadOf, unmoved } from './heaterDefs';
import { bondReadings, faceReadings, readOff } from './observe';
import { opening } from './opening';
import { arcCells } from './arcs';
import { HeatRun } from './run';
import { HeatSolver } from './solver';

const { model } = coarseModel();
const { stack } = coarseStack();
const over = (setC: number, ambientC: number, moved = unmoved) => {
  const at = defOf(defaultLamp).over(defaultLamp, { use: {}, setC, moved, ambientC, outline: stack.outline });
  const back = at.back as { kind: 'rays'; filmWm2K: number };
  return { ...at, fluxWm2: back.filmWm2K * (at.targetC - ambientC), filmWm2K: back.filmWm2K };
};

it('grey exchange by hand: 0.4 of the view at 350 °C over glass in a room of 22 °C bring 2.92 kW/m² (Incropera & DeWitt ch. 13)', () => {
  // 0.4 · 0.9 · 5.67e-8 · (623.15⁴ − 295.15⁴)
  expect(over(350, 22).fluxWm2).toBeCloseTo(2923, -1);
  expect(over(22, 22).fluxWm2).toBeCloseTo(0, 9);
  // what is uncertain about the view goes with the flux
  expect(over(350, 22, { into: 0.04, offsetK: 0 }).fluxWm2 / over(350, 22).fluxWm2).toBeCloseTo(1.1, 6);
});

it('a constant flux on a half space: 2 q √(α t/π)/k at the surface (Carslaw & Jaeger 2.9; Incropera & DeWitt eq. 5.62)', () => {
  const [k, rhoC, q, seconds] = [1, 2e6, 3000, 60];
  const grid = slab([{ thicknessMm: 60, cells: 240, material: 'glass' }], { glass: material(k, rhoC) });
  // next to nothing is lost
  const s = new HeatSolver(grid, { ambientC: 20, hConvWm2K: 1e-6, emissivity: 0, radiation: 'linearised' }, 20, 1e-10);
  s.run({ conductanceWm2K: 0, plateC: () => 20 + q / 15, raysWm2K: 15 }, seconds, 0.25);
  const halfCellK = q / (grid.toBack[0]! as number);
  expect(s.at(0, 0) + halfCellK - 20).toBeCloseTo((2 * q * Math.sqrt(((k / rhoC) * seconds) / Math.PI)) / k, 1);
});

it.each([
  [22, 350],
  [-10, 400],
  [45, 300],
])(
  'reduced within 0.5 K of the full model in a room of %d °C under elements of %d °C, bond and cell',
  (roomC, setC) => {
    const grid = makeGrid(stack, coarseSize);
    const s = new HeatSolver(grid, benchEnvironment(roomC, 'true'), roomC, 1e-6);
    const at = (c: number, k: number) => s.at(c, k);
    const ring = bondReadings(grid);
    const w = grid.watch.find((x) => x.id === 'battery')!;
    const cells = faceReadings(grid, w.columns, w.k);
    const arcs = arcCells(model, new Perimeter(stack.pathOutline).lengthMm);
    const run = HeatRun.start(model, defaultLamp, roomC, [
      { atS: 0, setC, preheated: true },
      { atS: 240, setC: null, preheated: false },
    ]);
    const compare = (t: number) => {
      const full = ring.reduce((m, r) => Math.min(m, readOff(at, r)), Infinity);
      const own = run.arcsC(t, arcs).reduce((m, r) => Math.min(m, r.mean), Infinity);
      expect(Math.abs(full - own)).toBeLessThan(0.5);
      const cell = cells.reduce((m, r) => Math.max(m, readOff(at, r)), -Infinity);
      expect(Math.abs(run.partC(t, 'battery')!.mean - cell)).toBeLessThan(0.5);
    };
    const { targetC, filmWm2K } = over(setC, roomC);
    s.run({ conductanceWm2K: 0, plateC: () => targetC, raysWm2K: filmWm2K }, 240, 5, (t) => t % 60 === 0 && compare(t));
    s.run(null, 240, 5, (t) => t % 60 === 0 && compare(240 + t));
  },
);

it('the surface under a lamp is hotter than its cell by the flux through half a cell, less what it gives off', () => {
  const run = HeatRun.start(model, defaultLamp, 22, [{ atS: 0, setC: 350, preheated: true }]);
  const m = run.members[0]!;
  const { hottest } = m.faceC(120);
  const surfaceC = m.hottest(120, 'cover')!.atC;
  const lost = model.stillAir.back * (surfaceC - 22);
  expect(surfaceC - hottest).toBeCloseTo((over(350, 22).fluxWm2 - lost) / model.modes.firstHalfCellWm2K, 0);
  expect(surfaceC).toBeGreaterThan(hottest);
});

it('refuses a figure of a heater beyond its range by name, and takes the ends of the range', () => {
  const run = (h: Heater) => () => HeatRun.start(model, h, 22, [{ atS: 0, setC: 200, preheated: true }]);
  const lamp = (value: number) => run({ ...defaultLamp, viewShare: { ...defaultLamp.viewShare, value } });
  const gun = (value: number) => run({ ...defaultGun, hScale: { ...defaultGun.hScale, value } });
  const plate = (value: number) =>
    run({ ...defaultPlate, conductanceWm2K: { ...defaultPlate.conductanceWm2K, value } });
  for (const [of, name, low, high] of [
    [lamp, 'heater.viewShare', 0.01, 1],
    [gun, 'heater.hScale', 0.01, 50],
    [plate, 'heater.conductanceWm2K', 1, 20_000],
  ] as const) {
    expect(of(low)).not.toThrow();
    expect(of(high)).not.toThrow();
    for (const wrong of [low * 0.99, high * 1.01, NaN, Infinity]) expect(of(wrong)).toThrow(name);
  }
});

it('opens a ring within minutes like any other heat, later when it was cold, and a hotter one sooner', () => {
  const arcs = arcCells(model, new Perimeter(stack.pathOutline).lengthMm);
  const readyS = (setC: number, preheated = true) =>
    opening({
      run: HeatRun.start(model, defaultLamp, 22, [{ atS: 0, setC, preheated }]),
      fromS: 0,
      arcs,
      order: [0],
      easyC: 62,
      workC: 45,
      upperC: 150,
      marks: {},
    }).easyByS!.mean;
  expect(readyS(350)).toBeGreaterThan(60);
  expect(readyS(350)).toBeLessThan(600);
  expect(readyS(400)).toBeLessThan(readyS(350));
  expect(readyS(350, false)).toBeGreaterThan(readyS(350) + 20);
  expect(leadOf(defaultLamp)).toBe(5);
});
