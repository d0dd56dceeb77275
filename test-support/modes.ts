import { readFileSync } from 'node:fs';
import path from 'node:path';

import { toThermalStack } from '../src/core/device/thermalStack';
import type { Device } from '../src/core/device/types';
import { buildModes, type ThermalModes } from '../src/core/heat/modes';
import { stackDigest } from '../src/core/heat/modeProjection';
import { ReducedModel } from '../src/core/heat/reduced';
import { decodeModes } from '../src/model/modesFile';
import { shippedDevices } from '../src/model/shippedDevices';

/** A coarse grid: quick enough for tests, the same code as on the check grid. */
export const coarseSize = { nx: 18, ny: 38 };

/** Where the coarse modes are kept; `npm run modes` writes them, and a test builds them anew and compares. */
export const coarseFile = path.join(__dirname, 'fixtures', 'coarse-ring61.json');

export function coarseStack() {
  const device = shippedDevices.find((d) => d.id === 'ring61')!;
  const bond = device.bonds[0]!;
  return { device, stack: toThermalStack(device, bond, new Set(device.parts.map((p) => p.id))) };
}

let kept: ThermalModes | null = null;

/** Modes of a shipped device on a coarse grid. */
export function coarseModel(): { device: Device; model: ReducedModel } {
  const { device, stack } = coarseStack();
  // built when the file belongs to other data: the comparing test says that it has to be written anew
  kept ??=
    decodeModes(readFileSync(coarseFile, 'utf8'), stackDigest(stack, coarseSize)) ??
    buildModes(stack, () => true, coarseSize);
  return { device, model: new ReducedModel(kept) };
}
