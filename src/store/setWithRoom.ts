import { packKey } from './keptEntries';
import { troubleOf } from './reopening';
import type { Storage } from './stored';

/** Writes all of it in one transaction; when there is no room the pack goes first, for it is only a copy. */
export async function setWithRoom(storage: Storage, entries: Record<string, string>): Promise<void> {
  try {
    await storage.setMany(entries);
  } catch (e) {
    if (troubleOf(e) !== 'full' || (await storage.getItem(packKey)) === null) throw e;
    await storage.removeItem(packKey);
    await storage.setMany(entries);
  }
}
