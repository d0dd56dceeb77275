import { EigenvalueDecomposition, Matrix } from 'ml-matrix';

import type { ThermalStack } from '../device/thermalStack';
import type { Outline, Pt } from '../device/types';
import { benchEnvironment } from './environment';
import { checkGridSize, makeGrid } from './grid';
import { backPattern, maskFoil, type BackSpec, type Mask } from './backPattern';
import { defaultDryer, defaultGun, defaultNozzle, jetOf } from './heater';
import { HeatSolver, type Contact } from './solver';
import { project, dot } from './modeProjection';

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

export const defaultRank = 40;

const unitConductances = [60, 350, 1200];

/** Thrown when the caller's `onProgress` returns false. */
export class Cancelled extends Error {}

/**
 * Builds the modes on the given grid (default: check grid).
 * @param onProgress share done 0..1; return false to cancel
 * @throws Cancelled: cancelled
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

/** Places of the columns of the heated face. */
export const columnCenters = (m: Pick<ThermalModes, 'nx' | 'columns' | 'columnMm'>): Pt[] =>
  m.columns.map((c) => [
    m.columnMm.origin[0] + ((c % m.nx) + 0.5) * m.columnMm.step[0],
    m.columnMm.origin[1] + (Math.floor(c / m.nx) + 0.5) * m.columnMm.step[1],
  ]);
