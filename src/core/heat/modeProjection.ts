import { Perimeter } from '../device/perimeter';
import type { ThermalStack } from '../device/thermalStack';
import { linearBackWm2K, linearFrontWm2K, type Environment } from './environment';
import { patchGrid } from './patches';
import { type HeatGrid } from './grid';
import { bondReadings, faceReadings, type Reading } from './observe';
import { HeatSolver } from './solver';
import { type ModeRows, type ThermalModes } from './modes';
import { digest } from '../digest';

/** Name of a heat model by all that it is made from: the same stack and grid have the same. */
export const stackDigest = (stack: ThermalStack, size: { nx: number; ny: number }) => digest({ v: 5, stack, size });

/** Scalar product. */
export function dot(a: ArrayLike<number>, b: ArrayLike<number>): number {
  let x = 0;
  let y = 0;
  const even = a.length & ~1;
  for (let i = 0; i < even; i += 2) {
    x += a[i]! * b[i]!;
    y += a[i + 1]! * b[i + 1]!;
  }
  if (even < a.length) x += a[even]! * b[even]!;
  return x + y;
}

/** Columns between two places of the picture; a coarse grid has none to leave out. */
const strideOf = (nx: number) => (nx < 20 ? 1 : 2);

/** The full grid seen through its modes: reduced conductances, capacities and the rows by which bond, parts and picture are read. */
export function project(
  stack: ThermalStack,
  grid: HeatGrid,
  size: { nx: number; ny: number },
  basis: Float64Array[],
  weight: Float64Array,
  env: Parameters<typeof linearBackWm2K>[0],
): ThermalModes {
  const r = basis.length;
  const n = weight.length;
  // physical modes v = w / sqrt(C); w is orthonormal, so v is orthonormal in C
  const modes = basis.map((w) => w.map((x, i) => (weight[i]! > 0 ? x / weight[i]! : 0)));
  const solver = new HeatSolver(grid, env, 0);
  const k = new Array<number>(r * r).fill(0);
  const b = new Array<number>(r * r).fill(0);
  const forcing = new Array<number>(r).fill(0);
  const out = new Float64Array(n);
  const back: number[] = [];
  for (let col = 0; col < grid.active.length; col++) if (grid.active[col]) back.push(col * grid.nz);
  for (let j = 0; j < r; j++) {
    solver.applyClosedBack(modes[j]!, out);
    for (let i = 0; i < r; i++) k[i * r + j] = -dot(modes[i]!, out);
  }
  for (let i = 0; i < r; i++) {
    for (let j = 0; j <= i; j++) {
      const sym = (k[i * r + j]! + k[j * r + i]!) / 2;
      k[i * r + j] = sym;
      k[j * r + i] = sym;
      let sum = 0;
      for (const c of back) sum += modes[i]![c]! * modes[j]![c]!;
      b[i * r + j] = sum * grid.cellAreaM2;
      b[j * r + i] = sum * grid.cellAreaM2;
    }
    let f = 0;
    for (const c of back) f += modes[i]![c]!;
    forcing[i] = f * grid.cellAreaM2;
  }

  const front = frontFace(grid, modes, env);
  const path = new Perimeter(stack.pathOutline);
  const rowsOf = (id: ModeRows['id'], readings: Reading[]): ModeRows => {
    const values = new Float32Array(readings.length * r);
    readings.forEach((reading, q) => {
      for (let m = 0; m < r; m++) {
        const at = modes[m]!;
        values[q * r + m] =
          reading.weightA * at[reading.column * grid.nz + reading.ka]! +
          (1 - reading.weightA) * at[reading.column * grid.nz + reading.kb]!;
      }
    });
    return { id, count: readings.length, values };
  };
  const pictureStride = strideOf(grid.nx);
  const raster: number[] = [];
  const pnx = Math.ceil(grid.nx / pictureStride);
  const pny = Math.ceil(grid.ny / pictureStride);
  for (let j = 0; j < pny; j++)
    for (let i = 0; i < pnx; i++) raster.push(nearestActive(grid, i * pictureStride, j * pictureStride));
  const watched = (id: 'battery' | 'camera' | 'display') =>
    grid.watch
      .filter((w) => w.id === id)
      .flatMap((w) =>
        faceReadings(
          grid,
          // the display is deep and smooth: a quarter of its cells is enough
          id === 'display'
            ? w.columns.filter((c) => Math.floor(c / grid.nx) % 2 === 0 && (c % grid.nx) % 2 === 0)
            : w.columns,
          w.k,
        ),
      );
  const firstCol = grid.active.indexOf(1);
  return {
    version: 3,
    digest: stackDigest(stack, size),
    rank: r,
    nx: grid.nx,
    ny: grid.ny,
    k,
    b,
    forcing,
    firstHalfCellWm2K: grid.toBack[firstCol]!,
    hFreeWm2K: linearBackWm2K(env),
    bFront: front.bFront,
    frontHalfCellWm2K: front.halfCellWm2K,
    hFrontWm2K: linearFrontWm2K(env),
    frontAreaM2: front.areaM2,
    outline: stack.outline,
    columns: back.map((c) => c / grid.nz),
    columnMm: { origin: [grid.origin[0], grid.origin[1]], step: [grid.dxMm, grid.dyMm] },
    bondSMm: Array.from(grid.bondCells, (c) => path.locate(grid.center(c))),
    picture: {
      nx: pnx,
      ny: pny,
      originMm: [grid.origin[0] + grid.dxMm / 2, grid.origin[1] + grid.dyMm / 2],
      stepMm: [grid.dxMm * pictureStride, grid.dyMm * pictureStride],
    },
    rows: [
      rowsOf('bond', bondReadings(grid)),
      rowsOf('battery', watched('battery')),
      rowsOf('camera', watched('camera')),
      rowsOf('display', watched('display')),
      rowsOf('picture', bondReadings(grid, raster)),
      rowsOf(
        'back',
        back.map((c) => ({ column: c / grid.nz, ka: 0, kb: 0, weightA: 1 })),
      ),
      front.rows,
    ],
  };
}

