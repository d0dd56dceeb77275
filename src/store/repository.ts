import type { Device } from '@/core/device/types';
import { parseEvent, wasRead, type JobEvent, type NewEvent } from '@/model/event';
import { logOrder, nextNth } from '@/model/logOrder';
import { type Settings } from '@/model/settings';
import { defaultSettings } from '@/model/defaultSettings';
import { packFrom, writePack } from './pack';
import { dropDemo, dropJobs } from './dropped';
import { checkOriginals, freeEntries, jobKey, packKey, readEntries, stored } from './keptEntries';
import { type StorageTrouble, type Clock, type Problem, type ShopLog, type Storage } from './stored';
import { troubleOf } from './reopening';
import { setWithRoom } from './setWithRoom';
import { gatePhoto, KeptPhotos } from './keptPhotos';
import { deviceKey, KeptModels } from './keptModels';
import { KeptSettings } from './keptSettings';
import { NewerFormatError, RefusedError, StorageFullError } from './storageErrors';
import { storageFormat } from './version';

const formatKey = 'extra/format';

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
  private readonly settings: KeptSettings;
  private readonly models: KeptModels;
  private readonly photos: KeptPhotos;
  /** the storage gave nothing: what stands there is not known, so it is not written over */
  private blind = false;
  trouble: StorageTrouble | null = null;
  /** what is stored says of which format it is */
  private formatNoted = true;
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
    const put = (entries: Record<string, string>) => this.put(entries);
    this.settings = new KeptSettings(storage, put);
    this.models = new KeptModels(storage, put);
    this.photos = new KeptPhotos(storage, put);
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

  /** entries whose originals this page has written or looked at: they are not looked at again */
  private readonly good = new Set<string>();

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
    await this.checkFormat();
    const all = await this.storage.getAllKeys();
    const noted = () => [...this.pending, ...this.own.values()];
    const { jobs, problems, fromPack } = await readEntries(this.storage, all, noted, onShare);
    for (const list of jobs.values()) list.sort(logOrder);
    return {
      jobs,
      settings: await this.settings.load(problems),
      devices: await this.models.load(all, problems),
      problems,
      unsaved: this.pending.length,
      fromPack: fromPack.filter((e) => !this.good.has(e.id)),
    };
  }

  /** @throws NewerFormatError */
  private async checkFormat(): Promise<void> {
    const kept = await this.storage.getItem(formatKey);
    const format = kept === null ? null : Number(kept);
    if (format !== null && format > storageFormat) throw new NewerFormatError(format);
    this.formatNoted = format !== null;
  }

  /** Looks at the originals of what the pack had. */
  async checkOriginals(fromPack: readonly JobEvent[]): Promise<Problem[]> {
    const problems = await checkOriginals(this.storage, fromPack);
    if (!problems.length) for (const e of fromPack) this.good.add(e.id);
    return problems;
  }

  /** A version of a model is written once and never changed. @throws RefusedError, StorageFullError */
  saveDevice(device: Device): Promise<void> {
    return this.models.save(device);
  }

  /** @throws RefusedError, StorageFullError */
  savePhoto(id: string, data: string): Promise<void> {
    return this.photos.save(id, data);
  }

  /** Pictures by id; those that are not there are left out. */
  readPhotos(ids: readonly string[]): Promise<Record<string, string>> {
    return this.photos.read(ids);
  }

  dropPhoto(id: string): Promise<void> {
    return this.photos.drop(id);
  }

  private async put(entries: Record<string, string>): Promise<void> {
    try {
      await setWithRoom(this.storage, entries);
    } catch {
      throw new StorageFullError();
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
        if (this.trouble === 'newer') await this.checkFormat();
        const entries = Object.fromEntries(batch.map((e) => [jobKey(e), stored(e)]));
        if (!this.formatNoted) entries[formatKey] = String(storageFormat);
        await setWithRoom(this.storage, entries);
        this.formatNoted = true;
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
   * @param more ownWork: made by this app itself and checked in its tests, so not read once more
   * @returns how many were new, and how many of them stand under another key because theirs was taken
   * @throws RefusedError when an entry would not be read again; StorageFullError when the storage refuses: then nothing of
   * the file is taken in
   */
  async merge(
    events: readonly JobEvent[],
    known: ReadonlySet<string>,
    more: { photos?: Record<string, string>; devices?: readonly Device[]; ownWork?: boolean } = {},
  ): Promise<{ fresh: number; clashed: number }> {
    if (!more.ownWork) this.gate(events);
    for (const d of more.devices ?? []) this.models.gate(d);
    for (const [id, data] of Object.entries(more.photos ?? {})) gatePhoto(id, data);
    const fresh = events.filter((e) => !known.has(e.id));
    const { entries, clashed } = freeEntries(fresh, new Set(await this.storage.getAllKeys()));
    for (const [id, data] of Object.entries(more.photos ?? {})) entries[`photo/${id}`] = data;
    for (const d of more.devices ?? []) entries[deviceKey(d)] = JSON.stringify(d);
    if (Object.keys(entries).length) await this.put(entries);
    return { fresh: fresh.length, clashed };
  }

  /** Keeps entries that were found good in one piece, so that reading them anew costs nothing; a copy, which may be lost. */
  async keepPack(events: readonly JobEvent[]): Promise<void> {
    if (events.length < packFrom) return;
    for (const e of events) this.good.add(e.id);
    await this.storage.setItem(packKey, writePack(events)).catch(() => undefined);
  }

  /** @throws RefusedError that names the field, when they would not be read again */
  gateSettings(settings: Settings): void {
    this.settings.gate(settings);
  }

  /** @throws RefusedError that names the field; StorageFullError */
  async saveSettings(settings: Settings): Promise<void> {
    this.settings.gate(settings);
    if (this.blind) throw new StorageFullError();
    await this.settings.save(settings);
  }

  /** Settings as they were before the last change; null when nothing was changed here or they cannot be read. */
  settingsBefore(): Promise<Settings | null> {
    return this.settings.before();
  }

  /** Everything that is stored, as it stands but for the shop's keys: the way out when nothing else can be made of it. */
  async raw(): Promise<Record<string, string | null>> {
    return this.storage.getMany((await this.storage.getAllKeys()).filter((k) => k !== packKey && k !== 'extra/sync'));
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

  /** @see dropDemo */
  dropDemo(jobs: ReadonlyMap<string, readonly JobEvent[]>): Promise<void> {
    return dropDemo(this.storage, jobs);
  }

  /** @see dropJobs */
  dropJobs(): Promise<void> {
    return dropJobs(this.storage);
  }

  async isEmpty(): Promise<boolean> {
    return (await this.storage.getAllKeys()).every((k) => k.startsWith('extra/'));
  }
}
