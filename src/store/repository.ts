import type { Device } from '@/core/device/types';
import { deviceSchema } from '@/model/device';
import { explain, parseEvent, type JobEvent, type NewEvent } from '@/model/event';
import { photoPattern } from '@/model/files';
import { logOrder } from '@/model/fold';
import { defaultSettings, settingsSchema, upToDate, type Settings } from '@/model/settings';
import { packFrom, readPack, writePack } from './pack';

/** The part of AsyncStorage that the repository needs. */
export interface Storage {
  getItem(key: string): Promise<string | null>;
  setItem(key: string, value: string): Promise<void>;
  removeItem(key: string): Promise<void>;
  getMany(keys: string[]): Promise<Record<string, string | null>>;
  setMany(entries: Record<string, string>): Promise<void>;
  getAllKeys(): Promise<string[]>;
}

export interface Problem {
  key: string;
  what: string;
  /** the entry as it was found: exported, never deleted by the app */
  raw: string;
}

export interface ShopLog {
  jobs: Map<string, JobEvent[]>;
  settings: Settings;
  /** the shop's own device models, every version */
  devices: Device[];
  problems: Problem[];
  /** events that the storage has refused so far */
  unsaved: number;
  /** entries that were taken from the pack: their originals are looked at once the page stands */
  fromPack: JobEvent[];
}

export interface Clock {
  now(): number;
  uuid(): string;
}

const packKey = 'extra/pack';
/** writer of the entries that come with the demo */
export const demoWriter = 'demo';
const packWaitMs = 2000;

const deviceKey = (d: Device) => `device/${d.id}/${d.version}`;
const jobKey = (e: JobEvent) => `job/${e.jobId}/${e.writer}/${String(e.seq).padStart(8, '0')}`;

/**
 * The one door to the storage. Each event is an entry of its own, written together with its batch in one transaction, so a
 * second tab never overwrites another's and a crash leaves whole batches or nothing. What cannot be read is set aside,
 * named and kept. What cannot be written stays in memory as pending and is tried again.
 */
export class Repository {
  /** events that the storage refused; they are in the log that screens see and go out with every export */
  readonly pending: JobEvent[] = [];
  private readonly writer: string;
  private seq = 0;

  constructor(
    private readonly storage: Storage,
    private readonly clock: Clock,
  ) {
    this.writer = clock.uuid().slice(0, 13);
  }

  async load(): Promise<ShopLog> {
    const problems: Problem[] = [];
    const jobs = new Map<string, JobEvent[]>();
    const seen = new Set<string>();
    const put = (e: JobEvent) => {
      if (seen.has(e.id)) return;
      seen.add(e.id);
      const list = jobs.get(e.jobId);
      if (list) list.push(e);
      else jobs.set(e.jobId, [e]);
    };
    const all = await this.storage.getAllKeys();
    const present = new Set(all.filter((k) => k.startsWith('job/')));
    // what was read and found good before comes in one piece; only what is new is read one by one
    const packed = present.size >= packFrom ? await this.storage.getItem(packKey).then(readPack, () => null) : null;
    const inPack = new Set<string>();
    const fromPack: JobEvent[] = [];
    for (const e of packed ?? []) {
      const key = jobKey(e);
      if (!present.has(key)) continue;
      inPack.add(key);
      fromPack.push(e);
      put(e);
    }
    const keys = [...present].filter((k) => !inPack.has(k));
    const values = keys.length ? await this.storage.getMany(keys) : {};
    for (const key of keys) {
      const raw = values[key];
      if (raw === null || raw === undefined) continue;
      const parsed = parseText(raw);
      const event = parsed === undefined ? null : parseEvent(parsed);
      if (event?.ok) put(event.value);
      else problems.push({ key, what: event ? event.problem : 'the entry is cut off or not JSON', raw });
    }
    if (keys.length >= packFrom) this.packLater([...jobs.values()].flat());
    for (const e of this.pending) put(e);
    for (const list of jobs.values()) list.sort(logOrder);
    return {
      jobs,
      settings: await this.loadSettings(problems),
      devices: await this.loadDevices(all, problems),
      problems,
      unsaved: this.pending.length,
      fromPack,
    };
  }

  /**
   * Looks at the originals of what the pack had: one that was spoiled since is named, and the good copy is written beside it,
   * so that it is still there when the pack goes.
   */
  async checkOriginals(fromPack: readonly JobEvent[]): Promise<Problem[]> {
    const problems: Problem[] = [];
    for (let i = 0; i < fromPack.length; i += 500) {
      const part = fromPack.slice(i, i + 500);
      const values = await this.storage.getMany(part.map(jobKey));
      for (const e of part) {
        const key = jobKey(e);
        const raw = values[key];
        if (raw === null || raw === undefined || parseEvent(parseText(raw)).ok) continue;
        problems.push({ key, what: 'the entry is cut off or not JSON; a good copy of it was found and is used', raw });
        await this.storage.setItem(`${key}/copy`, stored(e)).catch(() => undefined);
      }
    }
    return problems;
  }

  /** Keeps what was read in one piece for the next time, once there is nothing more urgent to do. */
  private packLater(events: readonly JobEvent[]): void {
    setTimeout(() => void this.storage.setItem(packKey, writePack(events)).catch(() => undefined), packWaitMs);
  }

