import { wrap, type Remote } from 'comlink';

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
  const worker = start();
  const api = wrap<Api>(worker);
  let cancel = () => {};
  const result = new Promise<T>((resolve, reject) => {
    cancel = () => reject(new CancelledError());
    worker.addEventListener('error', (e) => reject(new Error(e.message || 'the worker stopped')));
    work(api).then(resolve, reject);
  }).finally(() => worker.terminate());
  return { result, cancel };
}
