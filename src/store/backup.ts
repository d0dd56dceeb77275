import { openDB } from 'idb';

import type { JobEvent } from '@/model/event';
import { demoWriter } from './dropped';

/** What is known of the last backup that was read back and found the same. */
export interface BackupState {
  at: number;
  /** entries of the shop's own that it held */
  entries: number;
  /** where it went */
  to: string;
}

export const backupFigures = {
  /** a reminder comes after so many days with something new, or so many new entries */
  days: 7,
  entries: 200,
  /** a shop that has just begun is left in peace */
  first: 25,
};

/** Entries that are the shop's own, not the demo's. */
export const ownEntries = (jobs: ReadonlyMap<string, readonly JobEvent[]>): number => {
  let n = 0;
  for (const log of jobs.values()) for (const e of log) if (e.writer !== demoWriter) n++;
  return n;
};

/** Days and entries since the last backup, when somebody should be reminded; null when not. */
export function backupDue(
  state: BackupState | null,
  entries: number,
  now: number,
): { days: number | null; entries: number } | null {
  if (!state) return entries >= backupFigures.first ? { days: null, entries } : null;
  const fresh = Math.max(0, entries - state.entries);
  const days = Math.max(0, Math.floor((now - state.at) / 86_400_000));
  return fresh > 0 && (days >= backupFigures.days || fresh >= backupFigures.entries) ? { days, entries: fresh } : null;
}

const two = (n: number) => String(n).padStart(2, '0');
/** northcove-backup-2026-04-14-1302.json, in the time of the place; of several files, with "-2of3". */
export function backupName(now: number, part = 0, of = 1): string {
  const d = new Date(now);
  const which = of > 1 ? `-${part + 1}of${of}` : '';
  return `northcove-backup-${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}-${two(d.getHours())}${two(d.getMinutes())}${which}.json`;
}
const isBackup = (name: string) => /^northcove-backup-\d{4}-\d{2}-\d{2}-\d{4}(-\d+of\d+)?\.json$/.test(name);

/** The parts of a folder handle that are used (File System Access). */
interface Folder {
  readonly name: string;
  getFileHandle(
    name: string,
    o?: { create: boolean },
  ): Promise<{
    getFile(): Promise<Blob>;
    createWritable(): Promise<{ write(text: string): Promise<void>; close(): Promise<void> }>;
  }>;
  keys(): AsyncIterable<string>;
  queryPermission?(o: { mode: 'readwrite' }): Promise<string>;
  requestPermission?(o: { mode: 'readwrite' }): Promise<string>;
}
type Picker = (o: { mode: 'readwrite'; id: string }) => Promise<Folder>;

const picker = (): Picker | null =>
  typeof window !== 'undefined' && 'showDirectoryPicker' in window
    ? (window as unknown as { showDirectoryPicker: Picker }).showDirectoryPicker.bind(window)
    : null;

export const canPickFolder = (): boolean => picker() !== null;

// a folder is no text: it needs a store of its own
const folders = () => openDB('northcove-folder', 1, { upgrade: (db) => void db.createObjectStore('handle') });

export async function pickedFolder(): Promise<Folder | null> {
  try {
    return ((await (await folders()).get('handle', 'backup')) as Folder | undefined) ?? null;
  } catch {
    return null;
  }
}

/** Lets somebody choose the folder for backups, once; null when nothing was chosen. */
export async function pickFolder(): Promise<Folder | null> {
  const pick = picker();
  if (!pick) return null;
  let folder: Folder;
  try {
    folder = await pick({ mode: 'readwrite', id: 'northcove-backup' });
  } catch {
    return null;
  }
  await (await folders()).put('handle', folder, 'backup').catch(() => undefined);
  return folder;
}

async function allowed(folder: Folder): Promise<boolean> {
  if (!folder.queryPermission) return true;
  if ((await folder.queryPermission({ mode: 'readwrite' })) === 'granted') return true;
  return (await folder.requestPermission?.({ mode: 'readwrite' })) === 'granted';
}

/**
 * Writes the text to the folder under a dated name and reads it back.
 * @throws Error when the folder refuses, or what stands there is not what was written
 */
export async function writeBackup(folder: Folder, name: string, text: string): Promise<void> {
  if (!(await allowed(folder))) throw new Error(`the folder ${folder.name} may not be written to`);
  const file = await folder.getFileHandle(name, { create: true });
  const out = await file.createWritable();
  await out.write(text);
  await out.close();
  const back = await (await (await folder.getFileHandle(name)).getFile()).text();
  if (back !== text) throw new Error(`${name}: what stands in the folder is not what was written`);
}

/** Names of the backups in the folder, the newest first. */
export async function backupsIn(folder: Folder): Promise<string[]> {
  if (!(await allowed(folder))) throw new Error(`the folder ${folder.name} may not be read`);
  const names: string[] = [];
  for await (const name of folder.keys()) if (isBackup(name)) names.push(name);
  return names.sort().reverse();
}

export async function readBackup(folder: Folder, name: string): Promise<string> {
  return (await (await folder.getFileHandle(name)).getFile()).text();
}

/** Does the browser keep the data when space is short; null: it does not say. */
export async function isPersistent(): Promise<boolean | null> {
  if (typeof navigator === 'undefined' || !navigator.storage?.persisted) return null;
  return navigator.storage.persisted().catch(() => null);
}

/** Asks the browser to keep the data, once there is something of one's own to keep. */
export async function askPersistence(): Promise<boolean | null> {
  if (typeof navigator === 'undefined' || !navigator.storage?.persist) return null;
  return navigator.storage.persist().catch(() => null);
}
