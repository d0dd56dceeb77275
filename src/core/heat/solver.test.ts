import fc from 'fast-check';

import { shippedDevices } from '../../model/shippedDevices';
import { material, slab } from '../../../test-support/slab';
import { materials } from '../device/materials';
import { toThermalStack } from '../device/thermalStack';
import { benchEnvironment, type Environment } from './environment';
import { makeGrid } from './grid';
import { bondReadings, faceReadings, readOff } from './observe';
import { HeatSolver } from './solver';

/** No losses at all: what touches the back is the only way in. */
const closed = (ambientC: number): Environment => ({ ambientC, hConvWm2K: 0, emissivity: 0, radiation: 'linearised' });

/** Temperature of the back surface from the first cell and the flux through half a cell. */
function surfaceC(s: HeatSolver, h: number, plateC: number): number {
  const g = s.grid.toBack[0]!;
  return (h * plateC + g * s.at(0, 0)) / (h + g);
}

describe('plane wall, Bi = 1 (Incropera & DeWitt Table 5.1: zeta1 0.8603, C1 1.1191; Carslaw & Jaeger ch. 3)', () => {
  // L 20 mm, k 1, rho c 1e6, h 50 on one side, 0 to 100 °C; all series terms summed here
  const roots = Array.from({ length: 60 }, (_, n) => {
    let lo = n * Math.PI + 1e-9;
    let hi = n * Math.PI + Math.PI / 2 - 1e-9;
    for (let i = 0; i < 200; i++) {
      const z = (lo + hi) / 2;
      if (z * Math.tan(z) > 1) hi = z;
      else lo = z;
    }
    return lo;
  });
  const exact = (x: number, fo: number) =>
    100 *
    (1 -
      roots.reduce(
        (sum, z) => sum + ((4 * Math.sin(z)) / (2 * z + Math.sin(2 * z))) * Math.exp(-z * z * fo) * Math.cos(z * x),
        0,
      ));

  it('has the published first root and coefficient', () => {
    expect(roots[0]).toBeCloseTo(0.8603, 4);
    const z = roots[0]!;
    expect((4 * Math.sin(z)) / (2 * z + Math.sin(2 * z))).toBeCloseTo(1.1191, 4);
  });

  const error = (cells: number, dt: number, fo: number) => {
    const grid = slab([{ thicknessMm: 20, cells, material: 'unit' }], { unit: material(1, 1e6) });
    const s = new HeatSolver(grid, closed(0), 0, 1e-12);
    s.run({ conductanceWm2K: 50, plateC: () => 100 }, fo * 400, dt);
    return { heated: surfaceC(s, 50, 100) - exact(1, fo), far: s.at(0, cells - 1) - exact(0.5 / cells, fo) };
  };

  it.each([
    [0.1, 27.642, 0.689],
    [0.5, 49.548, 22.747],
    [1, 65.182, 46.614],
  ])('at Fo %f the heated face is at %f and the insulated one at %f °C', (fo, heated, insulated) => {
    expect(exact(1, fo)).toBeCloseTo(heated, 2);
    expect(exact(0, fo)).toBeCloseTo(insulated, 2);
    const e = error(40, 0.5, fo);
    expect(Math.abs(e.heated)).toBeLessThan(0.05);
    expect(Math.abs(e.far)).toBeLessThan(0.05);
  });

  it('converges with second order in space and in time', () => {
    const dx = [5, 10, 20].map((n) => Math.abs(error(n, 0.25, 0.1).heated));
    expect(Math.log2(dx[0]! / dx[1]!)).toBeGreaterThan(1.8);
    expect(Math.log2(dx[1]! / dx[2]!)).toBeGreaterThan(1.8);
    const fine = error(20, 0.125, 0.5).far;
    const dt = [16, 8, 4].map((d) => Math.abs(error(20, d, 0.5).far - fine));
    expect(Math.log2(dt[0]! / dt[1]!)).toBeGreaterThan(1.7);
    expect(Math.log2(dt[1]! / dt[2]!)).toBeGreaterThan(1.7);
  });
});

it('semi-infinite solid with convection (Carslaw & Jaeger; Incropera eq. 5.63): 65.793 / 50.251 / 38.324 °C at 0, 5, 10 mm', () => {
  const grid = slab([{ thicknessMm: 100, cells: 200, material: 'unit' }], { unit: material(1, 1e6) });
  const s = new HeatSolver(grid, closed(20), 20, 1e-12);
  s.run({ conductanceWm2K: 100, plateC: () => 100 }, 100, 0.5);
  expect(surfaceC(s, 100, 100)).toBeCloseTo(65.793, 1);
  const at = (mm: number) => (s.at(0, 2 * mm - 1) + s.at(0, 2 * mm)) / 2;
  expect(Math.abs(at(5) - 50.251)).toBeLessThan(0.05);
  expect(Math.abs(at(10) - 38.324)).toBeLessThan(0.05);
});

