import { z } from 'zod';

import { checkDevice } from '../core/device/check';
import type { Device } from '../core/device/types';
import './zodConfig';
import { deviceSchema } from './device';
import { eventUnion, explain, parseEvent, type JobEvent, type Parsed } from './event';
import { foldJob } from './fold';
import { logOrder } from './logOrder';
import { keepUnknown } from './keepUnknown';
import { mostNesting, nestingOf } from './nesting';
import { trySchema, type Try } from './practiceTry';
import { settingsSchema, upToDate, type Settings } from './settings';

/** Version of the file formats that this app writes and the newest that it reads. */
export const fileVersion = 1;
const maxBytes = 60e6;
/** A picture as it is kept: nothing but base64 of a JPEG. */
export const photoPattern = /^data:image\/jpeg;base64,[A-Za-z0-9+/]+={0,2}$/;
export const maxPhotoChars = 600_000;
export type Photos = Record<string, string>;

export interface ShopFile {
  format: 'northcove-shop';
  version: 1;
  exportedAt: number;
  settings: Settings;
  jobs: unknown[][];
  photos?: Photos;
  /** device models of the shop's own */
  devices?: Device[];
  /** exercises that were ended */
  tries?: Try[];
  /** entries that could not be read, kept as they were found */
  unreadable?: Record<string, string>;
}

const photosSchema = z.record(z.string().max(80), z.string().max(maxPhotoChars).regex(photoPattern));

export const jobFileSchema = z.object({
  format: z.literal('northcove-job'),
  version: z.literal(fileVersion),
  exportedAt: z.number(),
  events: z.array(eventUnion),
  photos: photosSchema.optional(),
});

export const shopFileSchema = z.object({
  format: z.literal('northcove-shop'),
  version: z.literal(fileVersion),
  exportedAt: z.number(),
  settings: settingsSchema,
  jobs: z.array(z.array(eventUnion)),
  photos: photosSchema.optional(),
  devices: z.array(deviceSchema).optional(),
  tries: z.array(trySchema).optional(),
});

export const deviceFileSchema = z.object({
  format: z.literal('northcove-device'),
  version: z.literal(fileVersion),
  exportedAt: z.number(),
  device: deviceSchema,
  photos: photosSchema.optional(),
});

/** An unknown event goes out as it came in. */
const plain = (e: JobEvent): unknown => (e.type === 'unknown' ? e.raw : e);

export const writeJobFile = (events: readonly JobEvent[], exportedAt: number, photos: Photos = {}): string =>
  JSON.stringify(
    {
      format: 'northcove-job',
      version: fileVersion,
      exportedAt,
      events: [...events].sort(logOrder).map(plain),
      ...(Object.keys(photos).length ? { photos } : {}),
    },
    null,
    1,
  );

/** Ids of the photos that lie under the plans of models, and that were kept with what was learned of them. */
export const modelPhotoIds = (devices: readonly Device[]): string[] => [
  ...new Set(
    devices.flatMap((d) => [
      ...(d.pictures ?? []).map((p) => p.id),
      ...(d.notes ?? []).flatMap((n) => (n.photo ? [n.photo] : [])),
    ]),
  ),
];

export const writeDeviceFile = (device: Device, exportedAt: number, photos: Photos = {}): string =>
  JSON.stringify(
    {
      format: 'northcove-device',
      version: fileVersion,
      exportedAt,
      device,
      ...(Object.keys(photos).length ? { photos } : {}),
    },
    null,
    1,
  );

export function writeShopFile(
  settings: Settings,
  jobs: readonly (readonly JobEvent[])[],
  unreadable: Record<string, string>,
  exportedAt: number,
  more: { photos?: Photos; devices?: readonly Device[]; tries?: readonly Try[] } = {},
): string {
  const file: ShopFile = {
    format: 'northcove-shop',
    version: fileVersion,
    exportedAt,
    settings,
    jobs: jobs.map((events) => [...events].sort(logOrder).map(plain)),
    ...(Object.keys(more.photos ?? {}).length ? { photos: more.photos } : {}),
    ...(more.devices?.length ? { devices: [...more.devices] } : {}),
    ...(more.tries?.length ? { tries: [...more.tries] } : {}),
    ...(Object.keys(unreadable).length ? { unreadable } : {}),
  };
  return JSON.stringify(file, null, 1);
}

