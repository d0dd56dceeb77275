import type { Device } from '@/core/device/types';
import type { JobEvent, NewEvent } from '@/model/event';
import { stopKinds } from '@/model/stops';
import { shippedDevices } from '@/model/shippedDevices';
import { foldOnce } from './folded';

/** A "no" names the stops that stand here: it takes back those and no other. */
export function withTakenBack(e: NewEvent, known: readonly JobEvent[]): NewEvent {
  if (e.type !== 'finding' || e.answer === 'yes' || !stopKinds.has(e.kind)) return e;
  const standing = foldOnce(known).state?.stops.get(e.kind) ?? [];
  return standing.length ? { ...e, takesBack: standing.slice(-50).map((x) => x.id) } : e;
}

export const noDevices: Device[] = [];

export function newestDevices(own: readonly Device[]): { device: Device; own: boolean }[] {
  const newest = new Map<string, { device: Device; own: boolean }>();
  for (const device of shippedDevices) newest.set(device.id, { device, own: false });
  for (const device of own)
    if ((newest.get(device.id)?.device.version ?? 0) <= device.version) newest.set(device.id, { device, own: true });
  return [...newest.values()].sort((a, b) => Number(b.own) - Number(a.own));
}
