import { SilentWorkerError, watched } from './watched';

class FakeWorker {
  private readonly listeners = new Map<string, Set<(e: unknown) => void>>();
  addEventListener(type: string, f: (e: unknown) => void) {
    this.listeners.set(type, (this.listeners.get(type) ?? new Set()).add(f));
  }
  removeEventListener(type: string, f: (e: unknown) => void) {
    this.listeners.get(type)?.delete(f);
  }
  emit(type: string, e: unknown = {}) {
    for (const f of [...(this.listeners.get(type) ?? [])]) f(e);
  }
  get listening() {
    return [...this.listeners.values()].reduce((n, s) => n + s.size, 0);
  }
}
const never = new Promise<never>(() => {});
const as = (w: FakeWorker) => w as unknown as Worker;

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

it('an answer passes, and nothing goes on listening', async () => {
  const w = new FakeWorker();
  await expect(watched(as(w), Promise.resolve(7), 1000)).resolves.toBe(7);
  expect(w.listening).toBe(0);
});

it('a worker that cannot be loaded rejects, with or without a message', async () => {
  const w = new FakeWorker();
  const a = watched(as(w), never, 1000);
  w.emit('error', { message: 'no such file' });
  await expect(a).rejects.toThrow('no such file');
  const b = watched(as(w), never, 1000);
  w.emit('error');
  await expect(b).rejects.toThrow(/did not start or stopped/);
});

it('silence is given up after the limit; each message begins it anew', async () => {
  const w = new FakeWorker();
  const a = watched(as(w), never, 3000);
  const told = expect(a).rejects.toThrow(SilentWorkerError);
  let over = false;
  a.catch(() => (over = true));
  for (let i = 0; i < 5; i++) {
    await jest.advanceTimersByTimeAsync(2900);
    w.emit('message');
  }
  expect(over).toBe(false);
  await jest.advanceTimersByTimeAsync(3001);
  await told;
});
