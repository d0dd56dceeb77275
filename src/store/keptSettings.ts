import { defaultSettings } from '@/model/defaultSettings';
import { checkSettings, readSettings } from '@/model/readSettings';
import type { Settings } from '@/model/settings';
import { RefusedError } from './storageErrors';
import { parseText, type Problem, type Storage } from './stored';

const settingsBeforeKey = 'extra/settingsBefore';

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/** The shop's settings in the storage: with the ones before them, and with what this version cannot read. */
export class KeptSettings {
  /** fields of the settings that this version could not read, as they were found, and what stood in for them */
  private unread: { raw: Record<string, unknown>; instead: Settings } | null = null;

  /** @param put writes entries together. @throws StorageFullError */
  constructor(
    private readonly storage: Storage,
    private readonly put: (entries: Record<string, string>) => Promise<void>,
  ) {}

  /** @param problems what could not be read is added to them */
  async load(problems: Problem[]): Promise<Settings> {
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

  /** @throws RefusedError that names the field, when they would not be read again */
  gate(settings: Settings): void {
    const checked = checkSettings(settings);
    if (!checked.ok) throw new RefusedError(checked.problem);
  }

  /** @throws RefusedError that names the field; StorageFullError */
  async save(settings: Settings): Promise<void> {
    this.gate(settings);
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
  async before(): Promise<Settings | null> {
    const raw = await this.storage.getItem(settingsBeforeKey);
    if (raw === null) return null;
    const read = readSettings(parseText(raw));
    return read.problems.length ? null : read.settings;
  }
}
