import equal from 'fast-deep-equal';
import { parseEvent, type JobEvent } from '@/model/event';
import { packFrom, readPack, writePack } from './pack';
import { parseText, type Problem, type Storage } from './stored';

/** A copy of what was read and found good, in one piece. */
export const packKey = 'extra/pack';
const packWaitMs = 2000;
/** Entries that are read in one go. */
const readAtOnce = 2000;
/** Originals that are fetched in one go, and compared in one, beside whoever works. */
const fetchAtOnce = 500;
const checkAtOnce = 60;

export const jobKey = (e: JobEvent) => `job/${e.jobId}/${e.writer}/${String(e.seq).padStart(8, '0')}`;
export const stored = (e: JobEvent) => JSON.stringify(e.type === 'unknown' ? e.raw : e);

interface Entries {
  jobs: Map<string, JobEvent[]>;
  problems: Problem[];
  /** entries that were taken from the pack: their originals are looked at once the page stands */
  fromPack: JobEvent[];
}

/**
 * All entries of all jobs, in no order.
 * @param all keys of the storage
 * @param noted what this page noted while the storage was read, or could not write
 */
export async function readEntries(
  storage: Storage,
  all: readonly string[],
  noted: () => Iterable<JobEvent>,
  onShare: (share: number) => void,
): Promise<Entries> {
  const problems: Problem[] = [];
  const jobs = new Map<string, JobEvent[]>();
  const seen = new Set<string>();
  const put = (e: JobEvent) => {
    if (seen.has(e.id)) return;
    seen.add(e.id);
    const list = jobs.get(e.jobId);
    if (list) list.push(e);
    else jobs.set(e.jobId, [e]);
  };
  const present = new Set(all.filter((k) => k.startsWith('job/')));
  // what was read and found good before comes in one piece; only what is new is read one by one
  const packed = present.size >= packFrom ? await storage.getItem(packKey).then(readPack, () => null) : null;
  const inPack = new Set<string>();
  const fromPack: JobEvent[] = [];
  for (const e of packed ?? []) {
    const key = jobKey(e);
    if (!present.has(key)) continue;
    inPack.add(key);
    fromPack.push(e);
    put(e);
  }
  const keys = [...present].filter((k) => !inPack.has(k));
  // in parts, so that the page can draw between them
  for (let i = 0; i < keys.length; i += readAtOnce) {
    if (i > 0) onShare(i / keys.length);
    const part = keys.slice(i, i + readAtOnce);
    const values = await storage.getMany(part);
    for (const key of part) {
      const raw = values[key];
      if (raw === null || raw === undefined) continue;
      const parsed = parseText(raw);
      const event = parsed === undefined ? null : parseEvent(parsed);
      if (event?.ok) put(event.value);
      else problems.push({ key, what: event ? event.problem : 'the entry is cut off or not JSON', raw });
    }
  }
  if (keys.length >= packFrom) packLater(storage, [...jobs.values()].flat());
  for (const e of noted()) put(e);
  return { jobs, problems, fromPack };
}

/**
 * Looks at the originals of what the pack had: one that was spoiled since is named, and the good copy is written beside it,
 * so that it is still there when the pack goes.
 */
export async function checkOriginals(storage: Storage, fromPack: readonly JobEvent[]): Promise<Problem[]> {
  const problems: Problem[] = [];
  for (let i = 0; i < fromPack.length; i += fetchAtOnce) {
    const fetched = fromPack.slice(i, i + fetchAtOnce);
    const values = await storage.getMany(fetched.map(jobKey));
    for (const [k, e] of fetched.entries()) {
      if (k % checkAtOnce === 0) await new Promise((go) => setTimeout(go, 0));
      const key = jobKey(e);
      const raw = values[key];
      // as it was written, its fields in whatever order: nothing to look at
      if (raw === null || raw === undefined || raw === stored(e)) continue;
      const now = parseText(raw);
      if (equal(now, e.type === 'unknown' ? e.raw : e) || parseEvent(now).ok) continue;
      problems.push({ key, what: 'the entry is cut off or not JSON; a good copy of it was found and is used', raw });
      await storage.setItem(`${key}/copy`, stored(e)).catch(() => undefined);
    }
  }
  return problems;
}

/** Keeps what was read in one piece for the next time, once there is nothing more urgent to do. */
function packLater(storage: Storage, events: readonly JobEvent[]): void {
  setTimeout(() => void storage.setItem(packKey, writePack(events)).catch(() => undefined), packWaitMs);
}

/**
 * Entries as they are stored, each under a key that is free.
 * @param keys that are taken
 * @returns how many of them stand under another key: another entry of the same job, writer and number is there, and both stay
 */
export function freeEntries(
  events: readonly JobEvent[],
  keys: ReadonlySet<string>,
): { entries: Record<string, string>; clashed: number } {
  const taken = new Set(keys);
  const entries: Record<string, string> = {};
  let clashed = 0;
  for (const e of events) {
    const free = taken.has(jobKey(e)) ? `${jobKey(e)}/${e.id}` : jobKey(e);
    if (free !== jobKey(e)) clashed++;
    taken.add(free);
    entries[free] = stored(e);
  }
  return { entries, clashed };
}
