import type { Bond, Device } from '@/core/device/types';
import type { ThermalModes } from '@/core/heat/modes';
import { ReducedModel } from '@/core/heat/reduced';
import { decodeModes } from '@/model/modesFile';
import { repository } from '@/store/shop';
import { shippedModes } from '@/store/shippedModes';
import { withUnsure } from '@/work/heat/withUnsure';
import { thermalKey } from '@/workers/thermalClient';

/** By the id of their key: what is guessed of a device belongs to its model. */
export const models = new Map<string, ReducedModel>();

/** A heat model that is at hand without building it; null when it would have to be built first. */
export async function thermalAtHand(device: Device, bond: Bond): Promise<ReducedModel | null> {
  const key = thermalKey(device, bond);
  const known = models.get(key.id);
  if (known) return known;
  const modes = await stored(key.digest);
  if (!modes) return null;
  const model = new ReducedModel(withUnsure(modes, key.unsureK));
  models.set(key.id, model);
  return model;
}

/** Thermal modes that ship with the app or that this browser has built before; null when there are none. */
export async function stored(digest: string): Promise<ThermalModes | null> {
  if (Object.values(shippedModes).includes(digest)) {
    try {
      const answer = await fetch(`/modes/${digest}.json`);
      const modes = answer.ok ? decodeModes(await answer.text(), digest) : null;
      if (modes) return modes;
    } catch {
      // no network and not in the offline copy: go on with what this browser has
    }
  }
  const text = await repository.readExtra(`modes/${digest}`).catch(() => null);
  return text ? decodeModes(text, digest) : null;
}
