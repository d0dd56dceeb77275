import { openDB, type IDBPDatabase } from 'idb';

import type { Storage } from './repository';

/** Why the storage did not take or give something. */
export type StorageTrouble = 'full' | 'closed' | 'silent';

/** How long the storage is waited for before it is said that it does not answer, ms. */
export const silentMs = 15_000;

/** Told by what the browser says: a connection that was closed, a database that was cleared away; else no room. */
export function troubleOf(e: unknown): StorageTrouble {
  const text = e instanceof Error ? `${e.name} ${e.message}` : String(e);
  return /clos(ed|ing)|invalidstate|not found|notfound|no longer|connection|refused|denied|security|unknownerror|internal error/i.test(
    text,
  )
    ? 'closed'
    : 'full';
}

/** The same database and table as AsyncStorage uses in a browser, on a connection of its own that is opened again when it ends. */
export function directStorage(dbName: string): Storage {
  const table = 'entries';
  let open: Promise<IDBPDatabase> | null = null;
  const db = () =>
    (open ??= openDB(dbName, 1, {
      upgrade: (d) => {
        if (!d.objectStoreNames.contains(table)) d.createObjectStore(table);
      },
      blocking: (_a, _b, e) => {
        // somebody clears or changes the database: let them, and open it again with the next question
        (e.target as IDBDatabase).close();
        open = null;
      },
      terminated: () => {
        open = null;
      },
    }).catch((e: unknown) => {
      open = null;
      throw e;
    }));
  const text = (v: unknown): string | null => (typeof v === 'string' ? v : null);
  const write = async (entries: [string, string][]) => {
    const tx = (await db()).transaction(table, 'readwrite');
    await Promise.all([...entries.map(([k, v]) => tx.store.put(v, k)), tx.done]);
  };
  return {
    getItem: async (k) => text(await (await db()).get(table, k)),
    setItem: (k, v) => write([[k, v]]),
    setMany: (all) => write(Object.entries(all)),
    removeItem: async (k) => (await db()).delete(table, k),
    getMany: async (keys) => {
      const { store } = (await db()).transaction(table);
      return Object.fromEntries(await Promise.all(keys.map(async (k) => [k, text(await store.get(k))] as const)));
    },
    getAllKeys: async () => (await (await db()).getAllKeys(table)).map(String),
  };
}

/** A storage that is opened again once when its connection has ended: what was asked is asked again there. */
export function reopening(first: Storage, again: () => Storage): Storage {
  let now = first;
  let reopened = false;
  const ask = async <T>(question: (s: Storage) => Promise<T>): Promise<T> => {
    try {
      return await question(now);
    } catch (e) {
      if (troubleOf(e) === 'full') throw e;
      if (!reopened) {
        reopened = true;
        now = again();
      }
      return question(now);
    }
  };
  return {
    getItem: (k) => ask((s) => s.getItem(k)),
    setItem: (k, v) => ask((s) => s.setItem(k, v)),
    setMany: (all) => ask((s) => s.setMany(all)),
    removeItem: (k) => ask((s) => s.removeItem(k)),
    getMany: (keys) => ask((s) => s.getMany(keys)),
    getAllKeys: () => ask((s) => s.getAllKeys()),
  };
}