it('lumped plate: aluminium 2 mm, h 50, 60 s, is at 56.966 °C (exponential, Bi 0.0006)', () => {
  const grid = slab([{ thicknessMm: 2, cells: 4, material: 'aluminium' }], materials);
  const s = new HeatSolver(grid, closed(20), 20, 1e-12);
  s.run({ conductanceWm2K: 50, plateC: () => 100 }, 60, 1);
  const exact = 100 - 80 * Math.exp((-50 * 60) / (2700 * 896 * 0.002));
  expect(exact).toBeCloseTo(56.966, 2);
  expect(Math.abs(s.at(0, 1) - exact)).toBeLessThan(0.02);
});

it('steady stack on a 110 °C plate: faces 106.785, 105.967, 104.783, 104.779 °C (series resistances)', () => {
  const grid = slab(
    [
      { thicknessMm: 0.8, cells: 2, material: 'glass' },
      { thicknessMm: 0.2, cells: 1, material: 'adhesive' },
      { thicknessMm: 0.6, cells: 1, material: 'aluminium' },
      { thicknessMm: 1.5, cells: 2, material: 'display' },
    ],
    materials,
  );
  const env: Environment = { ambientC: 22, hConvWm2K: 14, emissivity: 0, radiation: 'linearised' };
  const s = new HeatSolver(grid, env, 22, 1e-12);
  for (let i = 0; i < 40; i++) s.step({ conductanceWm2K: 350, plateC: () => 110 }, 0, 1000);
  expect(surfaceC(s, 350, 110)).toBeCloseTo(106.785, 2);
  const face = (k: number) => readOff((c, kk) => s.at(c, kk), faceReadings(grid, [0], k)[0]!);
  expect(face(2)).toBeCloseTo(105.967, 2);
  expect(face(3)).toBeCloseTo(104.783, 2);
  expect(face(4)).toBeCloseTo(104.779, 2);
});

it('bar cooled on four sides is the product of two plane walls: 80.744, 46.848, 72.975 °C', () => {
  const grid = slab(
    [{ thicknessMm: 5, cells: 1, material: 'unit' }],
    { unit: material(1, 1e6) },
    { wMm: 20, hMm: 40, nx: 20, ny: 40, sideWm2K: 50 },
  );
  const s = new HeatSolver(grid, closed(0), 100, 1e-10);
  s.run(null, 60, 0.5);
  const at = (i: number, j: number) => s.at(j * 20 + i, 0);
  expect(Math.abs(at(10, 20) - 80.744)).toBeLessThan(0.05);
  expect(Math.abs(at(0, 0) - 46.848)).toBeLessThan(0.05);
  expect(Math.abs(at(5, 10) - 72.975)).toBeLessThan(0.05);
});

describe('a phone on a plate', () => {
  const device = shippedDevices[0]!;
  const stack = toThermalStack(device, device.bonds[0]!, new Set(device.parts.map((p) => p.id)));
  const grid = makeGrid(stack, { nx: 18, ny: 38 });
  const plate = (c: number) => ({ conductanceWm2K: 350, plateC: () => c });

  it('closes its energy balance to the tolerance of the solver', () => {
    const s = new HeatSolver(grid, benchEnvironment(22, 'true'), 22, 1e-10);
    s.run(plate(110), 60, 5);
    s.run(null, 60, 5);
    let stored = 0;
    for (let col = 0; col < grid.active.length; col++)
      if (grid.active[col])
        for (let k = 0; k < grid.nz; k++) stored += grid.capacity[col * grid.nz + k]! * (s.at(col, k) - 22);
    expect(Math.abs(stored - s.heatInJ) / stored).toBeLessThan(1e-6);
  });

  it('stays between room and plate everywhere, for any setpoint and room (maximum principle)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 40, max: 150 }), fc.integer({ min: 5, max: 35 }), (setC, roomC) => {
        const s = new HeatSolver(grid, benchEnvironment(roomC, 'true'), roomC, 1e-8);
        s.run(plate(setC), 30, 5);
        for (let col = 0; col < grid.active.length; col++)
          if (grid.active[col])
            for (let k = 0; k < grid.nz; k++)
              if (s.at(col, k) < roomC - 0.05 || s.at(col, k) > setC + 0.05) return false;
        return true;
      }),
      { numRuns: 5 },
    );
  });

  it('derives the layers of the reference preset: 0.8, 0.2, 0.5, 4.2, 0.6, 1.5 mm in 2, 1, 1, 4, 1, 2 cells', () => {
    expect(stack.layers.map((l) => Math.round(l.thicknessMm * 100) / 100)).toEqual([0.8, 0.2, 0.5, 4.2, 0.6, 1.5]);
    expect(stack.layers.map((l) => l.cells)).toEqual([2, 1, 1, 4, 1, 2]);
    expect(grid.bondCells.length).toBeGreaterThan(80);
  });

  it('a part that is out neither conducts nor is watched', () => {
    const bare = toThermalStack(device, device.bonds[0]!, new Set(['midPlate', 'rim', 'display']));
    expect(bare.watch.map((w) => w.id)).toEqual(['display']);
    expect(bare.layers.flatMap((l) => l.zones.map((z) => z.from))).not.toContain('battery');
  });

  it('reaches 65 °C at every edge cell after about 121 s on a 110 °C plate (refinement study, flexible adhesive)', () => {
    const solvent = { ...device, bonds: [{ ...device.bonds[0]!, adhesive: 'solventBorne' }] };
    const parts = new Set(device.parts.filter((p) => p.kind !== 'button').map((p) => p.id));
    const fine = makeGrid(toThermalStack(solvent, solvent.bonds[0]!, parts), { nx: 36, ny: 75 });
    const s = new HeatSolver(fine, benchEnvironment(22, 'true'));
    const ring = bondReadings(fine);
    const coldest = () =>
      ring.reduce(
        (m, r) =>
          Math.min(
            m,
            readOff((c, k) => s.at(c, k), r),
          ),
        Infinity,
      );
    s.run(plate(110), 120, 5);
    expect(coldest()).toBeGreaterThan(64.3);
    expect(coldest()).toBeLessThan(65.3);
  });
});

