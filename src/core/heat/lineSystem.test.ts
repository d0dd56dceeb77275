import { Matrix, solve } from 'ml-matrix';

import { coarseModel } from '../../../test-support/modes';
import { toThermalStack } from '../device/thermalStack';
import { randomOf } from '../numeric/random';
import { makeGrid } from './grid';
import { LineSystem } from './lineSystem';

const { device } = coarseModel();
const stack = toThermalStack(device, device.bonds[0]!, new Set(device.parts.map((p) => p.id)));

/** C + w K of a grid as a plain matrix, from its conductances alone; inactive columns stand by themselves. */
function denseOf(grid: ReturnType<typeof makeGrid>, w: number, uBack: Float64Array, uFront: Float64Array): Matrix {
  const { nx, ny, nz } = grid;
  const n = nx * ny * nz;
  const m = Matrix.zeros(n, n);
  const add = (i: number, j: number, v: number) => m.set(i, j, m.get(i, j) + v);
  const link = (i: number, j: number, g: number) => {
    add(i, i, w * g);
    add(j, j, w * g);
    add(i, j, -w * g);
    add(j, i, -w * g);
  };
  for (let col = 0; col < nx * ny; col++)
    for (let k = 0; k < nz; k++) {
      const c = col * nz + k;
      add(c, c, grid.capacity[c]!);
      if (!grid.active[col]) continue;
      add(c, c, w * (grid.sideX[c]! + grid.sideY[c]!));
      if (k === 0) add(c, c, w * uBack[col]!);
      if (k === nz - 1) add(c, c, w * uFront[col]!);
      if (k + 1 < nz) link(c, c + 1, grid.inward[c]!);
      if (col % nx < nx - 1 && grid.active[col + 1]) link(c, c + nz, grid.east[c]!);
      if (col + nx < nx * ny && grid.active[col + nx]) link(c, c + nx * nz, grid.south[c]!);
    }
  return m;
}

function systemOf(grid: ReturnType<typeof makeGrid>, tolerance: number) {
  const { nx, ny, nz } = grid;
  const pad = nx * nz;
  const n = nx * ny * nz;
  const [east, south] = [new Float64Array(n + 2 * pad), new Float64Array(n + 2 * pad)];
  east.set(grid.east, pad);
  south.set(grid.south, pad);
  const base = new Float64Array(n);
  const colours: [number[], number[]] = [[], []];
  for (let col = 0; col < nx * ny; col++) {
    if (!grid.active[col]) continue;
    colours[((col % nx) + Math.floor(col / nx)) % 2]!.push(pad + col * nz);
    for (let k = 0; k < nz; k++) {
      const c = col * nz + k;
      const e = pad + c;
      base[c] =
        east[e]! +
        east[e - nz]! +
        south[e]! +
        south[e - nx * nz]! +
        grid.inward[c]! +
        (k ? grid.inward[c - 1]! : 0) +
        grid.sideX[c]! +
        grid.sideY[c]!;
    }
  }
  const system = new LineSystem(
    grid,
    pad,
    east,
    south,
    base,
    Int32Array.from(colours[0]),
    Int32Array.from(colours[1]),
    tolerance,
  );
  return { system, pad, n };
}

describe.each([
  [5, 9],
  [9, 9],
])('on a grid of %d by %d columns', (nx, ny) => {
  const grid = makeGrid(stack, { nx, ny });
  const columns = nx * ny;
  const random = randomOf(nx * 100 + ny);
  const films = (per: number) => Float64Array.from({ length: columns }, () => per * grid.cellAreaM2 * (0.5 + random()));

  // 0.1 s: lines alone; 2 and 40 s: with blocks of columns beside them
  it.each([0.1, 2, 40])('steps of %d s are solved as a direct solver of all equations solves them', (w) => {
    const [uBack, uFront] = [films(400), films(12)];
    const { system, pad, n } = systemOf(grid, 1e-9);
    system.factor(w, uBack, uFront);
    const rhs = new Float64Array(n + 2 * pad);
    const x = new Float64Array(n + 2 * pad);
    for (let col = 0; col < columns; col++)
      if (grid.active[col])
        for (let k = 0; k < grid.nz; k++)
          rhs[pad + col * grid.nz + k] = grid.capacity[col * grid.nz + k]! * (20 + 60 * random());
    system.solve(w, rhs, x);
    const exact = solve(
      denseOf(grid, w, uBack, uFront),
      Matrix.columnVector([...rhs.subarray(pad, pad + n)]),
    ).getColumn(0);
    let worst = 0;
    let most = 0;
    for (let col = 0; col < columns; col++)
      if (grid.active[col])
        for (let k = 0; k < grid.nz; k++) {
          const c = col * grid.nz + k;
          worst = Math.max(worst, Math.abs(x[pad + c]! - exact[c]!));
          most = Math.max(most, Math.abs(exact[c]!));
        }
    expect(most).toBeGreaterThan(1);
    expect(worst).toBeLessThan(1e-5 * most);
    expect(system.iterations).toBeLessThan(200);
  });

  it('a better first guess needs no more rounds, and the answer itself none', () => {
    const w = 5;
    const [uBack, uFront] = [films(400), films(12)];
    const { system, pad, n } = systemOf(grid, 1e-7);
    system.factor(w, uBack, uFront);
    const rhs = new Float64Array(n + 2 * pad);
    for (let c = 0; c < n; c++) if (grid.active[Math.floor(c / grid.nz)]) rhs[pad + c] = grid.capacity[c]! * 30;
    const x = new Float64Array(n + 2 * pad);
    system.solve(w, rhs, x);
    const first = system.iterations;
    system.iterations = 0;
    system.solve(w, rhs, x);
    expect(first).toBeGreaterThan(0);
    expect(system.iterations).toBeLessThanOrEqual(1);
  });
});
