import { z } from 'zod';

import { explain } from './event';
import { keepUnknown } from './keepUnknown';
import { settingsSchema, upToDate, type Settings } from './settings';
import { defaultSettings } from './defaultSettings';

export interface SettingsRead {
  settings: Settings;
  /** fields that could not be read, as they were found: they go back with the next writing unless somebody changes them */
  unread: Record<string, unknown>;
  /** what is wrong, by field */
  problems: { field: string; what: string }[];
}

const isTable = (x: unknown): x is Record<string, unknown> => typeof x === 'object' && x !== null && !Array.isArray(x);

/**
 * Settings from what is stored, field by field: one that cannot be read is as usual until somebody changes it, a list loses
 * the lines that cannot be read, everything else is in force as it was. Fields of a newer build are kept.
 */
export function readSettings(data: unknown): SettingsRead {
  const all = settingsSchema.safeParse(data);
  if (all.success) return { settings: upToDate(keepUnknown(data, all.data)), unread: {}, problems: [] };
  if (!isTable(data))
    return {
      settings: defaultSettings,
      unread: {},
      problems: [{ field: 'settings', what: 'not a table of settings' }],
    };
  const out: Record<string, unknown> = {};
  const unread: Record<string, unknown> = {};
  const problems: SettingsRead['problems'] = [];
  for (const [field, schema] of Object.entries(settingsSchema.shape) as [keyof Settings, z.ZodType][]) {
    const read = schema.safeParse(data[field]);
    if (read.success) {
      if (read.data !== undefined) out[field] = keepUnknown(data[field], read.data);
      continue;
    }
    problems.push({ field, what: explain(read.error) });
    unread[field] = data[field];
    out[field] = readable(schema, data[field]) ?? defaultSettings[field];
  }
  for (const [key, value] of Object.entries(data)) if (!(key in settingsSchema.shape)) out[key] = value;
  return { settings: upToDate(out as Settings), unread, problems };
}

/** The lines of a list that can be read; null when that is no list that this version can keep. */
function readable(schema: z.ZodType, raw: unknown): unknown {
  if (!Array.isArray(raw)) return null;
  const good: unknown[] = [];
  for (const line of raw as unknown[]) if (schema.safeParse([...good, line]).success) good.push(line);
  const read = schema.safeParse(good);
  return read.success && good.length ? read.data : null;
}

/** Settings as they are written; the problem names the field and what is allowed. */
export function checkSettings(settings: Settings): { ok: true } | { ok: false; problem: string } {
  const read = settingsSchema.safeParse(settings);
  return read.success ? { ok: true } : { ok: false, problem: explain(read.error) };
}
