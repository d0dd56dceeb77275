import type { Device } from '@/core/device/types';
import type { JobEvent } from '@/model/event';
import type { Settings } from '@/model/settings';

/** Why the storage did not take or give something. */
/** `newer`: a later version wrote it in a way that this one does not know */
export type StorageTrouble = 'full' | 'closed' | 'silent' | 'newer';

/** The part of AsyncStorage that the repository needs. */
export interface Storage {
  getItem(key: string): Promise<string | null>;
  setItem(key: string, value: string): Promise<void>;
  removeItem(key: string): Promise<void>;
  /** All of them or none. */
  removeMany(keys: string[]): Promise<void>;
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
  /** when something was noted last on this page, ms; none before the first */
  asOf?: number;
}

export interface Clock {
  now(): number;
  uuid(): string;
}

/** What is kept as JSON; nothing where it is none. */
export function parseText(raw: string): unknown {
  try {
    return JSON.parse(raw);
  } catch {
    return undefined;
  }
}
