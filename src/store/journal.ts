import { parseEvent, type JobEvent } from '@/model/event';
import { keysUnder, localStore } from './localStore';

const prefix = 'northcove.journal.';

const open = new Map<string, JobEvent[]>();

const keep = (writer: string) => {
  const list = open.get(writer) ?? [];
  try {
    if (list.length) localStore()?.setItem(prefix + writer, JSON.stringify(list));
    else localStore()?.removeItem(prefix + writer);
  } catch {
    // full: the entries are on their way to the storage proper all the same
  }
};

/**
 * Entries between the tap and the moment when the storage has them. The storage answers later, and a page that is reloaded
 * in between would forget them; this one answers at once.
 */
export const journal = {
  note(events: readonly JobEvent[]): void {
    for (const e of events) open.set(e.writer, [...(open.get(e.writer) ?? []), e]);
    for (const writer of new Set(events.map((e) => e.writer))) keep(writer);
  },

  /** The storage has them now. */
  settle(events: readonly JobEvent[]): void {
    const ids = new Set(events.map((e) => e.id));
    for (const writer of new Set(events.map((e) => e.writer))) {
      open.set(
        writer,
        (open.get(writer) ?? []).filter((e) => !ids.has(e.id)),
      );
      keep(writer);
    }
  },

  /** What pages that are gone had noted; data that is not an entry is left where it is. */
  left(): { key: string; events: JobEvent[] }[] {
    const store = localStore();
    if (!store) return [];
    const keys = keysUnder(store, prefix).filter((k) => !open.has(k.slice(prefix.length)));
    return keys.flatMap((key) => {
      let list: unknown;
      try {
        list = JSON.parse(store.getItem(key) ?? '[]');
      } catch {
        return [];
      }
      if (!Array.isArray(list)) return [];
      const events = list.flatMap((raw: unknown) => {
        const read = parseEvent(raw);
        return read.ok ? [read.value] : [];
      });
      return [{ key, events }];
    });
  },

  forget(key: string): void {
    localStore()?.removeItem(key);
  },
};
