import { EigenvalueDecomposition, Matrix } from 'ml-matrix';

import { digest } from '../digest';
import { Perimeter } from '../device/perimeter';
import type { ThermalStack } from '../device/thermalStack';
import type { Outline, Pt } from '../device/types';
import { benchEnvironment, linearBackWm2K, linearFrontWm2K, type Environment } from './environment';
import { patchGrid } from './patches';
import { checkGridSize, makeGrid, type HeatGrid } from './grid';
import { bondReadings, faceReadings, type Reading } from './observe';
import { backPattern, maskFoil, type BackSpec, type Mask } from './backPattern';
import { defaultDryer, defaultGun, defaultNozzle, jetOf } from './heater';
import { HeatSolver, type Contact } from './solver';

/** Rows of the basis at one kind of place: temperature above ambient = row · y. */
export interface ModeRows {
  id: 'bond' | 'battery' | 'camera' | 'display' | 'picture' | 'back' | 'front';
  /**
   * Cells of the place; for `bond` with the place along the ring, for `picture` as a raster, for `back` all columns, for
   * `front` the means over patches of the other face.
   */
  count: number;
  /** count × rank, row after row */
  values: Float32Array;
}

/**
 * Reduced model of a device for whole-back contact heaters and free cooling (proper orthogonal decomposition with
 * Galerkin projection; published method: Sirovich 1987, Antoulas 2005). The basis is orthonormal in the heat capacity, so
 *   dy/dt = −(K + u(h) B) y + u(h) b (Tplate − Tambient),  u(h) = 1/(1/h + resistance of the first half cell)
 * in W/m2K, with B and b per unit of that conductance; the film of the other face enters likewise. One basis serves every setpoint, offset, lag, conductance, ambient
 * and every order of heating, taking away and reheating.
 */
export interface ThermalModes {
  version: 3;
  digest: string;
  rank: number;
  nx: number;
  ny: number;
  /** rank × rank */
  k: number[];
  b: number[];
  forcing: number[];
  /** conductance of the first half cell, W/m2K */
  firstHalfCellWm2K: number;
  hFreeWm2K: number;
  /** the other face: rank × rank per unit of its film, weighted with (u/h)² at the film that the modes were built with */
  bFront: number[];
  frontHalfCellWm2K: number;
  hFrontWm2K: number;
  /** areas of the patches `front`, weighted likewise, m² */
  frontAreaM2: number[];
  /** s of each bond cell along the bond's centre line, mm */
  bondSMm: number[];
  /** outline of the heated face, and the places of its columns, in the order of the rows `back` */
  outline: Outline;
  columns: number[];
  columnMm: { origin: [number, number]; step: [number, number] };
  /** raster of the bond plane for the picture */
  picture: { nx: number; ny: number; originMm: [number, number]; stepMm: [number, number] };
  rows: ModeRows[];
}

export const stackDigest = (stack: ThermalStack, size: { nx: number; ny: number }) => digest({ v: 5, stack, size });

export const defaultRank = 40;
const unitConductances = [60, 350, 1200];
const pictureStride = 2;

/** Thrown when the caller's `onProgress` returns false. */
export class Cancelled extends Error {}

/**
 * Builds the modes on the given grid (default: check grid).
 * @param onProgress share done 0..1; return false to cancel
 */
export function buildModes(
  stack: ThermalStack,
  onProgress: (share: number) => boolean | void = () => true,
  size = checkGridSize(stack),
  rank = defaultRank,
): ThermalModes {
  const grid = makeGrid(stack, size);
  const env = { ...benchEnvironment(22, 'linearised'), ambientC: 0 };
  const n = grid.nx * grid.ny * grid.nz;
  const snapshots: Float32Array[] = [];
  const weight = Float64Array.from(grid.capacity, (c, i) => (grid.active[Math.floor(i / grid.nz)] ? Math.sqrt(c) : 0));

  // times between snapshots: short after a switch, then growing; a tail for long holds and long interruptions
  const ramp = [...fill(4, 0.25), ...fill(3, 1), ...fill(4, 4), ...fill(4, 8), ...fill(11, 16)];
  const tail = [32, 64, 128, 256, 512];
  const outer = [0.25, 0.5, 1, 2, 4, 6, 8, 12, 16, 16, 24, 32, 48, 64];
  const short = [0.5, 1, 2, 4, 8, 16, 16, 16, 32, 32];
  const brief = [1, 3, 6, 10, 20, 40];
  const centers = Array.from({ length: grid.nx * grid.ny }, (_, c) => grid.center(c));
  const trained: { contact: Contact; heat: readonly number[]; cool: readonly number[] }[] = [
    ...unitConductances.map((h, i) => {
      const times = i === 1 ? [...ramp, ...tail] : outer;
      return { contact: { conductanceWm2K: h, plateC: () => 1 }, heat: times, cool: times };
    }),
    ...trainingSpecs(stack).map((spec) => {
      const p = backPattern(spec, stack.outline, centers, 22);
      const local = spec.kind === 'jet' && spec.path.kind !== 'loop';
      return {
        contact: { conductanceWm2K: p.contact, plateC: () => 1, jet: { hWm2K: p.jet, share: p.share } },
        heat: local ? brief : short,
        cool: local ? [4, 16] : [2, 6, 20, 60],
      };
    }),
  ];
  const total = trained.reduce((m, t) => m + t.heat.length + t.cool.length, 0);
  let done = 0;
  const state = new Float64Array(n);
  const solver = new HeatSolver(grid, env, 0, 1e-3);
  for (const { contact, heat, cool } of trained) {
    solver.restart(0);
    const walk = (on: Contact | null, steps: readonly number[]) => {
      for (const dt of steps) {
        solver.step(on, 0, dt);
        solver.copyTo(state);
        snapshots.push(Float32Array.from(state, (v, i) => v * weight[i]!));
        if (onProgress((0.85 * ++done) / total) === false) throw new Cancelled('cancelled');
      }
    };
    walk(contact, heat);
    walk(null, cool);
  }

  const basis = orthonormalBasis(snapshots, rank, (share) => {
    if (onProgress(0.85 + 0.1 * share) === false) throw new Cancelled('cancelled');
  });
  const result = project(stack, grid, size, basis, weight, env);
  onProgress(1);
  return result;
}

