import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { QueryClient, queryOptions, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';

import type { Device } from '@/core/device/types';
import type { JobEvent, NewEvent } from '@/model/event';
import type { Photos } from '@/model/files';
import type { JobState } from '@/model/fold';
import { type SafeFold } from '@/model/safeFold';
import { defaultSettings } from '@/model/defaultSettings';
import type { Settings } from '@/model/settings';
import { askPersistence } from './backup';
import { mirrorFigures } from './ownFigures';
import { onOthers, tellOthers } from './channel';
import { demoDayChanged } from './demoDay';
import { nowMs } from './clock';
import { newId } from './ids';
import { journal } from './journal';
import { settingsJournal } from './settingsJournal';
import { directStorage, reopening, writtenBy } from './reopening';
import { tellRefused } from './refusal';
import { silentAfter } from './silentAfter';
import { onReading, tellReading } from './reading';
import { type ShopLog } from './stored';
import { Repository } from './repository';
import { RefusedError } from './storageErrors';
import { changePractice, eventsOf, inPractice, practiceRun, useInPractice, withEntries } from './practice';
import { foldAt, foldOnce, foldCached, jobsOf } from './folded';
import { withTakenBack, noDevices, newestDevices } from './newest';

const database = 'northcove';

const first = createAsyncStorage(database);

export const storage = reopening(
  typeof indexedDB === 'undefined' ? first : writtenBy(directStorage(database, true), first),
  () => directStorage(database),
);

export const repository = new Repository(storage, { now: nowMs, uuid: newId });

export const queryClient = new QueryClient({
  // the data lives on this device: never pause because a browser says offline
  defaultOptions: {
    queries: { networkMode: 'always', staleTime: Infinity, gcTime: Infinity, retry: 1 },
    mutations: { networkMode: 'always' },
  },
});

/** Everything that is stored, and what a page noted that was closed before the storage had it. */
export async function loadShop(): Promise<ShopLog> {
  const reading = repository.load(tellReading);
  const silent = await silentAfter(reading, onReading);
  if (silent) {
    // the page goes on with what it has, and takes the answer when it comes after all
    void reading.then(() => queryClient.invalidateQueries({ queryKey: ['log'] }));
    const here = queryClient.getQueryData<ShopLog>(['log']);
    return here ? { ...here, trouble: 'silent' } : repository.memoryOnly('silent');
  }
  const log = await reading;
  for (const { key, events } of journal.left()) {
    const known = new Set([...log.jobs.values()].flat().map((e) => e.id));
    const lost = events.filter((e) => !known.has(e.id));
    if (lost.length && !(await repository.write(lost))) continue;
    for (const e of lost) log.jobs.set(e.jobId, [...(log.jobs.get(e.jobId) ?? []), e]);
    journal.forget(key);
  }
  if (!log.trouble) log.settings = await settingsJournal.takeIn(log.settings, (s) => repository.saveSettings(s));
  void checkPacked(log.fromPack);
  figuresInForce(log.settings);
  return log;
}

/** Own figures that this load does not count with yet: it is loaded anew, for figures are made when the page is. */
export function figuresInForce(settings: Settings): void {
  if (mirrorFigures(settings.figures)) window.location.reload();
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

const logQuery = queryOptions({
  queryKey: ['log'],
  queryFn: loadShop,
  // a log only grows: comparing it deeply with the last one would cost time and say nothing
  structuralSharing: false,
});

/**
 * Another tab has written. A first reading that is under way may have gone past the place already, and asking for it again
 * would only wait for the same one: it is let end, and then the log is read anew.
 */
export async function readAgain(): Promise<void> {
  if (queryClient.getQueryState(logQuery.queryKey)?.fetchStatus === 'fetching')
    await queryClient.ensureQueryData(logQuery).catch(() => {});
  await queryClient.invalidateQueries({ queryKey: logQuery.queryKey });
}

onOthers(() => {
  // the demo was left or begun anew: this page goes by the wrong clock
  if (demoDayChanged()) window.location.reload();
  else void readAgain();
});

/** The log as it is in memory, read first where it is not yet: for what is begun before the page has it. */
export const shopNow = (): Promise<ShopLog> => queryClient.ensureQueryData(logQuery);

export function useShop(): { shop: ShopLog | null; error: Error | null } {
  const q = useQuery(logQuery);
  return { shop: q.data ?? null, error: q.error };
}

/** The last entry that was refused, until the next one is noted: told above every page. */
const noLog = { jobs: new Map<string, JobEvent[]>(), problems: [] };

/** Settings in force; the usual ones until the storage has answered. */
export function useSettings(): Settings {
  const own = useQuery(logQuery).data?.settings ?? defaultSettings;
  return useInPractice()?.settings ?? own;
}

/** Entries that do not count because nothing can be computed with them, by job. */
export function useSpoiled(id: string): SafeFold['spoiled'] {
  const kept = useQuery(logQuery).data?.jobs.get(id);
  const practice = useInPractice();
  const events = eventsOf(practice, id) ?? kept;
  return events ? foldOnce(events).spoiled : [];
}

export function useJobs(): JobState[] {
  const { data } = useQuery(logQuery);
  const practice = useInPractice();
  // an exercise is alone on its bench: what lies on the shop's neither helps nor hinders it
  const alone = useMemo(
    () =>
      practice
        ? new Map([
            [practice.id, practice.events],
            ...(practice.second ? [[practice.second.id, practice.second.events] as const] : []),
          ])
        : null,
    [practice],
  );
  return jobsOf(alone ?? (data ?? noLog).jobs);
}

/** @param joint the joint to look at; none: that of the step where the job stands */
export function useJob(id: string, joint?: string): { job: JobState | null; loading: boolean } {
  const { data } = useQuery(logQuery);
  const practice = useInPractice();
  const events = eventsOf(practice, id) ?? data?.jobs.get(id);
  return { job: events ? (joint ? foldAt(events, joint) : foldCached(events)) : null, loading: !data };
}

/** Changes what the pages see of the log. */
export function patchLog(change: (log: ShopLog) => ShopLog): void {
  queryClient.setQueryData(logQuery.queryKey, (old: ShopLog | undefined) =>
    old ? { ...change(old), asOf: nowMs() } : old,
  );
}

/** When something was noted last: a page whose clock moves slowly has come so far at least. */
export function useAsOf(): number {
  const at = useQuery(logQuery).data?.asOf ?? 0;
  // the clock of an exercise is another
  return useInPractice() ? 0 : at;
}

/**
 * Appends to a job's log: checked by the reader that will read it after a reload, shown at once, then written.
 * @throws RefusedError that names the field; nothing was noted then, and it is told on the page
 */
export async function append(jobId: string, by: string, events: readonly NewEvent[], at?: number): Promise<JobEvent[]> {
  const practice = practiceRun();
  const practised = eventsOf(practice, jobId);
  const known = practised ?? queryClient.getQueryData(logQuery.queryKey)?.jobs.get(jobId) ?? [];
  const made = repository.make(
    jobId,
    by,
    events.map((e) => withTakenBack(e, known)),
    at,
    known,
  );
  try {
    repository.gate(made);
  } catch (e) {
    tellRefused(e instanceof Error ? e.message : 'not noted');
    throw e;
  }
  tellRefused(null);
  if (practised) {
    changePractice((r) => withEntries(r, jobId, made));
    return made;
  }
  // on its way before it is shown: drawing takes longer than writing
  journal.note(made);
  if (events.some((e) => e.type === 'opened'))
    void askPersistence().then((kept) => queryClient.setQueryData(['persistent'], kept));
  const waiting = [...repository.pending];
  const writing = repository.write(made);
  patchLog((log) => {
    const jobs = new Map(log.jobs);
    jobs.set(jobId, [...(jobs.get(jobId) ?? []), ...made]);
    return { ...log, jobs };
  });
  if (await silentAfter(writing)) patchLog((log) => ({ ...log, trouble: 'silent' }));
  if (await writing) journal.settle([...waiting, ...made]);
  patchLog((log) => ({ ...log, unsaved: repository.pending.length, trouble: repository.trouble }));
  tellOthers();
  return made;
}

export async function retryPending(): Promise<boolean> {
  const waiting = [...repository.pending];
  const done = await repository.write([]);
  if (done) journal.settle(waiting);
  // what the storage did not give before is read now
  if (done && queryClient.getQueryData(logQuery.queryKey)?.trouble)
    await queryClient.invalidateQueries({ queryKey: ['log'] });
  patchLog((log) => ({ ...log, unsaved: repository.pending.length, trouble: repository.trouble }));
  return done;
}

/** Takes in the jobs of a file that was read as a whole; returns how many events were new, and how many got another key. */
export async function takeIn(
  jobs: readonly (readonly JobEvent[])[],
  settings: Settings | (() => Promise<Settings>) | null,
  more: { photos?: Photos; devices?: readonly Device[]; inPlaceOfDemo?: boolean; ownWork?: boolean } = {},
): Promise<{ fresh: number; clashed: number }> {
  const log = await repository.load();
  const known = new Set([...log.jobs.values()].flat().map((e) => e.id));
  const fresh = await repository.merge(jobs.flat(), known, more);
  await repository.keepPack([...log.jobs.values(), ...jobs].flat());
  // only when the file is in: a full storage has changed nothing then
  if (more.inPlaceOfDemo) {
    const own = new Set(jobs.flat().map((e) => e.id));
    await repository.dropDemo(new Map([...log.jobs].filter(([, l]) => !l.some((e) => own.has(e.id)))));
  }
  if (settings) await repository.saveSettings(typeof settings === 'function' ? await settings() : settings);
  await queryClient.invalidateQueries({ queryKey: ['log'] });
  tellOthers();
  return fresh;
}

/** Device models to choose from: the newest version of each, the shop's own before the shipped ones. */
export function useDevices(): { device: Device; own: boolean }[] {
  const own = useQuery(logQuery).data?.devices ?? noDevices;
  return useMemo(() => newestDevices(own), [own]);
}

/** Writes a new version of a model and tells every list. @throws StorageFullError */
export async function saveDevice(device: Device): Promise<void> {
  await repository.saveDevice(device);
  patchLog((log) => ({ ...log, devices: [...log.devices, device] }));
  tellOthers();
}

/** @throws RefusedError that names the field (nothing changed then, and it is told on the page); StorageFullError */
export async function saveSettings(settings: Settings): Promise<void> {
  const standing = queryClient.getQueryData(logQuery.queryKey);
  try {
    // what is not read yet is not written over with the usual values
    if (!standing) throw new RefusedError('the settings are not read yet');
    repository.gateSettings(settings);
  } catch (e) {
    tellRefused(e instanceof Error ? e.message : 'not noted');
    throw e;
  }
  tellRefused(null);
  // what is learned or chosen in an exercise is the exercise's
  if (inPractice()) return changePractice((r) => ({ ...r, settings }));
  // on its way before it is shown, as entries are
  const settled = settingsJournal.note(standing.settings, settings);
  patchLog((log) => ({ ...log, settings }));
  await repository.saveSettings(settings);
  settled();
  tellOthers();
  figuresInForce(settings);
}

/** The settings of before the last change; false when there are none. */
export async function restoreSettings(): Promise<boolean> {
  const before = await repository.settingsBefore();
  if (!before) return false;
  await saveSettings(before);
  return true;
}