/** One file of the shop holds up to this much, characters: well under what is read back. */
const partChars = 40e6;

/**
 * The shop as files that can each be read back by themselves; one, until the shop has grown too large for it. Settings,
 * device models and exercises stand in each, what was not readable in the last.
 */
export function writeShopFiles(
  settings: Settings,
  jobs: readonly (readonly JobEvent[])[],
  unreadable: Record<string, string>,
  exportedAt: number,
  more: { photos?: Photos; devices?: readonly Device[]; tries?: readonly Try[] } = {},
  most = partChars,
): string[] {
  const photos = more.photos ?? {};
  const parts: { jobs: (readonly JobEvent[])[]; photos: Photos; size: number }[] = [];
  // those of the models in a part of their own, before any job: a large one does not push a job over the edge
  const ofModels: Photos = {};
  for (const id of modelPhotoIds(more.devices ?? [])) if (photos[id] !== undefined) ofModels[id] = photos[id]!;
  const modelSize = JSON.stringify(ofModels).length;
  if (modelSize > 2) parts.push({ jobs: [], photos: ofModels, size: modelSize });
  for (const log of jobs) {
    const own: Photos = {};
    for (const e of log) if (e.type === 'photo' && photos[e.photoId] !== undefined) own[e.photoId] = photos[e.photoId]!;
    // with the line breaks and indents of the file, which nearly double it
    const size = JSON.stringify(log).length * 2 + JSON.stringify(own).length;
    const last = parts.at(-1);
    if (last && last.size + size <= most) {
      last.jobs.push(log);
      Object.assign(last.photos, own);
      last.size += size;
    } else parts.push({ jobs: [log], photos: own, size });
  }
  if (!parts.length) parts.push({ jobs: [], photos: {}, size: 0 });
  return parts.map((p, i) =>
    writeShopFile(settings, p.jobs, i === parts.length - 1 ? unreadable : {}, exportedAt, {
      ...more,
      photos: p.photos,
    }),
  );
}

export interface ReadFile {
  jobs: JobEvent[][];
  settings: Settings | null;
  photos: Photos;
  devices: Device[];
  tries: Try[];
}

const nothing: ReadFile = { jobs: [], settings: null, photos: {}, devices: [], tries: [] };

const head = z.looseObject({ format: z.string(), version: z.number() });

/**
 * Reads a job or shop file. Imported text is data: nothing of it is run. Either everything is readable or nothing is
 * taken, and the problem names the line or the field.
 * @param onShare told how far it is, 0 to 1
 */
