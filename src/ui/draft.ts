import { useCallback, useEffect, useRef } from 'react';

const prefix = 'northcove.draft.';
/** Drafts older than this are nobody's any more, ms. */
const oldMs = 3 * 86_400_000;

const store = (): Storage | null => {
  try {
    return typeof localStorage === 'undefined' ? null : localStorage;
  } catch {
    return null;
  }
};

interface Draft {
  text: string;
  at: number;
}

function read(key: string): string | null {
  try {
    const d = JSON.parse(store()?.getItem(prefix + key) ?? 'null') as Partial<Draft> | null;
    return d && typeof d.text === 'string' && typeof d.at === 'number' && Date.now() - d.at < oldMs ? d.text : null;
  } catch {
    return null;
  }
}

function write(key: string, text: string | null): void {
  try {
    if (text) store()?.setItem(prefix + key, JSON.stringify({ text, at: Date.now() } satisfies Draft));
    else store()?.removeItem(prefix + key);
  } catch {
    // full: what is typed is on screen all the same
  }
}

/** Fields of one name on one page, in the order in which they came: the same order after a reload. */
const shown = new Map<string, Set<number>>();

function placeOf(name: string): { key: string; leave: () => void } {
  const base = `${typeof window === 'undefined' ? '' : window.location.pathname}|${name}`;
  const taken = shown.get(base) ?? new Set<number>();
  shown.set(base, taken);
  let n = 0;
  while (taken.has(n)) n++;
  taken.add(n);
  return { key: `${base}|${n}`, leave: () => void taken.delete(n) };
}

/**
 * What is typed or drawn and not yet sent is there again after a reload or a crash: put back once when the field appears,
 * gone when it is sent (`save` of an empty text) or when the page is left by its own ways.
 * @param restore takes what was found
 * @param keep the draft also outlives leaving the page
 */
export function useDraft(name: string, restore: (text: string) => void, keep = false): (text: string | null) => void {
  const key = useRef<string | null>(null);
  const take = useRef(restore);
  useEffect(() => {
    take.current = restore;
  });
  useEffect(() => {
    const place = placeOf(name);
    key.current = place.key;
    const found = read(place.key);
    if (found !== null) take.current(found);
    return () => {
      key.current = null;
      place.leave();
      // a reload does not come by here: only who leaves the page in the app throws its drafts away
      if (!keep) write(place.key, null);
    };
  }, [name, keep]);
  return useCallback((text) => {
    if (key.current !== null) write(key.current, text);
  }, []);
}
