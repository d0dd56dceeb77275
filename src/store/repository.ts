import type { Device } from '@/core/device/types';
import { deviceSchema } from '@/model/device';
import { explain, parseEvent, wasRead, type JobEvent, type NewEvent } from '@/model/event';
import { checkSettings, readSettings } from '@/model/readSettings';
import { maxPhotoChars, photoPattern } from '@/model/files';
import { logOrder, nextNth } from '@/model/logOrder';
import { keepUnknown } from '@/model/keepUnknown';
import { type Settings } from '@/model/settings';
import { defaultSettings } from '@/model/defaultSettings';
import { packFrom, readPack, writePack } from './pack';
import { troubleOf, type StorageTrouble } from './reopening';
import { RefusedError, StorageFullError } from './storageErrors';

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
  /** why the storage does not take or give entries at the moment */
  trouble: StorageTrouble | null;
}

export interface Clock {
  now(): number;
  uuid(): string;
}

const packKey = 'extra/pack';

const settingsBeforeKey = 'extra/settingsBefore';

/** writer of the entries that come with the demo */
export const demoWriter = 'demo';

const packWaitMs = 2000;

const deviceKey = (d: Device) => `device/${d.id}/${d.version}`;

/** Entries that are read in one go. */
const readAtOnce = 2000;

const jobKey = (e: JobEvent) => `job/${e.jobId}/${e.writer}/${String(e.seq).padStart(8, '0')}`;

/**
 * The one door to the storage. Each event is an entry of its own, written together with its batch in one transaction, so a
 * second tab never overwrites another's and a crash leaves whole batches or nothing. What cannot be read is set aside,
 * named and kept. What cannot be written stays in memory as pending and is tried again.
 */
export class Repository {
  /** events that the storage refused; they are in the log that screens see and go out with every export */
  readonly pending: JobEvent[] = [];
  /** everything that this page noted, so that no reading of the storage takes it off the screen */
  readonly own = new Map<string, JobEvent>();
  /** fields of the settings that this version could not read, as they were found, and what stood in for them */
  private unread: { raw: Record<string, unknown>; instead: Settings } | null = null;
  /** the storage gave nothing: what stands there is not known, so it is not written over */
  private blind = false;
  trouble: StorageTrouble | null = null;
  /** writes go one after the other */
  private turn: Promise<unknown> = Promise.resolve();
  private readonly writer: string;
  private seq = 0;
  /** next counter of each job that this page wrote in */
  private readonly nths = new Map<string, number>();

  constructor(
    private readonly storage: Storage,
    private readonly clock: Clock,
  ) {
    this.writer = clock.uuid().slice(0, 13);
  }

  /**
   * Everything that is stored; what is in memory where the storage gives nothing, and why.
   * @param onShare told how far it is, 0 to 1, where it takes a while
   */
  async load(onShare: (share: number | null) => void = () => {}): Promise<ShopLog> {
    try {
      const log = await this.read(onShare).finally(() => onShare(null));
      this.blind = false;
      this.trouble = this.pending.length ? this.trouble : null;
      return { ...log, trouble: this.trouble };
    } catch (e) {
      return this.memoryOnly(troubleOf(e));
    }
  }

  /** What this page itself has noted, while the storage gives nothing; what stands there is not written over meanwhile. */
  memoryOnly(trouble: StorageTrouble): ShopLog {
    this.blind = true;
    this.trouble = trouble;
    const jobs = new Map<string, JobEvent[]>();
    for (const x of this.own.values()) jobs.set(x.jobId, [...(jobs.get(x.jobId) ?? []), x]);
    return {
      ...{ jobs, settings: defaultSettings, devices: [], problems: [] },
      ...{ unsaved: this.pending.length, fromPack: [], trouble },
    };
  }

