const isTable = (x: unknown): x is Record<string, unknown> => typeof x === 'object' && x !== null && !Array.isArray(x);
/** keys that would change what an object is, not what it holds */
const reserved = new Set(['__proto__', 'constructor', 'prototype']);

/**
 * What a reader of this version understood, with the fields that it does not know put back as they came: a newer build's
 * fields survive a round through an older one. Lists are matched by place and only when nothing was left out of them.
 */
export function keepUnknown<T>(raw: unknown, read: T): T {
  if (raw === read) return read;
  if (Array.isArray(raw) && Array.isArray(read)) {
    if (raw.length !== read.length) return read;
    let changed = false;
    const list = read.map((x: unknown, i) => {
      const kept = keepUnknown(raw[i], x);
      changed ||= kept !== x;
      return kept;
    });
    return changed ? (list as T) : read;
  }
  if (!isTable(raw) || !isTable(read)) return read;
  let out: Record<string, unknown> | null = null;
  for (const key of Object.keys(raw)) {
    if (reserved.has(key)) continue;
    const here = Object.hasOwn(read, key);
    const kept = here ? keepUnknown(raw[key], read[key]) : raw[key];
    if (here && kept === read[key]) continue;
    out ??= Object.assign(Object.create(Object.getPrototypeOf(read) as object | null) as Record<string, unknown>, read);
    out[key] = kept;
  }
  return (out ?? read) as T;
}
