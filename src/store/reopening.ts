import { NewerFormatError } from './storageErrors';
import { openDB, unwrap, wrap, type IDBPDatabase } from 'idb';

import type { Storage, StorageTrouble } from './stored';

/** From so many keys on they are asked for in one go. */
const inOneGo = 200;

/** How long the storage is waited for before it is said that it does not answer, ms. */
export const silentMs = 15_000;

/** Told by what the browser says: a connection that was closed, a database that was cleared away; else no room. */
export function troubleOf(e: unknown): StorageTrouble {
  if (e instanceof NewerFormatError) return 'newer';
  const text = e instanceof Error ? `${e.name} ${e.message}` : String(e);
  return /clos(ed|ing)|invalidstate|not found|notfound|no longer|connection|refused|denied|security|unknownerror|internal error/i.test(
    text,
  )
    ? 'closed'
    : 'full';
}

/**
 * The same database and table as AsyncStorage uses in a browser, on a connection of its own that is opened again when it ends.
 * @param early opened at once, so that the first tap need not wait for it
 */
export function directStorage(dbName: string, early = false): Storage {
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
  if (early) db().catch(() => undefined);
  const text = (v: unknown): string | null => (typeof v === 'string' ? v : null);
  /**
   * One transaction for all of it: the whole of it or nothing. Its requests have no promise each: the demo has thousands of
   * entries, and the transaction tells how it went.
   */
  const inOne = async (change: (store: IDBObjectStore) => void | Promise<void>) => {
    // on the disk, not only handed over, before it counts as written
    const tx = (await db()).transaction(table, 'readwrite', { durability: 'strict' });
    try {
      const asks = change(unwrap(tx.store));
      if (asks) await asks;
      // closed here and now: else it stays open until this page, busy drawing, comes round to the answer of the last put
      tx.commit();
      await tx.done;
    } catch (e) {
      // a put that is refused at once leaves those before it open: the whole batch or nothing
      try {
        tx.abort();
      } catch {
        // ended by itself
      }
      await tx.done.catch(() => undefined);
      throw e;
    }
  };
  const write = (entries: [string, string][]) =>
    inOne((store) => {
      for (const [k, v] of entries) store.put(v, k);
    });
  return {
    getItem: async (k) => text(await (await db()).get(table, k)),
    setItem: (k, v) => write([[k, v]]),
    setMany: (all) => write(Object.entries(all)),
    removeItem: async (k) => (await db()).delete(table, k),
    removeMany: (keys) =>
      inOne(async (store) => {
        // runs of neighbours go by their ends: three thousand one by one take two seconds
        const gone = new Set(keys);
        const runs: [string, string][] = [];
        let open = false;
        for (const k of (await wrap(store).getAllKeys()).map(String)) {
          const goes = gone.has(k);
          if (goes && open) runs.at(-1)![1] = k;
          else if (goes) runs.push([k, k]);
          open = goes;
        }
        for (const [from, to] of runs) store.delete(IDBKeyRange.bound(from, to));
      }),
    getMany: async (keys) => {
      const { store } = (await db()).transaction(table);
      if (keys.length >= inOneGo) {
        // one question for all that stands between the first and the last: two hundred thousand single ones take half a minute
        const sorted = [...keys].sort();
        const range = IDBKeyRange.bound(sorted[0]!, sorted.at(-1)!);
        const [found, values] = await Promise.all([store.getAllKeys(range), store.getAll(range)]);
        const all = new Map(found.map((k, i) => [String(k), values[i] as unknown]));
        return Object.fromEntries(keys.map((k) => [k, text(all.get(k))]));
      }
      return Object.fromEntries(await Promise.all(keys.map(async (k) => [k, text(await store.get(k))] as const)));
    },
    getAllKeys: async () => (await (await db()).getAllKeys(table)).map(String),
  };
}

/** What `read` keeps, with lists of entries written and read by `direct`, which is faster; where that fails, by `read`. */
export function writtenBy(direct: Storage, read: Storage): Storage {
  return {
    getItem: (k) => read.getItem(k),
    setItem: (k, v) => read.setItem(k, v),
    setMany: (all) =>
      direct.setMany(all).catch((e: unknown) => {
        if (troubleOf(e) === 'full') throw e;
        return read.setMany(all);
      }),
    removeItem: (k) => read.removeItem(k),
    removeMany: (keys) => direct.removeMany(keys).catch(() => read.removeMany(keys)),
    getMany: (keys) => direct.getMany(keys).catch(() => read.getMany(keys)),
    getAllKeys: () => read.getAllKeys(),
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
    removeMany: (keys) => ask((s) => s.removeMany(keys)),
    getMany: (keys) => ask((s) => s.getMany(keys)),
    getAllKeys: () => ask((s) => s.getAllKeys()),
  };
}
