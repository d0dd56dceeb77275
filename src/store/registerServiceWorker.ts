import { shippedModes } from './shippedModes';
import { watchUpdates } from './update';

/** Production only: the development server has no sw.js, and a stale worker would hide fresh code. */
export function registerServiceWorker(): void {
  if (process.env.NODE_ENV !== 'production' || typeof navigator === 'undefined' || !('serviceWorker' in navigator))
    return;
  const go = () =>
    void navigator.serviceWorker
      .register('/sw.js')
      .then((registration) => watchUpdates(registration))
      .then(() => navigator.serviceWorker.ready)
      .then(() => keepModels())
      .catch(() => {});
  if (document.readyState === 'complete') go();
  else window.addEventListener('load', go);
}

/** Is somebody's connection to be spared. */
const spared = () => (navigator as Navigator & { connection?: { saveData?: boolean } }).connection?.saveData === true;

const idle = () =>
  new Promise<void>((done) => {
    if ('requestIdleCallback' in window) requestIdleCallback(() => done(), { timeout: 30_000 });
    else setTimeout(done, 2000);
  });

/**
 * Heat models of the shipped devices for a day without network: one after the other, when the page has nothing else to do. The
 * service worker keeps what goes through it.
 */
async function keepModels(): Promise<void> {
  if (spared()) return;
  const kept = await caches.open('northcove-modes');
  for (const digest of new Set(Object.values(shippedModes))) {
    const url = `/modes/${digest}.json`;
    if (await kept.match(url)) continue;
    await idle();
    if (!navigator.onLine) return;
    const answer = await fetch(url).catch(() => null);
    // the first page is there before the worker that would keep it
    if (answer?.ok && !navigator.serviceWorker.controller) await kept.put(url, answer);
  }
}
