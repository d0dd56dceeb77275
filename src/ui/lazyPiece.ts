import { lazy, type ComponentType } from 'react';

/** Without a word that the network is back it is asked for again after so long, ms. */
const againMs = 10_000;

/** Until it is worth asking again: a network that is known to be gone is waited for, nothing is tried meanwhile. */
const later = () =>
  new Promise<void>((done) => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const go = () => {
      window.removeEventListener('online', go);
      clearTimeout(timer);
      done();
    };
    window.addEventListener('online', go);
    if (navigator.onLine) timer = setTimeout(go, againMs);
  });

/**
 * A piece of a page that is loaded where it is looked at. Where it cannot be (no network, and no offline copy yet) what stands in
 * its place stays, and it is asked for again: a chart that is missing takes no page with it.
 */
export const lazyPiece = <P extends object>(load: () => Promise<ComponentType<P>>) => {
  const loaded = (): Promise<{ default: ComponentType<P> }> =>
    load().then(
      (piece) => ({ default: piece }),
      () => later().then(loaded),
    );
  return lazy(loaded);
};