  private async read(onShare: (share: number) => void): Promise<Omit<ShopLog, 'trouble'>> {
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
    // in parts, so that the page can draw between them
    for (let i = 0; i < keys.length; i += readAtOnce) {
      if (i > 0) onShare(i / keys.length);
      const part = keys.slice(i, i + readAtOnce);
      const values = await this.storage.getMany(part);
      for (const key of part) {
        const raw = values[key];
        if (raw === null || raw === undefined) continue;
        const parsed = parseText(raw);
        const event = parsed === undefined ? null : parseEvent(parsed);
        if (event?.ok) put(event.value);
        else problems.push({ key, what: event ? event.problem : 'the entry is cut off or not JSON', raw });
      }
    }
    if (keys.length >= packFrom) this.packLater([...jobs.values()].flat());
    for (const e of this.pending) put(e);
    // what this page noted while the storage was read
    for (const e of this.own.values()) put(e);
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
        // as it was written: nothing to look at
        if (raw === null || raw === undefined || raw === stored(e) || parseEvent(parseText(raw)).ok) continue;
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
      if (read.success) out.push(keepUnknown(parseText(raw), read.data));
      else problems.push({ key, what: `the device model is not readable (${explain(read.error)})`, raw });
    }
    return out.sort((a, b) => (a.id < b.id ? -1 : a.id > b.id ? 1 : a.version - b.version));
  }

  /** A version of a model is written once and never changed. @throws StorageFullError */
  async saveDevice(device: Device): Promise<void> {
    this.gateDevice(device);
    await this.put({ [deviceKey(device)]: JSON.stringify(device) });
  }

  private gateDevice(device: Device): void {
    const read = deviceSchema.safeParse(JSON.parse(JSON.stringify(device)));
    if (!read.success) throw new RefusedError(`device: ${explain(read.error)}`);
  }

  /** @throws RefusedError, StorageFullError */
  async savePhoto(id: string, data: string): Promise<void> {
    gatePhoto(id, data);
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
      if (troubleOf(e) !== 'full' || (await this.storage.getItem(packKey)) === null) throw e;
      await this.storage.removeItem(packKey);
      await write();
    }
  }

  private async loadSettings(problems: Problem[]): Promise<Settings> {
    const raw = await this.storage.getItem('settings');
    if (raw === null) return defaultSettings;
    const read = readSettings(parseText(raw));
    this.unread = read.problems.length ? { raw: read.unread, instead: read.settings } : null;
    if (!read.problems.length) return read.settings;
    const { field, what } = read.problems[0]!;
    problems.push({
      key: 'settings',
      what: `the settings are not wholly readable (${field}: ${what}); what stands there is kept, the usual is used meanwhile`,
      raw,
    });
    await this.keepOriginal(raw);
    return read.settings;
  }

  /** What could not be read stays under a key of its own that nothing writes over. */
  private async keepOriginal(raw: string): Promise<void> {
    for (let n = 1; n <= 50; n++) {
      const key = `kept/settings/${n}`;
      const there = await this.storage.getItem(key);
      if (there === raw) return;
      if (there !== null) continue;
      await this.storage.setItem(key, raw).catch(() => undefined);
      return;
    }
  }

  /**
   * Completes new events with id, writer, sequence, counter and instants.
   * @param known the job's log as far as it is known here: the new ones come after all of it
   */
  make(
    jobId: string,
    by: string,
    events: readonly NewEvent[],
    at = this.clock.now(),
    known: readonly JobEvent[] = [],
  ): JobEvent[] {
    const loggedAt = this.clock.now();
    const from = Math.max(nextNth(known), this.nths.get(jobId) ?? 0);
    this.nths.set(jobId, from + events.length);
    return events.map((e, i) => ({
      ...e,
      v: 1,
      id: this.clock.uuid(),
      jobId,
      writer: this.writer,
      seq: this.seq++,
      nth: from + i,
      at: Math.min(at, loggedAt),
      loggedAt,
      by,
    }));
  }

  /**
   * Passes new entries through the reader that will read them after a reload. @throws RefusedError that names the field
   */
  gate(events: readonly JobEvent[]): void {
    for (const e of events) {
      // what came through the reader just now need not go through it again
      if (wasRead(e)) continue;
      const read = parseEvent(JSON.parse(stored(e)));
      if (!read.ok) throw new RefusedError(`${e.type}: ${read.problem}`);
    }
  }

  /**
   * Writes a batch in one transaction, together with what is still pending; writes wait for each other, and what was written
   * is taken off the list and nothing else.
   * @returns false when the storage refused: the events are pending then
   */
  write(events: readonly JobEvent[]): Promise<boolean> {
    for (const e of events) this.own.set(e.id, e);
    const run = async () => {
      const batch = [...this.pending, ...events];
      if (!batch.length) return true;
      try {
        await this.roomFor(() => this.storage.setMany(Object.fromEntries(batch.map((e) => [jobKey(e), stored(e)]))));
        const written = new Set(batch.map((e) => e.id));
        const left = this.pending.filter((e) => !written.has(e.id));
        this.pending.splice(0, this.pending.length, ...left);
        this.trouble = null;
        return true;
      } catch (e) {
        this.trouble = troubleOf(e);
        const waiting = new Set(this.pending.map((e) => e.id));
        this.pending.push(...events.filter((e) => !waiting.has(e.id)));
        return false;
      }
    };
    const done = this.turn.then(run, run);
    this.turn = done;
    return done;
  }

  /**
   * Adds the events of a file in one transaction; those already here are left as they are.
   * @returns how many were new, and how many of them stand under another key because theirs was taken
   * @throws RefusedError when an entry would not be read again; StorageFullError when the storage refuses: then nothing of
   * the file is taken in
   */
  async merge(
    events: readonly JobEvent[],
    known: ReadonlySet<string>,
    more: { photos?: Record<string, string>; devices?: readonly Device[] } = {},
  ): Promise<{ fresh: number; clashed: number }> {
    this.gate(events);
    for (const d of more.devices ?? []) this.gateDevice(d);
    for (const [id, data] of Object.entries(more.photos ?? {})) gatePhoto(id, data);
    const fresh = events.filter((e) => !known.has(e.id));
    const taken = new Set(await this.storage.getAllKeys());
    const entries: Record<string, string> = {};
    let clashed = 0;
    for (const e of fresh) {
      // another entry under the same job, writer and number: both stay
      const free = taken.has(jobKey(e)) ? `${jobKey(e)}/${e.id}` : jobKey(e);
      if (free !== jobKey(e)) clashed++;
      taken.add(free);
      entries[free] = stored(e);
    }
    for (const [id, data] of Object.entries(more.photos ?? {})) entries[`photo/${id}`] = data;
    for (const d of more.devices ?? []) entries[deviceKey(d)] = JSON.stringify(d);
    if (Object.keys(entries).length) await this.put(entries);
    return { fresh: fresh.length, clashed };
  }

  /** @throws RefusedError that names the field, when they would not be read again */
  gateSettings(settings: Settings): void {
    const checked = checkSettings(settings);
    if (!checked.ok) throw new RefusedError(checked.problem);
  }

  /** @throws RefusedError that names the field; StorageFullError */
  async saveSettings(settings: Settings): Promise<void> {
    this.gateSettings(settings);
    if (this.blind) throw new StorageFullError();
    const out: Record<string, unknown> = { ...settings };
    // what an older or newer build wrote and this one could not read goes back as it was, unless somebody changed it
    for (const [field, raw] of Object.entries(this.unread?.raw ?? {}))
      if (same(out[field], this.unread!.instead[field as keyof Settings])) out[field] = raw;
    const text = JSON.stringify(out);
    const before = await this.storage.getItem('settings');
    await this.put({
      settings: text,
      ...(before !== null && before !== text ? { [settingsBeforeKey]: before } : {}),
    });
  }

  /** Settings as they were before the last change; null when nothing was changed here or they cannot be read. */
  async settingsBefore(): Promise<Settings | null> {
    const raw = await this.storage.getItem(settingsBeforeKey);
    if (raw === null) return null;
    const read = readSettings(parseText(raw));
    return read.problems.length ? null : read.settings;
  }

  /** Everything that is stored, as it stands: the way out when nothing else can be made of it. */
  async raw(): Promise<Record<string, string | null>> {
    return this.storage.getMany((await this.storage.getAllKeys()).filter((k) => k !== packKey));
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

function gatePhoto(id: string, data: string): void {
  if (!/^[\w-]{1,80}$/.test(id)) throw new RefusedError('photo: its name is 1 to 80 letters and digits');
  if (data.length > maxPhotoChars || !photoPattern.test(data))
    throw new RefusedError(`photo: a JPEG of up to ${Math.round((maxPhotoChars * 3) / 4000)} KB`);
}

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

const stored = (e: JobEvent) => JSON.stringify(e.type === 'unknown' ? e.raw : e);

function parseText(raw: string): unknown {
  try {
    return JSON.parse(raw);
  } catch {
    return undefined;
  }
}
