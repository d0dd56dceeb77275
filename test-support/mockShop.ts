import { useSyncExternalStore } from 'react';

import { demoJobs, demoSettings } from '../src/demo/shop';
import type { Device } from '../src/core/device/types';
import { shippedDevices } from '../src/model/shippedDevices';
import type { JobEvent, NewEvent } from '../src/model/event';
import { foldJob, type JobState } from '../src/model/fold';
import type { Settings } from '../src/model/settings';

/** The shop's hooks over an array in memory: what a screen logs is there at once, and the test reads it back. */
interface State {
  jobs: Map<string, JobEvent[]>;
  settings: Settings;
  problems: { key: string; what: string; raw: string }[];
  unsaved: number;
  fromPack: JobEvent[];
  trouble: null;
  devices: Device[];
  asOf: number;
}

const empty = { jobs: new Map<string, JobEvent[]>(), settings: demoSettings, problems: [], unsaved: 0, devices: [] };
const blank: State = { ...empty, fromPack: [], trouble: null, asOf: 0 };
let state = blank;
const listeners = new Set<() => void>();
let seq = 0;

const change = (next: Partial<State>) => {
  state = { ...state, ...next };
  listeners.forEach((f) => f());
};
const useStore = () =>
  useSyncExternalStore(
    (f) => {
      listeners.add(f);
      return () => listeners.delete(f);
    },
    () => state,
  );

/** Starts a test with the demo jobs as of `now`, with more events noted on some of them. */
export function startShop(now: number, more: Record<string, NewEvent[]> = {}, over: Partial<State> = {}): void {
  seq = 0;
  const jobs = new Map(demoJobs(now).map((l) => [l[0]!.jobId, l]));
  for (const [id, events] of Object.entries(more)) jobs.set(id, [...jobs.get(id)!, ...make(id, events, now)]);
  extra.clear();
  photos.clear();
  change({ ...blank, jobs, ...over });
}

function make(jobId: string, events: readonly NewEvent[], at: number): JobEvent[] {
  return events.map((e) => ({
    ...e,
    v: 1,
    id: `t${seq}`,
    jobId,
    writer: 'test',
    seq: seq++,
    at,
    loggedAt: at,
    by: 'Test',
  }));
}

export const jobNow = (id: string): JobState => foldJob(state.jobs.get(id)!)!;
/** What the screens have logged on a job since the start. */
export const logged = (id: string): JobEvent[] => state.jobs.get(id)!.filter((e) => e.writer === 'test');
export const settingsNow = () => state.settings;

export const restoreSettings = async () => false;
export const useSpoiled = () => [];
export const shopNow = async () => state;
export const useShop = () => ({ shop: useStore(), error: null });
export const useAsOf = () => useStore().asOf;
export const useSettings = () => useStore().settings;
const folded = new WeakMap<JobEvent[], JobState>();
const fold = (l: JobEvent[]): JobState => {
  if (!folded.has(l)) folded.set(l, foldJob(l)!);
  return folded.get(l)!;
};
export const useJobs = () => [...useStore().jobs.values()].map(fold);
export const useJob = (id: string) => {
  const l = useStore().jobs.get(id);
  return { job: l ? fold(l) : null, loading: false };
};
export async function append(
  jobId: string,
  _by: string,
  events: readonly NewEvent[],
  at = Date.now(),
): Promise<JobEvent[]> {
  const made = make(jobId, events, at).map((e) => ({ ...e, loggedAt: Date.now() }));
  change({ jobs: new Map(state.jobs).set(jobId, [...(state.jobs.get(jobId) ?? []), ...made]), asOf: Date.now() });
  return made;
}
export async function saveSettings(settings: Settings): Promise<void> {
  change({ settings, asOf: Date.now() });
}
export const retryPending = async () => {
  change({ unsaved: 0 });
  return true;
};
export const takeIn = async (jobs: JobEvent[][], _settings?: unknown, more: { devices?: Device[] } = {}) => {
  for (const d of more.devices ?? []) await saveDevice(d);
  const next = new Map(state.jobs);
  for (const l of jobs) next.set(l[0]!.jobId, l);
  change({ jobs: next });
  return { fresh: jobs.flat().length, clashed: 0 };
};
const extra = new Map<string, string>();
const photos = new Map<string, string>();
export const queryClient = { invalidateQueries: async () => {} };
export const repository = {
  make: (jobId: string, _by: string, events: readonly NewEvent[], at: number) =>
    make(jobId, events, at).map((e) => ({ ...e, loggedAt: at })),
  readExtra: async (k: string) => extra.get(k) ?? null,
  writeExtra: async (k: string, v: string) => Boolean(extra.set(k, v)),
  savePhoto: async (id: string, data: string) => void photos.set(id, data),
  dropPhoto: async (id: string) => void photos.delete(id),
  readPhotos: async (ids: string[]) =>
    Object.fromEntries(ids.flatMap((id) => (photos.has(id) ? [[id, photos.get(id)]] : []))),
};
export const useDevices = () => newest(useStore().devices);
const newest = (own: Device[]) => [
  ...own.map((device) => ({ device, own: true })),
  ...shippedDevices.filter((d) => !own.some((o) => o.id === d.id)).map((device) => ({ device, own: false })),
];
export const devicesNow = () => state.devices;
export async function saveDevice(device: Device): Promise<void> {
  change({ devices: [...state.devices.filter((d) => d.id !== device.id), device] });
}