export function readFile(text: string, onShare: (share: number) => void = () => {}): Parsed<ReadFile> {
  if (!text.trim()) return fail('the file is empty');
  if (text.length > maxBytes)
    return fail(`the file has ${Math.round(text.length / 1e6)} MB, allowed are up to ${maxBytes / 1e6}`);
  if (nestingOf(text, mostNesting) > mostNesting) return fail(`the file is nested deeper than ${mostNesting}`);
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (e) {
    return fail(`${lineOf(text, e)}: the file is cut off or not JSON`);
  }
  onShare(0.2);
  const h = head.safeParse(data);
  if (!h.success) return fail(`${explain(h.error)}; a Northcove file has "format" and "version"`);
  if (!['northcove-job', 'northcove-shop', 'northcove-device'].includes(h.data.format))
    return fail(`format: "${h.data.format.slice(0, 40)}" is not a Northcove job, device or shop file`);
  if (h.data.version > fileVersion)
    return fail(`version: the file is of version ${h.data.version}, this app reads up to ${fileVersion}`);
  if (h.data.version !== fileVersion)
    return fail(`version: ${h.data.version} is not a version, allowed is ${fileVersion}`);
  if (h.data.format === 'northcove-device') {
    const device = readDevice(h.data.device, 'device');
    if (!device.ok) return device;
    const under = readPhotos(h.data.photos);
    return under.ok ? { ok: true, value: { ...nothing, photos: under.value, devices: [device.value] } } : under;
  }
  const photos = readPhotos(h.data.photos);
  if (!photos.ok) return photos;
  if (h.data.format === 'northcove-job') {
    const job = readEvents(h.data.events, 'events');
    return job.ok ? { ok: true, value: { ...nothing, jobs: [job.value], photos: photos.value } } : job;
  }
  const settings = settingsSchema.safeParse(h.data.settings);
  if (!settings.success) return fail(`settings.${explain(settings.error)}`);
  if (!Array.isArray(h.data.jobs)) return fail('jobs: expected a list');
  const jobs: JobEvent[][] = [];
  for (const [i, list] of (h.data.jobs as unknown[]).entries()) {
    if (i % 20 === 0) onShare(0.2 + (0.8 * i) / h.data.jobs.length);
    const job = readEvents(list, `jobs.${i}`);
    if (!job.ok) return job;
    jobs.push(job.value);
  }
  const devices: Device[] = [];
  const list = h.data.devices ?? [];
  if (!Array.isArray(list)) return fail('devices: expected a list');
  for (const [i, raw] of (list as unknown[]).entries()) {
    const device = readDevice(raw, `devices.${i}`);
    if (!device.ok) return device;
    devices.push(keepUnknown(raw, device.value));
  }
  if (!Array.isArray(h.data.tries ?? [])) return fail('tries: expected a list');
  const tries = z.array(trySchema).safeParse(h.data.tries ?? []);
  if (!tries.success) return fail(`tries.${explain(tries.error)}`);
  return {
    ok: true,
    value: {
      tries: tries.data,
      jobs,
      settings: upToDate(keepUnknown(h.data.settings, settings.data)),
      photos: photos.value,
      devices,
    },
  };
}

/** A device model from data that is not trusted: its form by the schema, its geometry by the checks of the core. */
export function readDevice(data: unknown, where: string): Parsed<Device> {
  const read = deviceSchema.safeParse(data);
  if (!read.success) return fail(`${where}.${explain(read.error)}`);
  const [first] = checkDevice(read.data);
  return first
    ? fail(`${where}, ${first.field}: ${first.given}, allowed is ${first.allowed}`)
    : { ok: true, value: read.data };
}

function readPhotos(data: unknown): Parsed<Photos> {
  if (data === undefined) return { ok: true, value: {} };
  const read = photosSchema.safeParse(data);
  return read.success ? { ok: true, value: read.data } : fail(`photos.${explain(read.error)}`);
}

function readEvents(data: unknown, where: string): Parsed<JobEvent[]> {
  if (!Array.isArray(data)) return fail(`${where}: expected a list of events`);
  const events: JobEvent[] = [];
  const seen = new Set<string>();
  for (const [i, raw] of data.entries()) {
    const e = parseEvent(raw);
    if (!e.ok) return fail(`${where}.${i}.${e.problem}`);
    const bad = e.value.type === 'opened' ? checkDevice(e.value.device)[0] : undefined;
    if (bad) return fail(`${where}.${i}.device, ${bad.field}: ${bad.given}, allowed is ${bad.allowed}`);
    if (seen.has(e.value.id)) return fail(`${where}.${i}.id: "${e.value.id.slice(0, 40)}" stands twice`);
    if (events[0] && e.value.jobId !== events[0].jobId) return fail(`${where}.${i}.jobId: belongs to another job`);
    seen.add(e.value.id);
    events.push(e.value);
  }
  if (!foldJob(events)) return fail(`${where}: there is no "opened" event, so there is no job to read`);
  return { ok: true, value: events };
}

const fail = (problem: string): { ok: false; problem: string } => ({ ok: false, problem });

/** Line of a JSON syntax error, from the position in the engine's message; the last line when the text just ends. */
function lineOf(text: string, error: unknown): string {
  const at = /position (\d+)/.exec(error instanceof Error ? error.message : '')?.[1];
  const upTo = at ? text.slice(0, Number(at)) : text;
  return `line ${upTo.split('\n').length}`;
}
