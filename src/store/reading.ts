import { useSyncExternalStore } from 'react';

/** How far the log of a large shop was read, 0 to 1; null: it is not being read, or so short that nobody waits. */
let share: number | null = null;
const listeners = new Set<() => void>();
let heard = () => {};

/** Told by the reader; whoever waits for it hears that it is not silent. */
export function tellReading(s: number | null): void {
  share = s;
  heard();
  for (const l of listeners) l();
}

/** Calls back with every sign of life of the reader. @returns what stops it */
export function onReading(f: () => void): () => void {
  heard = f;
  return () => {
    heard = () => {};
  };
}

const subscribe = (l: () => void) => {
  listeners.add(l);
  return () => void listeners.delete(l);
};

/** "Reading the log", and how far it is where that takes a while. */
export function useReadingText(): string {
  const s = useSyncExternalStore(
    subscribe,
    () => share,
    () => null,
  );
  return s === null ? 'Reading the log' : `Reading the log: ${Math.round(s * 100)} %`;
}
