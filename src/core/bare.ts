/**
 * Tables whose keys people type or files bring have no prototype: a part called `constructor` is a part like any other, and
 * one that is not there is undefined.
 */
export const bare = <T>(from: Readonly<Record<string, T>> = {}): Record<string, T> =>
  Object.assign(Object.create(null) as Record<string, T>, from);

/** What a table holds under a key of its own; undefined for what every object has. */
export const own = <T>(table: Readonly<Record<string, T>>, key: string): T | undefined =>
  Object.hasOwn(table, key) ? table[key] : undefined;
