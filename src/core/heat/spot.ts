import { contains } from '../device/shapes';
import { CoreInputError } from '../errors';
import type { ThermalStack } from '../device/thermalStack';
import type { Pt, Shape } from '../device/types';
import type { AirPath } from './airPath';
import { backPattern, type Mask } from './backPattern';
import { benchEnvironment } from './environment';
import { checkGridSize, makeGrid } from './grid';
import { jetOf, type AirHeater } from './heater';
import { Cancelled } from './modes';
import { bondReadings, faceReadings, readOff } from './observe';
import { HeatSolver, type Contact } from './solver';
import { judgement } from '../source';
import { spotStressMPaK } from './opening';

export interface SpotInput {
  heater: AirHeater;
  setC: number;
  ambientC: number;
  at: Pt;
  radiusMm: number;
  masks: readonly Mask[];
  /** the piece that is heated; its bond cells are looked at */
  piece: Shape;
  easyC: number;
  workC: number;
  /** cycles of heat and work */
  cycles: number;
  stopC: Partial<Record<'battery' | 'camera' | 'display', number>>;
}

export interface SpotCycle {
  heatS: number;
  /** how long the piece stays at workC or above after the nozzle left, s */
  workS: number;
  batteryC: number | null;
}

export interface SpotResult {
  cycles: SpotCycle[];
  /** s of heat until half of the piece is at easyC, or can be worked and a part comes near its mark, in the first cycle; null: never */
  readyS: number | null;
  hottestBondC: number;
  batteryC: number | null;
  cameraC: number | null;
  displayC: number | null;
  spotMPa: number;
  stoppedBy: 'battery' | 'camera' | 'display' | 'cold' | null;
}

const heatLimitS = 180;
const workLimitS = 240;
/** Once it can be worked at all, the air ends so far before a part's stop mark: what is under it still warms a little. */
export const spotHeadroomK = judgement(4, 'air on one place ends so far under the stop mark of a part, K');
/** Under the aim, but worth working: so far above where the blade still works. */
const workableAboveK = judgement(3, 'a place that is worked at less than its aim: so far above where it works, K');

/**
 * Spot heating of a piece with small circles: heat until half of the piece's bond is at easyC (or can be worked, when a part comes
 * near its stop mark first), take the nozzle away, work until half of it is below workC, and again. A spot is too local for the device's modes, so this is the full model on the
 * check grid with the circle averaged, true radiation. @param onProgress share done; return false to cancel
 * @throws CoreInputError when there is no glue under the piece
 */
export function spotCadence(
  stack: ThermalStack,
  input: SpotInput,
  onProgress: (share: number) => boolean | void = () => true,
  size = checkGridSize(stack),
): SpotResult {
  const grid = makeGrid(stack, size);
  const solver = new HeatSolver(grid, benchEnvironment(input.ambientC, 'true'), input.ambientC, 1e-4);
  const centers = Array.from({ length: grid.nx * grid.ny }, (_, c) => grid.center(c));
  const airC = input.setC + input.heater.offsetK.value;
  const path: AirPath = { kind: 'spot', at: input.at, radiusMm: input.radiusMm };
  const p = backPattern(
    { kind: 'jet', jet: jetOf(input.heater, airC), path, masks: input.masks },
    stack.outline,
    centers,
    input.ambientC,
  );
  const air: Contact = { conductanceWm2K: p.contact, plateC: () => airC, jet: { hWm2K: p.jet, share: p.share } };
  const at = (c: number, k: number) => solver.at(c, k);
  const piece = bondReadings(grid).filter((r) => contains(input.piece, centers[r.column]!));
  if (!piece.length) throw new CoreInputError('place', `${input.at.join(', ')} mm`, 'a place with glue under it');
  const middle = () => {
    const all = piece.map((r) => readOff(at, r)).sort((a, b) => a - b);
    return all[Math.floor(all.length / 2)]!;
  };
  const hot = (id: string) => {
    const cells = grid.watch.filter((w) => w.id === id).flatMap((w) => faceReadings(grid, w.columns, w.k));
    return () => (cells.length ? cells.reduce((m, r) => Math.max(m, readOff(at, r)), -Infinity) : null);
  };
  const parts = { battery: hot('battery'), camera: hot('camera'), display: hot('display') };
  const peak: Record<keyof typeof parts, number | null> = { battery: null, camera: null, display: null };
  let hottestBondC = -Infinity;
  let spotK = 0;
  let stoppedBy: SpotResult['stoppedBy'] = null;
  let readyS: number | null = null;
  const cycles: SpotCycle[] = [];
  const active = centers.flatMap((_, c) => (grid.active[c] ? [c] : []));
  const watch = () => {
    for (const id of ['battery', 'camera', 'display'] as const) {
      const v = parts[id]();
      if (v === null) continue;
      peak[id] = Math.max(peak[id] ?? -Infinity, v);
      if (stoppedBy === null && v >= (input.stopC[id] ?? Infinity)) stoppedBy = id;
    }
    hottestBondC = piece.reduce((m, r) => Math.max(m, readOff(at, r)), hottestBondC);
    let top = -Infinity;
    let sum = 0;
    for (const c of active) {
      const v = solver.at(c, 0);
      sum += v;
      if (v > top) top = v;
    }
    spotK = Math.max(spotK, top - sum / active.length);
  };
  const nearMark = () =>
    (['battery', 'camera', 'display'] as const).some(
      (id) => (parts[id]() ?? -Infinity) >= (input.stopC[id] ?? Infinity) - spotHeadroomK.value,
    );
  /** Steps until the test holds or the time is up; the time it took. */
  const until = (on: Contact | null, test: () => boolean, limitS: number): number | null => {
    let t = 0;
    for (let i = 0; t < limitS; i++) {
      const dt = [0.25, 0.25, 0.5][i] ?? 1;
      solver.step(on, 0, dt);
      t += dt;
      watch();
      if (on && stoppedBy) return null;
      if (test()) return t;
    }
    return null;
  };
  for (let n = 0; n < input.cycles && !stoppedBy; n++) {
    if (onProgress(n / input.cycles) === false) throw new Cancelled('cancelled');
    const heatS = until(
      air,
      () => middle() >= input.easyC || (nearMark() && middle() >= input.workC + workableAboveK.value),
      heatLimitS,
    );
    if (heatS === null) {
      stoppedBy ??= 'cold';
      break;
    }
    readyS ??= heatS;
    const workS = until(null, () => middle() < input.workC, workLimitS) ?? workLimitS;
    cycles.push({ heatS, workS, batteryC: parts.battery() });
  }
  onProgress(1);
  return {
    cycles,
    readyS,
    hottestBondC,
    batteryC: peak.battery,
    cameraC: peak.camera,
    displayC: peak.display,
    spotMPa: spotStressMPaK.value * spotK,
    stoppedBy,
  };
}