it('two bodies in sudden contact meet at (e1 T1 + e2 T2)/(e1 + e2): glass at 20 on aluminium at 110 °C is at 103.873 (Carslaw & Jaeger)', () => {
  // both thick enough to be semi-infinite for 2 s; e = sqrt(k rho c)
  const grid = slab(
    [
      { thicknessMm: 10, cells: 100, material: 'glass' },
      { thicknessMm: 40, cells: 400, material: 'aluminium' },
    ],
    materials,
  );
  const s = new HeatSolver(grid, closed(20), 20, 1e-12);
  const start = new Float64Array(500).map((_, k) => (k < 100 ? 20 : 110));
  s.T.set(start, s.T.length / 2 - 250);
  for (let i = 0; i < 40; i++) s.step({ conductanceWm2K: 1e-9, plateC: () => 20 }, 0, 0.05);
  const e = (k: number, rho: number, c: number) => Math.sqrt(k * rho * c);
  const [e1, e2] = [e(1.1, 2450, 800), e(167, 2700, 896)];
  const exact = (e1 * 20 + e2 * 110) / (e1 + e2);
  expect(exact).toBeCloseTo(103.873, 2);
  expect(Math.abs(readOff((c, k) => s.at(c, k), faceReadings(grid, [0], 100)[0]!) - exact)).toBeLessThan(0.5);
});

describe('against common practice, with one parameter set (plausibility, not validation)', () => {
  const run = (id: string, setC: number, h: number, seconds: number, lagS = 0) => {
    const d = shippedDevices.find((x) => x.id === id)!;
    const s = toThermalStack(d, d.bonds[0]!, new Set(d.parts.map((p) => p.id)));
    const g = makeGrid(s, id === 'tablet10' ? { nx: 20, ny: 31 } : { nx: 18, ny: 38 });
    const solver = new HeatSolver(g, benchEnvironment(22, 'true'), 22, 1e-4);
    const ring = bondReadings(g);
    const w = g.watch.filter((x) => x.id === 'battery');
    const cells = w.flatMap((x) => faceReadings(g, x.columns, x.k));
    const at = (c: number, k: number) => solver.at(c, k);
    solver.run(
      { conductanceWm2K: h, plateC: (t) => (lagS ? setC - (setC - 22) * Math.exp(-t / lagS) : setC) },
      seconds,
      10,
    );
    return {
      edge: ring.reduce((m, r) => Math.min(m, readOff(at, r)), Infinity),
      battery: cells.reduce((m, r) => Math.max(m, readOff(at, r)), -Infinity),
    };
  };

  it('a perimeter cover on a 110 °C plate is easy (65 °C) between 1 and 3 minutes', () => {
    expect(run('ring61', 110, 350, 60).edge).toBeLessThan(65);
    expect(run('ring61', 110, 350, 180).edge).toBeGreaterThan(65);
  });

  it('a soft mat at 60 °C is a holding temperature: after half an hour the cell stays under 60, the line does not lift', () => {
    const hold = run('ring61', 60, 150, 1800);
    expect(hold.battery).toBeLessThan(60);
    expect(hold.edge).toBeLessThan(62);
    expect(hold.edge).toBeGreaterThan(40);
  });

  it('a strongly bonded large cover takes ten minutes or so: 80 °C is not there after 5, and is near after 12', () => {
    expect(run('tablet10', 110, 120, 300).edge).toBeLessThan(75);
    expect(run('tablet10', 110, 120, 720).edge).toBeGreaterThan(75);
  });

  it('after a few minutes on a plate the whole device follows: the cell is near the plate after seven', () => {
    const late = run('ring61', 110, 350, 420);
    expect(late.battery).toBeGreaterThan(88);
    expect(late.battery).toBeLessThan(98);
  });
});
