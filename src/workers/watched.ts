import { patience } from './ticks';

/** A worker that reports nothing for this long is not waited for any more, ms. */
export const silenceMs = { answer: 30_000, long: 120_000 };

export class SilentWorkerError extends Error {
  constructor(seconds: number) {
    super(`the part of the browser that computes has not answered for ${seconds} s`);
  }
}

/**
 * The answer of a worker, or an error: when it reports one, cannot be loaded, or sends nothing (no progress either) for
 * `limitMs`. Whoever asked ends the worker then.
 */
export function watched<T>(worker: Worker, answer: Promise<T>, limitMs: number): Promise<T> {
  let enough = () => {};
  let undo = () => {};
  const trouble = new Promise<never>((_, reject) => {
    const wait = () => {
      enough();
      enough = patience(limitMs, () => reject(new SilentWorkerError(Math.round(limitMs / 1000))));
    };
    const failed = (e: Event) =>
      reject(new Error((e as ErrorEvent).message || 'the part of the browser that computes did not start or stopped'));
    worker.addEventListener('error', failed);
    worker.addEventListener('messageerror', failed);
    worker.addEventListener('message', wait);
    wait();
    undo = () => {
      worker.removeEventListener('error', failed);
      worker.removeEventListener('messageerror', failed);
      worker.removeEventListener('message', wait);
    };
  });
  return Promise.race([answer, trouble]).finally(() => {
    enough();
    undo();
  });
}
