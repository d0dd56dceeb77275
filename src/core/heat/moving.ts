import type { ThermalStack } from '../device/thermalStack';
import { pathAt, type AirPath } from './airPath';
import { jetOnColumns, type Mask } from './backPattern';
import { benchEnvironment } from './environment';
import { checkGridSize, makeGrid } from './grid';
import { jetOf, type AirHeater } from './heater';
import { makeJet } from './jet';
import { Cancelled } from './modes';
import { bondReadings, faceReadings, readOff } from './observe';
import { HeatSolver } from './solver';

export interface MovingInput {
  heater: AirHeater;
  setC: number;
  ambientC: number;
  path: Extract<AirPath, { kind: 'loop' }>;
  masks: readonly Mask[];
  /** the whole ring at this temperature, mean over a round */
  targetC: number;
  maxS: number;
}

export interface MovingResult {
  readyS: number | null;
  batteryC: number;
  cameraC: number;
  displayC: number;
  /** greatest swing of a bond cell within the last round, K */
  rippleK: number;
  coldestAtEndC: number;
}

const stepsPerRound = 8;

/**
 * The moving jet itself, step by step on the check grid with true radiation: what confirms a planned round. A bond cell
 * counts by its mean over a round. @param onProgress share done; return false to cancel
 * @throws Cancelled: cancelled
 */
export function confirmRound(
  stack: ThermalStack,
  input: MovingInput,
  onProgress: (share: number) => boolean | void = () => true,
  size = checkGridSize(stack),
): MovingResult {
  const grid = makeGrid(stack, size);
  const solver = new HeatSolver(grid, benchEnvironment(input.ambientC, 'true'), input.ambientC);
  const centers = Array.from({ length: grid.nx * grid.ny }, (_, c) => grid.center(c));
  const airC = input.setC + input.heater.offsetK.value;
  const jet = makeJet(jetOf(input.heater, airC), input.ambientC);
  const dt = input.path.roundS / stepsPerRound;
  // a step sees the mean of the places that the nozzle passes in it; every round is the same
  const perStep = Array.from({ length: stepsPerRound }, (_, k) => {
    const n = 12;
    const points = Array.from({ length: n }, (_x, i) => ({
      at: pathAt(stack.outline, input.path, (k + (i + 0.5) / n) * dt),
      weight: 1 / n,
    }));
    return jetOnColumns(jet, points, centers, input.masks);
  });
  const ring = bondReadings(grid);
  const hottest = (id: string) => {
    const cells = grid.watch.filter((w) => w.id === id).flatMap((w) => faceReadings(grid, w.columns, w.k));
    return () => cells.reduce((m, r) => Math.max(m, readOff(at, r)), -Infinity);
  };
  const at = (c: number, k: number) => solver.at(c, k);
  const read = { battery: hottest('battery'), camera: hottest('camera'), display: hottest('display') };
  const peak = { battery: -Infinity, camera: -Infinity, display: -Infinity };
  const none = new Float64Array(centers.length);
  const rounds = Math.ceil(input.maxS / input.path.roundS);
  let readyS: number | null = null;
  let rippleK = 0;
  let coldest = -Infinity;
  for (let round = 0; round < rounds && readyS === null; round++) {
    const sum = new Float64Array(ring.length);
    const low = new Float64Array(ring.length).fill(Infinity);
    const high = new Float64Array(ring.length).fill(-Infinity);
    for (let k = 0; k < stepsPerRound; k++) {
      const p = perStep[k]!;
      solver.step({ conductanceWm2K: none, plateC: () => airC, jet: { hWm2K: p.jet, share: p.share } }, 0, dt);
      ring.forEach((r, i) => {
        const v = readOff(at, r);
        sum[i] = sum[i]! + v / stepsPerRound;
        low[i] = Math.min(low[i]!, v);
        high[i] = Math.max(high[i]!, v);
      });
      for (const id of ['battery', 'camera', 'display'] as const) peak[id] = Math.max(peak[id], read[id]());
    }
    coldest = sum.reduce((m, v) => Math.min(m, v), Infinity);
    rippleK = high.reduce((m, v, i) => Math.max(m, v - low[i]!), 0);
    if (coldest >= input.targetC) readyS = (round + 1) * input.path.roundS;
    if (onProgress(Math.min(1, (coldest - input.ambientC) / (input.targetC - input.ambientC))) === false)
      throw new Cancelled('cancelled');
  }
  return {
    readyS,
    batteryC: peak.battery,
    cameraC: peak.camera,
    displayC: peak.display,
    rippleK,
    coldestAtEndC: coldest,
  };
}
