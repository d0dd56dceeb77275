import fc from 'fast-check';

import { shippedDevices } from '../../model/shippedDevices';
import { material, slab } from '../../../test-support/slab';
import { toThermalStack } from '../device/thermalStack';
import { checkGridSize, makeGrid } from './grid';
import { bondReadings, faceReadings, readOff } from './observe';

const device = shippedDevices[0]!;
const bond = device.bonds[0]!;
const stack = toThermalStack(device, bond, new Set(device.parts.map((p) => p.id)));

it('check grid: 2 mm cells for a 2 mm ring, 4 mm for an 8 mm one (36 × 75 and 40 × 61)', () => {
  expect(checkGridSize(stack)).toEqual({ nx: 36, ny: 75 });
  const tablet = shippedDevices[2]!;
  expect(checkGridSize(toThermalStack(tablet, tablet.bonds[0]!, new Set()))).toEqual({ nx: 40, ny: 61 });
});

it('heat capacity of the grid is that of the parts, whatever the grid is (property)', () => {
  // rounded corners are stair steps, so the sum moves with the grid by a per cent or two, not more
  const total = (nx: number, ny: number) => {
    const g = makeGrid(stack, { nx, ny });
    let sum = 0;
    for (let col = 0; col < g.active.length; col++)
      if (g.active[col]) for (let k = 0; k < g.nz; k++) sum += g.capacity[col * g.nz + k]!;
    return sum;
  };
  const fine = total(48, 100);
  fc.assert(
    fc.property(fc.integer({ min: 14, max: 22 }), (nx) => Math.abs(total(nx, 2 * nx) / fine - 1) < 0.03),
    { numRuns: 4 },
  );
});

it('conductances by hand: two layers in series, exposed sides with their film, half cells to the faces', () => {
  const g = slab(
    [
      { thicknessMm: 2, cells: 1, material: 'a' },
      { thicknessMm: 4, cells: 1, material: 'b' },
    ],
    { a: material(0.5, 1e6), b: material(2, 1e6) },
    { wMm: 10, hMm: 20, nx: 1, ny: 1, sideWm2K: 14 },
  );
  const area = 0.01 * 0.02;
  expect(g.inward[0]).toBeCloseTo(area / (0.001 / 0.5 + 0.002 / 2), 12);
  expect(g.toBack[0]).toBeCloseTo(0.5 / 0.001, 9);
  expect(g.toFront[0]).toBeCloseTo(2 / 0.002, 9);
  expect(g.sideX[0]).toBeCloseTo((2 * 0.02 * 0.002) / (1 / 14 + 0.005 / 0.5), 12);
  expect(g.capacity[1]).toBeCloseTo(1e6 * area * 0.004, 9);
});

it('no conductance leads out of the outline, and the couplings are the same both ways', () => {
  const g = makeGrid(stack, { nx: 18, ny: 38 });
  for (let j = 0; j < g.ny; j++)
    for (let i = 0; i < g.nx; i++) {
      const col = j * g.nx + i;
      if (g.active[col]) continue;
      for (let k = 0; k < g.nz; k++) {
        expect(g.east[col * g.nz + k]).toBe(0);
        expect(g.south[col * g.nz + k]).toBe(0);
        if (i > 0) expect(g.east[(col - 1) * g.nz + k]).toBe(0);
      }
    }
});

it('bond cells lie on the ring and watched cells in their part', () => {
  const g = makeGrid(stack, { nx: 36, ny: 75 });
  for (const c of g.bondCells) {
    const [x, y] = g.center(c);
    expect(Math.min(x, 72 - x, y, 150 - y)).toBeLessThan(6);
  }
  const battery = g.watch.find((w) => w.id === 'battery')!;
  for (const c of battery.columns) {
    const [x, y] = g.center(c);
    expect(x > 8 && x < 46 && y > 38 && y < 126).toBe(true);
  }
});

it('a face between two layers is weighted by their conductances; the bond line reads its middle cell', () => {
  const g = makeGrid(stack, { nx: 18, ny: 38 });
  const [face] = faceReadings(g, [g.watch[0]!.columns[0]!], g.watch[0]!.k);
  const at = (_: number, k: number) => (k === face!.ka ? 10 : 20);
  expect(readOff(at, face!)).toBeGreaterThan(10);
  expect(readOff(at, face!)).toBeLessThan(20);
  expect(readOff(() => 42, bondReadings(g)[0]!)).toBe(42);
});

it('names a material that is not in the table, and a bond that covers no cell', () => {
  const odd = { ...stack, layers: stack.layers.map((l, i) => (i === 0 ? { ...l, fill: 'cheese' } : l)) };
  expect(() => makeGrid(odd, { nx: 4, ny: 8 })).toThrow(/material: cheese/);
  const away = { ...stack, bondId: 'elsewhere' };
  expect(() => makeGrid(away, { nx: 4, ny: 8 })).toThrow(/bond: elsewhere/);
});
