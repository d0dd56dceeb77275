import './ownFigures';

import { expose, transfer } from 'comlink';

import type { ThermalStack } from '@/core/device/thermalStack';
import type { Face } from '@/core/device/types';
import { stable } from '@/core/digest';
import { coarseModes } from '@/core/heat/coarse';
import { confirmRun, type Confirmation } from '@/core/heat/confirm';
import { buildModes, modesFrom, snapshotsOf, type ThermalModes } from '@/core/heat/modes';
import { confirmRound, type MovingInput, type MovingResult } from '@/core/heat/moving';
import { planRound, type PathPlan, type PathPlanInput } from '@/core/heat/pathPlan';
import { ReducedModel } from '@/core/heat/reduced';
import { spotCadence, type SpotInput, type SpotResult } from '@/core/heat/spot';
import { tryWay, type HeatWay, type WayResult, type WaysInput } from '@/core/heat/ways';
import { byCalls, type ByCalls, type ByCallsInput } from '@/core/practice/byCalls';
import { comparePicks, type PickWay, type PicksInput } from '@/core/lift/picks';
import { paced } from './paced';

let model: ReducedModel | null = null;
/** this worker's part of the snapshots, until the others' are there */
let own: Float32Array[] = [];

const api = {
  build(stack: ThermalStack, onProgress: (share: number) => void): ThermalModes {
    const modes = buildModes(stack, paced(onProgress));
    model = new ReducedModel(modes);
    return modes;
  },
  /** A part of a build; the list moves to whoever asked. */
  snapshots(
    stack: ThermalStack,
    part: { part: number; of: number },
    onProgress: (share: number) => void,
  ): Float32Array[] {
    const list = snapshotsOf(stack, part, paced(onProgress));
    return transfer(
      list,
      list.map((s) => s.buffer),
    );
  },
  /** The first part of a build that is shared: kept here until the others come. */
  begin(stack: ThermalStack, of: number, onProgress: (share: number) => void): void {
    own = snapshotsOf(stack, { part: 0, of }, paced(onProgress));
  },
  finish(stack: ThermalStack, others: Float32Array[], onProgress: (share: number) => void): ThermalModes {
    const modes = modesFrom(stack, [...own, ...others], paced(onProgress));
    own = [];
    model = new ReducedModel(modes);
    return modes;
  },
  firstLook(stack: ThermalStack, side: Face['side'], onProgress: (share: number) => void): ThermalModes {
    return coarseModes(stack, side, paced(onProgress));
  },
  use(modes: ThermalModes): void {
    const same = model?.modes.digest === modes.digest && stable(model.modes.unsureK) === stable(modes.unsureK);
    if (!same) model = new ReducedModel(modes);
  },
  picks(digest: string, input: PicksInput): PickWay[] | null {
    return model?.modes.digest === digest ? comparePicks(model, input) : null;
  },
  way(digest: string, way: HeatWay, input: WaysInput): WayResult | null {
    return model?.modes.digest === digest ? tryWay(model, way, input) : null;
  },
  byCalls(digest: string, input: ByCallsInput): ByCalls | null {
    return model?.modes.digest === digest ? byCalls(model, input) : null;
  },
  round(input: PathPlanInput, onProgress: (share: number) => void): PathPlan | null {
    return model ? planRound(model, input, paced(onProgress)) : null;
  },
  moving(stack: ThermalStack, input: MovingInput, onProgress: (share: number) => void): MovingResult {
    return confirmRound(stack, input, paced(onProgress));
  },
  spot(stack: ThermalStack, input: SpotInput, onProgress: (share: number) => void): SpotResult {
    return spotCadence(stack, input, paced(onProgress));
  },
  confirm(
    stack: ThermalStack,
    input: Parameters<typeof confirmRun>[2],
    onProgress: (share: number) => void,
  ): Confirmation | null {
    return model ? confirmRun(model, stack, input, paced(onProgress)) : null;
  },
};

export type ThermalApi = typeof api;

expose(api);
