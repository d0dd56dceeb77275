import type { Device } from '@/core/device/types';
import type { JobEvent } from '@/model/event';
import type { Settings } from '@/model/settings';
import type { Message } from '@/work/sync/messages';
import type { SharedLog } from '@/work/sync/peer';
import type { Link, Wire } from './link';
import type { SyncState } from './state';
import type { Troubles } from './trouble';

/** The shop of one device, as far as joining it with others needs it. */
export interface ShopAccess {
  jobs(): ReadonlyMap<string, JobEvent[]>;
  settings(): Settings;
  devices(): readonly Device[];
  /** Shows and writes entries of others; a storage that refuses keeps them waiting, and says so. */
  add(events: readonly JobEvent[]): Promise<void>;
  setSettings(settings: Settings): Promise<void>;
  addDevice(device: Device): Promise<void>;
  photo(id: string): Promise<string | null>;
  keepPhoto(id: string, data: string): Promise<void>;
  now(): number;
  /** Keeps what belongs to the joining itself. */
  keep(state: SyncState): Promise<void>;
}

export type ShopLink = Link<Message>;

/** What the rooms of one device have in common. */
export interface Desk {
  readonly shop: ShopAccess;
  readonly wire: Wire;
  readonly troubles: Troubles;
  state(): SyncState;
  save(change: Partial<SyncState>): Promise<void>;
  /** @param jobId the one job that the other may have; null: all */
  logFor(jobId: string | null): SharedLog;
  heardOf(id: string): void;
  /** @param ofJob pictures of this job only; null: any */
  givePhotos(to: string, ids: readonly string[], link: ShopLink, ofJob: string | null): Promise<void>;
  gotPhoto(id: string, data: string): Promise<void>;
  tell(): void;
}