  private async loadDevices(all: readonly string[], problems: Problem[]): Promise<Device[]> {
    const keys = all.filter((k) => k.startsWith('device/'));
    const values = keys.length ? await this.storage.getMany(keys) : {};
    const out: Device[] = [];
    for (const key of keys) {
      const raw = values[key];
      if (raw === null || raw === undefined) continue;
      const read = deviceSchema.safeParse(parseText(raw));
      if (read.success) out.push(read.data);
      else problems.push({ key, what: `the device model is not readable (${explain(read.error)})`, raw });
    }
    return out.sort((a, b) => (a.id < b.id ? -1 : a.id > b.id ? 1 : a.version - b.version));
  }

  /** A version of a model is written once and never changed. @throws StorageFullError */
  async saveDevice(device: Device): Promise<void> {
    await this.put({ [deviceKey(device)]: JSON.stringify(device) });
  }

  /** @throws StorageFullError */
  async savePhoto(id: string, data: string): Promise<void> {
    await this.put({ [`photo/${id}`]: data });
  }

  /** Pictures by id; those that are not there are left out. */
  async readPhotos(ids: readonly string[]): Promise<Record<string, string>> {
    if (!ids.length) return {};
    const values = await this.storage.getMany(ids.map((id) => `photo/${id}`));
    return Object.fromEntries(
      ids.flatMap((id) => {
        const v = values[`photo/${id}`];
        return v && photoPattern.test(v) ? [[id, v]] : [];
      }),
    );
  }

  async dropPhoto(id: string): Promise<void> {
    await this.storage.removeItem(`photo/${id}`);
  }

  private async put(entries: Record<string, string>): Promise<void> {
    try {
      await this.roomFor(() => this.storage.setMany(entries));
    } catch {
      throw new StorageFullError();
    }
  }

  /** Writes; when there is no room the pack goes first, for it is only a copy. */
  private async roomFor(write: () => Promise<void>): Promise<void> {
    try {
      await write();
    } catch (e) {
      if ((await this.storage.getItem(packKey)) === null) throw e;
      await this.storage.removeItem(packKey);
      await write();
    }
  }

  private async loadSettings(problems: Problem[]): Promise<Settings> {
    const raw = await this.storage.getItem('settings');
    if (raw === null) return defaultSettings;
    const parsed = settingsSchema.safeParse(parseText(raw));
    if (parsed.success) return upToDate(parsed.data);
    problems.push({
      key: 'settings',
      what: `the settings are not readable (${parsed.error.issues[0]?.path.join('.') || 'whole entry'}); the usual ones are used`,
      raw,
    });
    return defaultSettings;
  }

  /** Completes new events with id, writer, sequence and instants. */
  make(jobId: string, by: string, events: readonly NewEvent[], at = this.clock.now()): JobEvent[] {
    const loggedAt = this.clock.now();
    return events.map((e) => ({
      ...e,
      v: 1,
      id: this.clock.uuid(),
      jobId,
      writer: this.writer,
      seq: this.seq++,
      at: Math.min(at, loggedAt),
      loggedAt,
      by,
    }));
  }

  /** Writes a batch in one transaction. @returns false when the storage refused: the events are pending then */
  async write(events: readonly JobEvent[]): Promise<boolean> {
    const entries = Object.fromEntries([...this.pending, ...events].map((e) => [jobKey(e), stored(e)]));
    if (!Object.keys(entries).length) return true;
    try {
      await this.roomFor(() => this.storage.setMany(entries));
      this.pending.length = 0;
      return true;
    } catch {
      this.pending.push(...events);
      return false;
    }
  }

  /**
   * Adds the events of a file in one transaction; those already here are left as they are.
   * @throws StorageFullError when the storage refuses: then nothing of the file is taken in
   */
  async merge(
    events: readonly JobEvent[],
    known: ReadonlySet<string>,
    more: { photos?: Record<string, string>; devices?: readonly Device[] } = {},
  ): Promise<number> {
    const fresh = events.filter((e) => !known.has(e.id));
    const entries = Object.fromEntries([
      ...fresh.map((e) => [jobKey(e), stored(e)]),
      ...Object.entries(more.photos ?? {}).map(([id, data]) => [`photo/${id}`, data]),
      ...(more.devices ?? []).map((d) => [deviceKey(d), JSON.stringify(d)]),
    ]);
    if (Object.keys(entries).length) await this.put(entries);
    return fresh.length;
  }

  async saveSettings(settings: Settings): Promise<void> {
    await this.roomFor(() => this.storage.setItem('settings', JSON.stringify(settings)));
  }

  async readExtra(key: string): Promise<string | null> {
    return this.storage.getItem(`extra/${key}`);
  }

  /** Cached results that can be computed again; a full storage is no loss here. */
  async writeExtra(key: string, value: string): Promise<boolean> {
    try {
      await this.storage.setItem(`extra/${key}`, value);
      return true;
    } catch {
      return false;
    }
  }

  /**
   * Takes out the logs of the demo shop, whole jobs that nobody but the demo has written in; what somebody did in one of
   * them stays. Used when a shop of one's own is taken in.
   */
  async dropDemo(jobs: ReadonlyMap<string, readonly JobEvent[]>): Promise<void> {
    for (const events of jobs.values()) {
      if (!events.every((e) => e.writer === demoWriter)) continue;
      for (const e of events) await this.storage.removeItem(jobKey(e));
    }
    await this.storage.removeItem(packKey);
  }

  async isEmpty(): Promise<boolean> {
    return (await this.storage.getAllKeys()).every((k) => k.startsWith('extra/'));
  }
}

export class StorageFullError extends Error {
  constructor() {
    super('the storage of this browser is full: nothing was taken in');
  }
}

const stored = (e: JobEvent) => JSON.stringify(e.type === 'unknown' ? e.raw : e);

function parseText(raw: string): unknown {
  try {
    return JSON.parse(raw);
  } catch {
    return undefined;
  }
}