/** The face that is not heated: patch means of the modes, and what one more W/m²K of its film takes. */
function frontFace(grid: HeatGrid, modes: Float64Array[], env: Environment) {
  const r = modes.length;
  const n = patchGrid.across * patchGrid.along;
  const h = linearFrontWm2K(env);
  const areaM2 = new Array<number>(n).fill(0);
  const values = new Float32Array(n * r);
  const b = new Array<number>(r * r).fill(0);
  const halves: number[] = [];
  for (let col = 0; col < grid.active.length; col++) {
    if (!grid.active[col]) continue;
    const i = col % grid.nx;
    const j = Math.floor(col / grid.nx);
    const p =
      Math.floor((i * patchGrid.across) / grid.nx) + patchGrid.across * Math.floor((j * patchGrid.along) / grid.ny);
    const g = grid.toFront[col]!;
    halves.push(g);
    const w = grid.cellAreaM2 / (1 + h / g) ** 2;
    areaM2[p] = areaM2[p]! + w;
    const cell = col * grid.nz + grid.nz - 1;
    for (let m = 0; m < r; m++) {
      const vm = modes[m]![cell]!;
      values[p * r + m] = values[p * r + m]! + w * vm;
      for (let q = 0; q <= m; q++) b[m * r + q] = b[m * r + q]! + w * vm * modes[q]![cell]!;
    }
  }
  for (let m = 0; m < r; m++) for (let q = 0; q < m; q++) b[q * r + m] = b[m * r + q]!;
  for (let p = 0; p < n; p++)
    for (let m = 0; m < r; m++) values[p * r + m] = areaM2[p]! ? values[p * r + m]! / areaM2[p]! : 0;
  halves.sort((x, y) => x - y);
  return {
    bFront: b,
    areaM2,
    halfCellWm2K: halves[Math.floor(halves.length / 2)] ?? 1,
    rows: { id: 'front' as const, count: n, values },
  };
}

/** The active column nearest to (i, j), so that the picture's raster has no holes at rounded corners. */
function nearestActive(grid: HeatGrid, i: number, j: number): number {
  for (let ring = 0; ring < Math.max(grid.nx, grid.ny); ring++) {
    let best = -1;
    let bestD = Infinity;
    for (let b = Math.max(0, j - ring); b <= Math.min(grid.ny - 1, j + ring); b++)
      for (let a = Math.max(0, i - ring); a <= Math.min(grid.nx - 1, i + ring); a++) {
        const d = (a - i) ** 2 + (b - j) ** 2;
        if (grid.active[b * grid.nx + a] && d < bestD) {
          best = b * grid.nx + a;
          bestD = d;
        }
      }
    if (best >= 0) return best;
  }
  return 0;
}
