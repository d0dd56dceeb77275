import { useSyncExternalStore } from 'react';

/** A new version lies ready, or another tab has taken it already. */
export type UpdateState = 'none' | 'waiting' | 'replaced';

let state: UpdateState = 'none';
let waiting: ServiceWorker | null = null;
let asked = false;
const listeners = new Set<() => void>();

function tell(next: UpdateState): void {
  if (state === next) return;
  state = next;
  listeners.forEach((f) => f());
}

/** Listens for a new version. It waits: what runs now goes on until somebody takes it, or the last page is closed. */
export function watchUpdates(registration: ServiceWorkerRegistration): void {
  const { serviceWorker } = navigator;
  // the first worker of a browser is no update
  const ready = (w: ServiceWorker | null) => {
    if (!w || !serviceWorker.controller) return;
    waiting = w;
    tell('waiting');
  };
  ready(registration.waiting);
  registration.addEventListener('updatefound', () => {
    const w = registration.installing;
    w?.addEventListener('statechange', () => {
      if (w.state === 'installed') ready(w);
    });
  });
  const had = serviceWorker.controller !== null;
  serviceWorker.addEventListener('controllerchange', () => {
    if (asked) window.location.reload();
    else if (had) tell('replaced');
  });
}

/** Takes the new version, and loads this page with it. */
export function takeUpdate(): void {
  if (state === 'replaced') return window.location.reload();
  asked = true;
  waiting?.postMessage({ type: 'SKIP_WAITING' });
}

/** @internal what is shown, for a look from outside a page */
export const updateState = (): UpdateState => state;

export const useUpdate = (): UpdateState =>
  useSyncExternalStore(
    (f) => {
      listeners.add(f);
      return () => void listeners.delete(f);
    },
    updateState,
    () => 'none',
  );
