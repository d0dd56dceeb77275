import { useSyncExternalStore } from 'react';

/** What was refused last, until somebody has seen it. */
let refusal: string | null = null;

const refusalListeners = new Set<() => void>();

export function tellRefused(what: string | null): void {
  if (refusal === what) return;
  refusal = what;
  refusalListeners.forEach((f) => f());
}

const onRefusal = (f: () => void) => {
  refusalListeners.add(f);
  return () => void refusalListeners.delete(f);
};

export const useRefusal = (): string | null =>
  useSyncExternalStore(
    onRefusal,
    () => refusal,
    () => null,
  );
