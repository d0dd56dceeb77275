/** The browser's synchronous storage; null where there is none or it is refused. */
export const localStore = (): Storage | null => {
  try {
    return typeof localStorage === 'undefined' ? null : localStorage;
  } catch {
    return null;
  }
};

/** Its keys that begin so. */
export const keysUnder = (store: Storage, prefix: string): string[] =>
  Array.from({ length: store.length }, (_, i) => store.key(i)).filter(
    (k): k is string => k !== null && k.startsWith(prefix),
  );
