import type { Device } from '@/core/device/types';
import type { JobEvent } from '@/model/event';
import { logOrder } from '@/model/logOrder';
import type { Settings } from '@/model/settings';
import { tellOthers } from '../channel';
import { figuresInForce, patchLog, repository, shopNow } from '../shop';

/** Entries of another device of the shop: shown at once, then written; what is here already is left as it is. */
export async function fromOthers(events: readonly JobEvent[]): Promise<void> {
  await shopNow();
  let fresh: JobEvent[] = [];
  patchLog((log) => {
    const jobs = new Map(log.jobs);
    fresh = [];
    for (const id of new Set(events.map((e) => e.jobId))) {
      const known = new Set(jobs.get(id)?.map((e) => e.id));
      const added = events.filter((e) => e.jobId === id && !known.has(e.id));
      if (!added.length) continue;
      fresh.push(...added);
      jobs.set(id, [...(jobs.get(id) ?? []), ...added].sort(logOrder));
    }
    return fresh.length ? { ...log, jobs } : log;
  });
  if (!fresh.length) return;
  await repository.write(fresh);
  patchLog((log) => ({ ...log, unsaved: repository.pending.length, trouble: repository.trouble }));
  tellOthers();
}

/** Settings as the shop has them now. @throws RefusedError, StorageFullError */
export async function settingsFromOthers(settings: Settings): Promise<void> {
  repository.gateSettings(settings);
  patchLog((log) => ({ ...log, settings }));
  await repository.saveSettings(settings);
  tellOthers();
  figuresInForce(settings);
}

/** A version of a model of the shop's, in place of another with its number. @throws RefusedError, StorageFullError */
export async function deviceFromOthers(device: Device): Promise<void> {
  await repository.saveDevice(device);
  const other = (d: Device) => d.id !== device.id || d.version !== device.version;
  patchLog((log) => ({ ...log, devices: [...log.devices.filter(other), device] }));
  tellOthers();
}
