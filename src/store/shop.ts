import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { QueryClient, queryOptions, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';

import type { Device } from '@/core/device/types';
import type { JobEvent, NewEvent } from '@/model/event';
import type { Photos } from '@/model/files';
import { foldJob, type JobState } from '@/model/fold';
import { defaultSettings, type Settings } from '@/model/settings';
import { shippedDevices } from '@/model/shippedDevices';
import { onOthers, tellOthers } from './channel';
import { newId } from './ids';
import { journal } from './journal';
import { Repository, type ShopLog } from './repository';

export const storage = createAsyncStorage('northcove');
export const repository = new Repository(storage, { now: () => Date.now(), uuid: newId });

export const queryClient = new QueryClient({
  // the data lives on this device: never pause because a browser says offline
  defaultOptions: {
    queries: { networkMode: 'always', staleTime: Infinity, gcTime: Infinity, retry: 1 },
    mutations: { networkMode: 'always' },
  },
});

/** Everything that is stored, and what a page noted that was closed before the storage had it. */
export async function loadShop(): Promise<ShopLog> {
  const log = await repository.load();
  for (const { key, events } of journal.left()) {
    const known = new Set([...log.jobs.values()].flat().map((e) => e.id));
    const lost = events.filter((e) => !known.has(e.id));
    if (lost.length && !(await repository.write(lost))) continue;
    for (const e of lost) log.jobs.set(e.jobId, [...(log.jobs.get(e.jobId) ?? []), e]);
    journal.forget(key);
  }
  void checkPacked(log.fromPack);
  return log;
}

/** Says what the pack hid: originals that were spoiled since it was written. */
async function checkPacked(fromPack: readonly JobEvent[]): Promise<void> {
  if (!fromPack.length) return;
  await new Promise((r) => setTimeout(r, 1500));
  const found = await repository.checkOriginals(fromPack).catch(() => []);
  if (found.length)
    patchLog((log) => {
      const named = new Set(log.problems.map((p) => p.key));
      return { ...log, problems: [...log.problems, ...found.filter((p) => !named.has(p.key))] };
    });
}

onOthers(() => void queryClient.invalidateQueries({ queryKey: ['log'] }));

const logQuery = queryOptions({
  queryKey: ['log'],
  queryFn: loadShop,
  // a log only grows: comparing it deeply with the last one would cost time and say nothing
  structuralSharing: false,
});

/** The log as it is in memory, read first where it is not yet: for what is begun before the page has it. */
export const shopNow = (): Promise<ShopLog> => queryClient.ensureQueryData(logQuery);

export function useShop(): { shop: ShopLog | null; error: Error | null } {
  const q = useQuery(logQuery);
  return { shop: q.data ?? null, error: q.error };
}

const noLog = { jobs: new Map<string, JobEvent[]>(), problems: [] };

/** Settings in force; the usual ones until the storage has answered. */
export function useSettings(): Settings {
  return useQuery(logQuery).data?.settings ?? defaultSettings;
}

const folded = new WeakMap<readonly JobEvent[], JobState | null>();

/** Folding is pure and a log's array is never changed in place, so the state is kept with it. */
export function foldCached(events: readonly JobEvent[]): JobState | null {
  if (!folded.has(events)) folded.set(events, foldJob(events));
  return folded.get(events) ?? null;
}

const listed = new WeakMap<ReadonlyMap<string, JobEvent[]>, JobState[]>();

/** The same list for every page while the log is the same: a thousand jobs are not sorted again on every way through the app. */
function jobsOf(logs: ReadonlyMap<string, JobEvent[]>): JobState[] {
  let list = listed.get(logs);
  if (!list) {
    list = [...logs.values()]
      .map(foldCached)
      .filter((j): j is JobState => j !== null)
      .sort((a, b) => (a.label < b.label ? 1 : -1));
    listed.set(logs, list);
  }
  return list;
}

export function useJobs(): JobState[] {
  const { data } = useQuery(logQuery);
  return jobsOf((data ?? noLog).jobs);
}

export function useJob(id: string): { job: JobState | null; loading: boolean } {
  const { data } = useQuery(logQuery);
  const events = data?.jobs.get(id);
  return { job: events ? foldCached(events) : null, loading: !data };
}

function patchLog(change: (log: ShopLog) => ShopLog): void {
  queryClient.setQueryData(logQuery.queryKey, (old: ShopLog | undefined) => (old ? change(old) : old));
}

/** Appends to a job's log: shown at once, then written. */
export async function append(jobId: string, by: string, events: readonly NewEvent[], at?: number): Promise<JobEvent[]> {
  const made = repository.make(jobId, by, events, at);
  patchLog((log) => {
    const jobs = new Map(log.jobs);
    jobs.set(jobId, [...(jobs.get(jobId) ?? []), ...made]);
    return { ...log, jobs };
  });
  journal.note(made);
  const waiting = [...repository.pending];
  if (await repository.write(made)) journal.settle([...waiting, ...made]);
  patchLog((log) => ({ ...log, unsaved: repository.pending.length }));
  tellOthers();
  return made;
}

export async function retryPending(): Promise<boolean> {
  const waiting = [...repository.pending];
  const done = await repository.write([]);
  if (done) journal.settle(waiting);
  patchLog((log) => ({ ...log, unsaved: repository.pending.length }));
  return done;
}

/** Takes in the jobs of a file that was read as a whole; returns how many events were new. */
export async function takeIn(
  jobs: readonly (readonly JobEvent[])[],
  settings: Settings | null,
  more: { photos?: Photos; devices?: readonly Device[]; inPlaceOfDemo?: boolean } = {},
): Promise<number> {
  const log = await repository.load();
  const known = new Set([...log.jobs.values()].flat().map((e) => e.id));
  const fresh = await repository.merge(jobs.flat(), known, more);
  // only when the file is in: a full storage has changed nothing then
  if (more.inPlaceOfDemo) {
    const own = new Set(jobs.flat().map((e) => e.id));
    await repository.dropDemo(new Map([...log.jobs].filter(([, l]) => !l.some((e) => own.has(e.id)))));
  }
  if (settings) await repository.saveSettings(settings);
  await queryClient.invalidateQueries({ queryKey: ['log'] });
  tellOthers();
  return fresh;
}

const noDevices: Device[] = [];

/** Device models to choose from: the newest version of each, the shop's own before the shipped ones. */
export function useDevices(): { device: Device; own: boolean }[] {
  const own = useQuery(logQuery).data?.devices ?? noDevices;
  return useMemo(() => newestDevices(own), [own]);
}

export function newestDevices(own: readonly Device[]): { device: Device; own: boolean }[] {
  const newest = new Map<string, { device: Device; own: boolean }>();
  for (const device of shippedDevices) newest.set(device.id, { device, own: false });
  for (const device of own)
    if ((newest.get(device.id)?.device.version ?? 0) <= device.version) newest.set(device.id, { device, own: true });
  return [...newest.values()].sort((a, b) => Number(b.own) - Number(a.own));
}

/** Writes a new version of a model and tells every list. @throws StorageFullError */
export async function saveDevice(device: Device): Promise<void> {
  await repository.saveDevice(device);
  patchLog((log) => ({ ...log, devices: [...log.devices, device] }));
  tellOthers();
}

export async function saveSettings(settings: Settings): Promise<void> {
  patchLog((log) => ({ ...log, settings }));
  await repository.saveSettings(settings);
  tellOthers();
}
