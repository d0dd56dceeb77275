import { checkSettings } from '@/model/readSettings';
import type { Settings } from '@/model/settings';
import { keysUnder, localStore } from './localStore';

const prefix = 'northcove.settingsJournal.';

/** Fields that were changed, each with what stood there before and what stands there now. */
type Changed = Record<string, { from: unknown; to: unknown }>;

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/** Changes of this page that the storage does not have yet, by number. */
const open = new Map<number, Changed>();
const page = Math.random().toString(36).slice(2);
let count = 0;

function keep(): void {
  try {
    if (open.size) localStore()?.setItem(prefix + page, JSON.stringify([...open.values()]));
    else localStore()?.removeItem(prefix + page);
  } catch {
    // full: the change is on its way to the storage proper all the same
  }
}

function changedFields(before: Settings, after: Settings): Changed {
  const out: Changed = {};
  for (const k of Object.keys(after) as (keyof Settings)[])
    if (!same(before[k], after[k])) out[k] = { from: before[k], to: after[k] };
  return out;
}

/** Settings with what a page that is gone had changed, where nobody has changed the same since. */
function withLeft(settings: Settings, list: readonly unknown[]): Settings {
  let out: Settings = settings;
  for (const changed of list) {
    if (typeof changed !== 'object' || changed === null) continue;
    const next: Record<string, unknown> = { ...out };
    for (const [k, c] of Object.entries(changed as Changed)) {
      if (!Object.hasOwn(out, k) || typeof c !== 'object' || c === null) continue;
      if (same(next[k], c.from)) next[k] = c.to;
    }
    const checked = checkSettings(next as unknown as Settings);
    if (checked.ok) out = next as unknown as Settings;
  }
  return same(out, settings) ? settings : out;
}

/**
 * Settings between the tap and the moment when the storage has them, as `journal` keeps entries: a page that is left in the
 * same breath has changed them all the same.
 */
export const settingsJournal = {
  /** @returns tells that the storage has the change */
  note(before: Settings, after: Settings): () => void {
    const n = count++;
    const changed = changedFields(before, after);
    if (!Object.keys(changed).length) return () => {};
    open.set(n, changed);
    keep();
    return () => {
      open.delete(n);
      keep();
    };
  },

  /**
   * What pages that are gone had changed is made of the settings that are stored, and stored; what cannot be is tried again.
   * @returns the settings that are in force
   */
  async takeIn(settings: Settings, save: (settings: Settings) => Promise<void>): Promise<Settings> {
    const store = localStore();
    if (!store) return settings;
    const keys = keysUnder(store, prefix).filter((k) => k !== prefix + page);
    const lists = keys.map((key): unknown => {
      try {
        return JSON.parse(store.getItem(key) ?? '[]');
      } catch {
        return [];
      }
    });
    const after = lists.reduce<Settings>((s, list) => (Array.isArray(list) ? withLeft(s, list) : s), settings);
    try {
      if (after !== settings) await save(after);
      for (const k of keys) store.removeItem(k);
    } catch {
      // no room: they stand on the screen, and are tried again the next time
    }
    return after;
  },
};
