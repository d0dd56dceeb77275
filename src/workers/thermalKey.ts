import { guessErrorK } from '@/core/device/known';
import { faceOf } from '@/core/device/perimeter';
import { toThermalStack, type ThermalStack } from '@/core/device/thermalStack';
import type { Bond, Device, Face } from '@/core/device/types';
import { checkGridSize } from '@/core/heat/grid';
import { stackDigest } from '@/core/heat/modeProjection';
import type { GridErrorK } from '@/core/heat/modes';

export interface ThermalKey {
  stack: ThermalStack;
  /** names the modes */
  digest: string;
  /** the side that the joint is on */
  side: Face['side'];
  /** what is guessed of the device, in every temperature; null: nothing */
  unsureK: GridErrorK | null;
  /** names the model: its modes, and how sure they are */
  id: string;
}

/** Stack of a device with all its parts in, and the digest that names its modes. */
export function thermalKey(device: Device, bond: Bond): ThermalKey {
  const stack = toThermalStack(device, bond, new Set(device.parts.map((p) => p.id)));
  return keyOf(stack, guessErrorK(device), faceOf(device, bond).side);
}

export function keyOf(stack: ThermalStack, unsureK: GridErrorK | null = null, side: Face['side'] = 'back'): ThermalKey {
  const named = stackDigest(stack, checkGridSize(stack));
  return { stack, digest: named, side, unsureK, id: unsureK ? `${named} ${JSON.stringify(unsureK)}` : named };
}
