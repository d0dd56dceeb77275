import type { ThermalStack } from '../device/thermalStack';
import type { Outline, Pt } from '../device/types';
import { benchEnvironment } from './environment';
import { checkGridSize, makeGrid } from './grid';
import { backPattern, maskFoil, type BackSpec, type Mask } from './backPattern';
import { defaultDryer, defaultGun, defaultNozzle, jetOf } from './heater';
import { HeatSolver, type Contact } from './solver';
import { project } from './modeProjection';
import { orthonormalBasis } from './basis';

/** How far a grid may read below and above what is there, at the bond line and at parts, K. */
export interface GridErrorK {
  bondLow: number;
  bondHigh: number;
  partLow: number;
  partHigh: number;
}

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
  /** what these modes may be off by beyond the check grid's own error, K: a coarse grid, a device that is guessed; nothing when it is not said */
  unsureK?: GridErrorK | undefined;
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

/** Heats that a basis learns from: what heats, and the times between snapshots while it heats and cools, s. */
interface Trained {
  contact: Contact;
  heat: readonly number[];
  cool: readonly number[];
}

/** Share of a build that goes into the snapshots. */
export const snapshotShare = 0.85;

const onGrid = (stack: ThermalStack, size: { nx: number; ny: number }) => {
  const grid = makeGrid(stack, size);
  return {
    grid,
    env: { ...benchEnvironment(22, 'linearised'), ambientC: 0 },
    weight: Float64Array.from(grid.capacity, (c, i) => (grid.active[Math.floor(i / grid.nz)] ? Math.sqrt(c) : 0)),
  };
};

function trainedOf(stack: ThermalStack, grid: ReturnType<typeof makeGrid>, brief: boolean): Trained[] {
  // times between snapshots: short after a switch, then growing; a tail for long holds and long interruptions
  const ramp = [...fill(4, 0.25), ...fill(3, 1), ...fill(4, 4), ...fill(4, 8), ...fill(11, 16)];
  const tail = [32, 64, 128, 256, 512];
  const outer = [0.25, 0.5, 1, 2, 4, 6, 8, 12, 16, 16, 24, 32, 48, 64];
  const short = [0.5, 1, 2, 4, 8, 16, 16, 16, 32, 32];
  const few = [1, 3, 6, 10, 20, 40];
  const centers = Array.from({ length: grid.nx * grid.ny }, (_, c) => grid.center(c));
  return [
    ...unitConductances.map((h, i) => {
      const times = i === 1 ? [...ramp, ...tail] : outer;
      return { contact: { conductanceWm2K: h, plateC: () => 1 }, heat: times, cool: times };
    }),
    ...trainingSpecs(stack, brief).map((spec) => {
      const p = backPattern(spec, stack.outline, centers, 22);
      const local = spec.kind === 'jet' && spec.path.kind !== 'loop';
      return {
        contact: { conductanceWm2K: p.contact, plateC: () => 1, jet: { hWm2K: p.jet, share: p.share } },
        heat: local ? few : short,
        cool: local ? [4, 16] : [2, 6, 20, 60],
      };
    }),
  ];
}

/** Heats dealt out so that every part has about as many steps: the longest first, each to whoever has least. */
function dealt(all: readonly Trained[], parts: number): Trained[][] {
  const steps = (t: Trained) => t.heat.length + t.cool.length;
  const hands = Array.from({ length: parts }, (): { list: Trained[]; steps: number } => ({ list: [], steps: 0 }));
  for (const t of [...all].sort((a, b) => steps(b) - steps(a))) {
    const least = hands.reduce((m, h) => (h.steps < m.steps ? h : m));
    least.list.push(t);
    least.steps += steps(t);
  }
  return hands.map((h) => h.list);
}

/**
 * Temperatures of the whole device during the heats that a basis learns from, weighted with heat capacity; one part of them, so
 * that several processors can each take one.
 * @param onProgress share done 0..1 of this part; return false to cancel
 * @throws Cancelled: cancelled
 */
