import { toThermalStack } from '../src/core/device/thermalStack';
import type { Device } from '../src/core/device/types';
import { buildModes, type ThermalModes } from '../src/core/heat/modes';
import { ReducedModel } from '../src/core/heat/reduced';
import { shippedDevices } from '../src/model/shippedDevices';

const built = new Map<string, ThermalModes>();

/** Modes of a shipped device on a coarse grid: quick enough for tests, the same code as on the check grid. */
export function coarseModel(id = 'ring61'): { device: Device; model: ReducedModel } {
  const device = shippedDevices.find((d) => d.id === id)!;
  const bond = device.bonds[0]!;
  let modes = built.get(id);
  if (!modes) {
    const stack = toThermalStack(device, bond, new Set(device.parts.map((p) => p.id)));
    modes = buildModes(stack, () => true, { nx: 18, ny: 38 });
    built.set(id, modes);
  }
  return { device, model: new ReducedModel(modes) };
}
