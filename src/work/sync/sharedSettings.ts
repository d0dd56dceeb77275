import { settingsSchema, type Settings } from '@/model/settings';

/** Settings as leaves that change by themselves: a line of a list by its id, a field of a table by its name. */
export type Leaves = Record<string, string>;

/** What is of the device and of whoever holds it, not of the shop. */
const ownFields: ReadonlySet<string> = new Set<keyof Settings>([
  'version',
  'temperature',
  'length',
  'theme',
  'touch',
  'language',
  'sound',
  'voice',
  'pedalKey',
  'spoken',
  'person',
  'tape',
  'benchAddress',
]);

const sharedFields = (Object.keys(settingsSchema.shape) as (keyof Settings)[]).filter((f) => !ownFields.has(f));

const isTable = (x: unknown): x is Record<string, unknown> => typeof x === 'object' && x !== null && !Array.isArray(x);
const hasId = (x: unknown): x is { id: string } => isTable(x) && typeof x.id === 'string';

/**
 * The shop's settings, leaf by leaf, so that two devices which change different things both have changed them: the lines of a
 * list with ids under `field#id` with their order under `field@`, other lists line by line under `field=line`, tables under
 * `field.name`, and what is neither as it is.
 */
export function leavesOf(settings: Settings): Leaves {
  const out: Leaves = {};
  for (const field of sharedFields) {
    const value: unknown = settings[field];
    if (value === undefined) continue;
    if (Array.isArray(value) && value.every(hasId)) {
      out[`${field}@`] = JSON.stringify(value.map((x) => x.id));
      for (const x of value) out[`${field}#${x.id}`] = JSON.stringify(x);
    } else if (Array.isArray(value)) {
      out[`${field}@`] = '[]';
      for (const x of value) out[`${field}=${JSON.stringify(x)}`] = JSON.stringify(x);
    } else if (isTable(value)) {
      out[`${field}.`] = '';
      for (const [k, x] of Object.entries(value)) if (x !== undefined) out[`${field}.${k}`] = JSON.stringify(x);
    } else out[field] = JSON.stringify(value);
  }
  return out;
}

/** Leaves that differ: null where there is none any more. */
export function changedLeaves(before: Leaves, after: Leaves): Map<string, string | null> {
  const out = new Map<string, string | null>();
  for (const [k, v] of Object.entries(after)) if (before[k] !== v) out.set(k, v);
  for (const k of Object.keys(before)) if (!(k in after)) out.set(k, null);
  return out;
}

const parse = (text: string): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
};

/** When a line of a list was noted, where it says so. */
const instantOf = (x: unknown): number => (isTable(x) && typeof x.at === 'number' ? x.at : 0);

function fieldOf(field: string, leaves: Leaves, keys: readonly string[], here: unknown): unknown {
  if (field in leaves) return parse(leaves[field]!);
  const under = (mark: string) => keys.filter((k) => k.startsWith(field + mark));
  if (`${field}@` in leaves) {
    const byId = under('#');
    if (byId.length || (Array.isArray(here) && here.some(hasId))) {
      const order = parse(leaves[`${field}@`]!);
      const place = new Map((Array.isArray(order) ? order : []).map((id, i) => [String(id), i]));
      const at = (k: string) => place.get(k.slice(field.length + 1)) ?? Infinity;
      const sorted = byId.sort((a, b) => (at(a) === at(b) ? (a < b ? -1 : 1) : at(a) - at(b)));
      return sorted.map((k) => parse(leaves[k]!));
    }
    const known = new Map((Array.isArray(here) ? here : []).map((x, i) => [JSON.stringify(x), i]));
    const at = (text: string) => known.get(text) ?? Infinity;
    const lines = under('=').map((k) => leaves[k]!);
    lines.sort((a, b) => {
      const [x, y] = [instantOf(parse(a)), instantOf(parse(b))];
      return x === y ? (at(a) === at(b) ? (a < b ? -1 : 1) : at(a) - at(b)) : x - y;
    });
    return lines.map(parse);
  }
  if (`${field}.` in leaves)
    return Object.fromEntries(
      under('.')
        .filter((k) => k !== `${field}.`)
        .map((k) => [k.slice(field.length + 1), parse(leaves[k]!)]),
    );
  return undefined;
}

/**
 * Settings of this device with the shop's leaves in them. A list that grew on two devices past what a list may hold keeps its
 * newest lines; a field that would not be read again stays as it is here, and is named.
 */
export function withLeaves(here: Settings, leaves: Leaves): { settings: Settings; refused: string[] } {
  const keys = Object.keys(leaves);
  const refused: string[] = [];
  const out: Record<string, unknown> = { ...here };
  for (const field of sharedFields) {
    const value = fieldOf(field, leaves, keys, here[field]);
    if (value === undefined) continue;
    const schema = settingsSchema.shape[field];
    let read = schema.safeParse(value);
    for (const most of [1000, 500, 200, 40, 20])
      if (!read.success && Array.isArray(value) && value.length > most) read = schema.safeParse(value.slice(-most));
    if (read.success) out[field] = read.data;
    else refused.push(field);
  }
  return { settings: out as Settings, refused };
}