export function snapshotsOf(
  stack: ThermalStack,
  { part, of }: { part: number; of: number },
  onProgress: (share: number) => boolean | void = () => true,
  size = checkGridSize(stack),
  brief = false,
): Float32Array[] {
  const { grid, env, weight } = onGrid(stack, size);
  const all = trainedOf(stack, grid, brief);
  const trained = of === 1 ? all : dealt(all, of)[part]!;
  const total = trained.reduce((m, t) => m + t.heat.length + t.cool.length, 0);
  const snapshots: Float32Array[] = [];
  const state = new Float64Array(weight.length);
  const solver = new HeatSolver(grid, env, 0, 1e-3);
  for (const { contact, heat, cool } of trained) {
    solver.restart(0);
    const walk = (on: Contact | null, steps: readonly number[]) => {
      for (const dt of steps) {
        solver.step(on, 0, dt);
        solver.copyTo(state);
        snapshots.push(weighted(state, weight));
        if (onProgress(snapshots.length / total) === false) throw new Cancelled('cancelled');
      }
    };
    walk(contact, heat);
    walk(null, cool);
  }
  return snapshots;
}

/** Modes out of all snapshots, whoever made them. */
export function modesFrom(
  stack: ThermalStack,
  snapshots: Float32Array[],
  onProgress: (share: number) => boolean | void = () => true,
  size = checkGridSize(stack),
  rank = defaultRank,
): ThermalModes {
  const { grid, env, weight } = onGrid(stack, size);
  const basis = orthonormalBasis(snapshots, rank, (share) => {
    if (onProgress((2 / 3) * share) === false) throw new Cancelled('cancelled');
  });
  const result = project(stack, grid, size, basis, weight, env);
  onProgress(1);
  return result;
}

/**
 * Builds the modes on the given grid (default: check grid).
 * @param onProgress share done 0..1; return false to cancel
 * @param brief a first look: without the stretches of the edge, which few heats are led along
 * @throws Cancelled: cancelled
 */
export function buildModes(
  stack: ThermalStack,
  onProgress: (share: number) => boolean | void = () => true,
  size = checkGridSize(stack),
  rank = defaultRank,
  brief = false,
): ThermalModes {
  const whole = { part: 0, of: 1 };
  const snapshots = snapshotsOf(stack, whole, (s) => onProgress(snapshotShare * s), size, brief);
  return modesFrom(stack, snapshots, (s) => onProgress(snapshotShare + (1 - snapshotShare) * s), size, rank);
}

/**
 * What the basis has to span besides a plate: rounds at the edge and inside it, wide and narrow air, the camera masked or lifted off
 * the plate, and eight stretches of the edge.
 */
function trainingSpecs(stack: ThermalStack, brief: boolean): BackSpec[] {
  const gun = jetOf(defaultGun, 200);
  const camera = stack.cameraZones.map((shape): Mask => ({ shape, factor: maskFoil.value }));
  const loop = (insetMm: number, jet = gun, masks: Mask[] = []): BackSpec => ({
    kind: 'jet',
    jet,
    path: { kind: 'loop', insetMm, roundS: 4 },
    masks,
  });
  const strips = Array.from({ length: brief ? 0 : 8 }, (_, i): BackSpec => ({
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

/** A state in the norm of heat capacity. A loop: `from` with a function takes as long as the solver. */
function weighted(state: Float64Array, weight: Float64Array): Float32Array {
  const out = new Float32Array(state.length);
  for (let i = 0; i < out.length; i++) {
    const v = state[i]! * weight[i]!;
    // numbers next to nothing make every sum that they are in many times slower
    out[i] = Math.abs(v) > 1e-18 ? v : 0;
  }
  return out;
}

/** Places of the columns of the heated face. */
export const columnCenters = (m: Pick<ThermalModes, 'nx' | 'columns' | 'columnMm'>): Pt[] =>
  m.columns.map((c) => [
    m.columnMm.origin[0] + ((c % m.nx) + 0.5) * m.columnMm.step[0],
    m.columnMm.origin[1] + (Math.floor(c / m.nx) + 0.5) * m.columnMm.step[1],
  ]);
