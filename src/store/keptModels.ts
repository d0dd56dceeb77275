import type { Device } from '@/core/device/types';
import { deviceSchema } from '@/model/device';
import { explain } from '@/model/event';
import { keepUnknown } from '@/model/keepUnknown';
import { RefusedError } from './storageErrors';
import { parseText, type Problem, type Storage } from './stored';

export const deviceKey = (d: Device) => `device/${d.id}/${d.version}`;

/** The shop's own device models in the storage, every version. */
export class KeptModels {
  /** @param put writes entries together. @throws StorageFullError */
  constructor(
    private readonly storage: Storage,
    private readonly put: (entries: Record<string, string>) => Promise<void>,
  ) {}

  /** @param problems what could not be read is added to them */
  async load(all: readonly string[], problems: Problem[]): Promise<Device[]> {
    const keys = all.filter((k) => k.startsWith('device/'));
    const values = keys.length ? await this.storage.getMany(keys) : {};
    const out: Device[] = [];
    for (const key of keys) {
      const raw = values[key];
      if (raw === null || raw === undefined) continue;
      const read = deviceSchema.safeParse(parseText(raw));
      if (read.success) out.push(keepUnknown(parseText(raw), read.data));
      else problems.push({ key, what: `the device model is not readable (${explain(read.error)})`, raw });
    }
    return out.sort((a, b) => (a.id < b.id ? -1 : a.id > b.id ? 1 : a.version - b.version));
  }

  /** A version of a model is written once and never changed. @throws StorageFullError */
  async save(device: Device): Promise<void> {
    this.gate(device);
    await this.put({ [deviceKey(device)]: JSON.stringify(device) });
  }

  /** @throws RefusedError that names the field */
  gate(device: Device): void {
    const read = deviceSchema.safeParse(JSON.parse(JSON.stringify(device)));
    if (!read.success) throw new RefusedError(`device: ${explain(read.error)}`);
  }
}
