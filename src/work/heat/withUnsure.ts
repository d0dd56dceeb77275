import type { GridErrorK, ThermalModes } from '@/core/heat/modes';

/** Modes of a device that is guessed in part: the same modes, and more in every range. */
export function withUnsure(modes: ThermalModes, unsureK: GridErrorK | null): ThermalModes {
  if (!unsureK) return modes;
  const own = modes.unsureK ?? { bondLow: 0, bondHigh: 0, partLow: 0, partHigh: 0 };
  return {
    ...modes,
    unsureK: {
      bondLow: own.bondLow + unsureK.bondLow,
      bondHigh: own.bondHigh + unsureK.bondHigh,
      partLow: own.partLow + unsureK.partLow,
      partHigh: own.partHigh + unsureK.partHigh,
    },
  };
}
