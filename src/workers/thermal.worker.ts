import { expose } from 'comlink';

import type { ThermalStack } from '@/core/device/thermalStack';
import type { Bond, Device } from '@/core/device/types';
import { confirmRun, type Confirmation } from '@/core/heat/confirm';
import { buildModes, type ThermalModes } from '@/core/heat/modes';
import { ReducedModel } from '@/core/heat/reduced';
import { comparePicks, type PickWay, type PicksInput } from '@/core/lift/picks';

let model: ReducedModel | null = null;

const api = {
  build(device: Device, bond: Bond, stack: ThermalStack, onProgress: (share: number) => void): ThermalModes {
    const modes = buildModes(device, bond, stack, onProgress);
    model = new ReducedModel(modes);
    return modes;
  },
  use(modes: ThermalModes): void {
    if (model?.modes.digest !== modes.digest) model = new ReducedModel(modes);
  },
  picks(digest: string, input: PicksInput): PickWay[] | null {
    return model?.modes.digest === digest ? comparePicks(model, input) : null;
  },
  confirm(
    device: Device,
    bond: Bond,
    stack: ThermalStack,
    input: Parameters<typeof confirmRun>[4],
    onProgress: (share: number) => void,
  ): Confirmation | null {
    return model ? confirmRun(model, device, bond, stack, input, onProgress) : null;
  },
};

export type ThermalApi = typeof api;

expose(api);
