import type { ThermalStack } from '../device/thermalStack';
import { Perimeter } from '../device/perimeter';
import { benchEnvironment } from './environment';
import { checkGridSize, makeGrid } from './grid';
import { bondReadings, faceReadings, readOff } from './observe';
import { Cancelled } from './modes';
import type { Heater } from './heater';
import { backPattern } from './backPattern';
import { defOf, unmoved } from './heaterDefs';
import { arcCells } from './arcs';
import { HeatRun } from './run';
import type { HeatUse } from './member';
import { ReducedModel } from './reduced';
import { HeatSolver } from './solver';

export interface ConfirmInput {
  heater: Heater;
  use: HeatUse;
  ambientC: number;
  setC: number;
  heatS: number;
  coolS: number;
}

export interface Confirmation {
  /** coldest bond cell and hottest battery face of the full run and of the reduced answer, °C */
  samples: {
    tS: number;
    fullBondC: number;
    reducedBondC: number;
    fullBatteryC: number | null;
    reducedBatteryC: number | null;
  }[];
  largestBondErrorK: number;
  largestBatteryErrorK: number;
}

const stepS = 5;

/**
 * The full coupled model with true radiation on the check grid, beside the reduced answer: heat with a heater
 * that is ready, air averaged over its round, then free cooling. @param onProgress share done; return false to cancel
 * @throws Cancelled: cancelled
 */
export function confirmRun(
  model: ReducedModel,
  stack: ThermalStack,
  input: ConfirmInput,
  onProgress: (share: number) => boolean | void = () => true,
): Confirmation {
  const grid = makeGrid(stack, checkGridSize(stack));
  const solver = new HeatSolver(grid, benchEnvironment(input.ambientC, 'true'), input.ambientC);
  const { heater, use, ambientC } = input;
  const run = HeatRun.start(
    model,
    heater,
    ambientC,
    [
      { atS: 0, setC: input.setC, preheated: true },
      { atS: input.heatS, setC: null, preheated: false },
    ],
    use,
  );
  const ring = bondReadings(grid);
  const cells = grid.watch.filter((w) => w.id === 'battery').flatMap((w) => faceReadings(grid, w.columns, w.k));
  const arcs = arcCells(model, new Perimeter(stack.pathOutline).lengthMm);
  const at = (c: number, k: number) => solver.at(c, k);
  const samples: Confirmation['samples'] = [];
  const sample = (tS: number) => {
    samples.push({
      tS,
      fullBondC: ring.reduce((m, r) => Math.min(m, readOff(at, r)), Infinity),
      reducedBondC: run.arcsC(tS, arcs).reduce((m, r) => Math.min(m, r.mean), Infinity),
      fullBatteryC: cells.length ? cells.reduce((m, r) => Math.max(m, readOff(at, r)), -Infinity) : null,
      reducedBatteryC: run.partC(tS, 'battery')?.mean ?? null,
    });
    if (onProgress(tS / (input.heatS + input.coolS)) === false) throw new Cancelled('cancelled');
  };
  const { back: spec, targetC } = defOf(heater).over(heater, {
    use,
    setC: input.setC,
    moved: unmoved,
    ambientC,
    outline: stack.outline,
  });
  const centers = Array.from({ length: grid.nx * grid.ny }, (_, c) => grid.center(c));
  const over =
    typeof spec === 'number' ? { contact: spec, jet: null } : backPattern(spec, stack.outline, centers, ambientC);
  const heat = {
    conductanceWm2K: over.contact,
    plateC: () => targetC,
    ...(typeof spec === 'object' && spec.kind === 'rays'
      ? { raysWm2K: spec.filmWm2K }
      : 'share' in over
        ? { jet: { hWm2K: over.jet, share: over.share } }
        : {}),
  };
  solver.run(heat, input.heatS, stepS, (t) => t % 10 < 1e-6 && sample(t));
  solver.run(null, input.coolS, stepS, (t) => t % 10 < 1e-6 && sample(input.heatS + t));
  const worst = (f: (s: Confirmation['samples'][number]) => number) => samples.reduce((m, s) => Math.max(m, f(s)), 0);
  return {
    samples,
    largestBondErrorK: worst((s) => Math.abs(s.fullBondC - s.reducedBondC)),
    largestBatteryErrorK: worst((s) => Math.abs((s.fullBatteryC ?? 0) - (s.reducedBatteryC ?? 0))),
  };
}