/**
 * What the basis has to span besides a plate: rounds at the edge and inside it, wide and narrow air, the camera masked or lifted off
 * the plate, and eight stretches of the edge.
 */
function trainingSpecs(stack: ThermalStack): BackSpec[] {
  const gun = jetOf(defaultGun, 200);
  const camera = stack.cameraZones.map((shape): Mask => ({ shape, factor: maskFoil.value }));
  const loop = (insetMm: number, jet = gun, masks: Mask[] = []): BackSpec => ({
    kind: 'jet',
    jet,
    path: { kind: 'loop', insetMm, roundS: 4 },
    masks,
  });
  const strips = Array.from({ length: 8 }, (_, i): BackSpec => ({
    kind: 'jet',
    jet: gun,
    path: { kind: 'strip', insetMm: 2, from: (i - 0.5) / 8, to: (i + 0.5) / 8, speedMmS: 30 },
    masks: [],
  }));
  const special = camera.length
    ? [loop(2, gun, camera), { kind: 'contact' as const, hWm2K: 350, lifted: camera.map((m) => ({ ...m, factor: 0 })) }]
    : [];
  const others = [jetOf(defaultDryer, 120), jetOf(defaultNozzle, 200)].map((jet) => loop(2, jet));
  return [loop(2), loop(-10), loop(12), ...others, ...special, ...strips];
}

const fill = (count: number, value: number): number[] => new Array<number>(count).fill(value);

/** Leading left singular vectors of the snapshots by the method of snapshots, then re-orthonormalised. */
function orthonormalBasis(s: Float32Array[], rank: number, onProgress: (share: number) => void): Float64Array[] {
  const m = s.length;
  const gram = Matrix.zeros(m, m);
  for (let i = 0; i < m; i++) {
    for (let j = i; j < m; j++) {
      const d = dot(s[i]!, s[j]!);
      gram.set(i, j, d);
      gram.set(j, i, d);
    }
    onProgress(i / m);
  }
  const evd = new EigenvalueDecomposition(gram, { assumeSymmetric: true });
  const order = evd.realEigenvalues.map((v, i) => [v, i] as const).sort((a, b) => b[0] - a[0]);
  const basis: Float64Array[] = [];
  for (const [, col] of order.slice(0, rank)) {
    const v = new Float64Array(s[0]!.length);
    for (let i = 0; i < m; i++) {
      const q = evd.eigenvectorMatrix.get(i, col);
      const si = s[i]!;
      for (let c = 0; c < v.length; c++) v[c] = v[c]! + q * si[c]!;
    }
    // twice is enough (Kahan, Parlett)
    for (let pass = 0; pass < 2; pass++)
      for (const b of basis) {
        const p = dot(b, v);
        for (let c = 0; c < v.length; c++) v[c] = v[c]! - p * b[c]!;
      }
    const norm = Math.sqrt(dot(v, v));
    for (let c = 0; c < v.length; c++) v[c] = v[c]! / norm;
    basis.push(v);
  }
  return basis;
}

function dot(a: ArrayLike<number>, b: ArrayLike<number>): number {
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

function project(
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

/** Places of the columns of the heated face. */
export const columnCenters = (m: Pick<ThermalModes, 'nx' | 'columns' | 'columnMm'>): Pt[] =>
  m.columns.map((c) => [
    m.columnMm.origin[0] + ((c % m.nx) + 0.5) * m.columnMm.step[0],
    m.columnMm.origin[1] + (Math.floor(c / m.nx) + 0.5) * m.columnMm.step[1],
  ]);
