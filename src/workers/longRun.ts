import { wrap, type Remote } from 'comlink';

import { silenceMs, watched } from './watched';

export interface LongRun<T> {
  result: Promise<T>;
  cancel(): void;
}

export class CancelledError extends Error {
  constructor() {
    super('cancelled');
  }
}

/** Long work on a worker of its own: cancelling it ends the worker and leaves every other one untouched. */
export function longRunOn<Api, T>(start: () => Worker, work: (api: Remote<Api>) => Promise<T>): LongRun<T> {
  let worker: Worker;
  try {
    worker = start();
  } catch (e) {
    return { result: Promise.reject(e instanceof Error ? e : new Error('no worker can be started')), cancel: () => {} };
  }
  let cancel = () => {};
  const cancelled = new Promise<never>((_, reject) => {
    cancel = () => reject(new CancelledError());
  });
  const answer = watched(worker, work(wrap<Api>(worker)), silenceMs.long);
  const result = Promise.race([answer, cancelled]).finally(() => worker.terminate());
  // a run that was cancelled has an answer that nobody waits for
  answer.catch(() => undefined);
  return { result, cancel };
}
