import { stable } from '../core/digest';
import type { Device } from '../core/device/types';
import type { JobEvent } from './event';
import type { Photos, ReadFile } from './files';
import { foldJob } from './fold';
import type { Settings } from './settings';

/** What taking a file in would do, before anything is done. */
export interface RestorePlan {
  newJobs: string[];
  /** jobs that are here and get more entries, with how many */
  grown: { label: string; entries: number }[];
  sameJobs: number;
  entries: number;
  /** entries of the file that are here with other words under the same name: those here stay */
  differing: number;
  devices: number;
  photos: number;
  /** exercises that are not here */
  tries: number;
  /** names of settings that differ; null when the file has none */
  settings: string[] | null;
}

interface Here {
  jobs: ReadonlyMap<string, readonly JobEvent[]>;
  settings: Settings;
  devices: readonly Device[];
  tries: readonly { id: string }[];
}

const words = (e: JobEvent) => stable(e.type === 'unknown' ? e.raw : e);

/**
 * A log only grows: a restore adds what is not here and takes nothing away. Only settings are replaced, and only when that
 * is asked for.
 */
export function restorePlan(file: ReadFile, here: Here, photosHere: ReadonlySet<string>): RestorePlan {
  const plan: RestorePlan = {
    newJobs: [],
    grown: [],
    sameJobs: 0,
    entries: 0,
    differing: 0,
    devices: 0,
    photos: 0,
    tries: 0,
    settings: null,
  };
  for (const events of file.jobs) {
    const label = foldJob(events)?.label ?? events[0]!.jobId;
    const known = new Map((here.jobs.get(events[0]!.jobId) ?? []).map((e) => [e.id, e]));
    const fresh = events.filter((e) => !known.has(e.id));
    plan.differing += events.filter((e) => known.has(e.id) && words(known.get(e.id)!) !== words(e)).length;
    plan.entries += fresh.length;
    if (!known.size) plan.newJobs.push(label);
    else if (fresh.length) plan.grown.push({ label, entries: fresh.length });
    else plan.sameJobs++;
  }
  const versions = new Set(here.devices.map((d) => `${d.id}/${d.version}`));
  plan.devices = file.devices.filter((d) => !versions.has(`${d.id}/${d.version}`)).length;
  plan.photos = Object.keys(file.photos).filter((id) => !photosHere.has(id)).length;
  const ended = new Set(here.tries.map((t) => t.id));
  plan.tries = file.tries.filter((t) => !ended.has(t.id)).length;
  if (file.settings) {
    const [a, b] = [file.settings, here.settings] as unknown as Record<string, unknown>[];
    plan.settings = [...new Set([...Object.keys(a!), ...Object.keys(b!)])].filter(
      (k) => stable(a![k]) !== stable(b![k]),
    );
  }
  return plan;
}

/** Pictures of a file that are not here yet. */
export const freshPhotos = (photos: Photos, here: ReadonlySet<string>): Photos =>
  Object.fromEntries(Object.entries(photos).filter(([id]) => !here.has(id)));
