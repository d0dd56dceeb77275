import { useSyncExternalStore } from 'react';

import type { Device } from '@/core/device/types';
import { logOrder } from '@/model/logOrder';
import { nowMs } from '../clock';
import { newId } from '../ids';
import { queryClient, repository, shopNow } from '../shop';
import { StorageFullError } from '../storageErrors';
import { markJoined } from './begin';
import type { ShopAccess } from './desk';
import { SyncDevice, type SyncView } from './device';
import { deviceFromOthers, fromOthers, settingsFromOthers } from './others';
import { relayWire } from './relayWire';
import { ownPair } from './seal';
import { syncStateSchema, type SyncState } from './state';

const stateKey = 'sync';
const lockName = 'northcove-sync';

let device: SyncDevice | null = null;
let view: SyncView | null = null;
/** another tab of this browser holds the line */
let elsewhere = false;
const listeners = new Set<() => void>();
const tell = () => listeners.forEach((f) => f());

async function readState(): Promise<SyncState | null> {
  const raw = await repository.readExtra(stateKey);
  if (raw === null) return null;
  try {
    return syncStateSchema.parse(JSON.parse(raw));
  } catch {
    return null;
  }
}

/** @throws StorageFullError */
async function keepState(state: SyncState): Promise<void> {
  if (!(await repository.writeExtra(stateKey, JSON.stringify(state)))) throw new StorageFullError();
  markJoined(state.group !== null || state.loan !== null || state.out.length > 0);
}

const log = () => queryClient.getQueryData<Awaited<ReturnType<typeof shopNow>>>(['log']);

const access: ShopAccess = {
  jobs: () => log()?.jobs ?? new Map(),
  settings: () => log()!.settings,
  devices: () => log()?.devices ?? [],
  add: (events) => fromOthers([...events].sort(logOrder)),
  setSettings: settingsFromOthers,
  addDevice: (d: Device) => deviceFromOthers(d),
  photo: async (id) => (await repository.readPhotos([id]))[id] ?? null,
  keepPhoto: async (id, data) => {
    await repository.savePhoto(id, data);
    queryClient.setQueryData(['photo', id], data);
  },
  now: nowMs,
  keep: keepState,
};

/** Holds the line of this browser until another tab takes it. */
async function hold(state: SyncState): Promise<void> {
  await shopNow();
  const mine = new SyncDevice(state, access, relayWire, (v) => {
    view = v;
    tell();
  });
  device = mine;
  elsewhere = false;
  let soon = false;
  const off = queryClient.getQueryCache().subscribe((e) => {
    if (e.type !== 'updated' || e.query.queryKey[0] !== 'log' || soon) return;
    soon = true;
    queueMicrotask(() => {
      soon = false;
      mine.noted();
    });
  });
  const gone = () => mine.stop();
  window.addEventListener('pagehide', gone);
  // a page that the browser had kept and shows again has let go of its line
  window.addEventListener('pageshow', (e) => e.persisted && window.location.reload());
  await mine.start();
  await new Promise<void>((done) => (letGo = done));
  window.removeEventListener('pagehide', gone);
  off();
  mine.stop();
  device = null;
}

let letGo: () => void = () => {};

/** Begins, where this browser belongs to a shop. @param take from another tab that holds the line */
export async function beginSync(take = false): Promise<void> {
  if (device) return;
  const state = await readState();
  if (!state) return;
  const holding = new Promise<void>((begun) => {
    const run = async () => {
      const held = hold((await readState()) ?? state);
      begun();
      await held;
    };
    if (!navigator.locks) return void run();
    void navigator.locks
      .request(lockName, take ? { steal: true } : { ifAvailable: true }, async (lock) => {
        if (lock) return run();
        elsewhere = true;
        tell();
        begun();
        // when the other one goes, this one takes over
        void navigator.locks.request(lockName, run).catch(lost);
      })
      .catch(lost);
  });
  await holding;
}

function lost(): void {
  elsewhere = true;
  letGo();
  tell();
}

/** This device with keys of its own, made where there are none. @throws StorageFullError */
export async function ownDevice(name: string): Promise<SyncDevice> {
  if (!device) {
    if (!(await readState())) {
      const me = { id: newId(), name, ...(await ownPair()) };
      await keepState({ me, group: null, older: [], doc: null, out: [], loan: null });
    }
    await beginSync(true);
    for (let i = 0; i < 100 && !device; i++) await new Promise((r) => setTimeout(r, 20));
  }
  if (!device) throw new Error('the line is held by another tab');
  return device;
}

/** Takes what it was let in with: from the next page load on it belongs. @throws StorageFullError */
export const joinWith = keepState;

/** Leaves: what is here stays here; nothing more goes out or comes in. */
export async function leave(): Promise<void> {
  // what it still keeps of the joining is written before it is taken away
  device?.stop();
  const state = await readState();
  if (!state) return;
  letGo();
  await keepState({ ...state, group: null, loan: null, out: [], older: [], doc: null });
  view = null;
  tell();
}

export const askPhoto = (id: string): void => device?.askPhoto(id);

const listen = (f: () => void) => {
  listeners.add(f);
  return () => void listeners.delete(f);
};
export const useSync = (): SyncView | null =>
  useSyncExternalStore(
    listen,
    () => view,
    () => null,
  );
export const useElsewhere = (): boolean =>
  useSyncExternalStore(
    listen,
    () => elsewhere,
    () => false,
  );
