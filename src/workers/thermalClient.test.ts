import { shippedDevices } from '../model/shippedDevices';
import shipped from '../store/shippedModes.json';
import { buildInWorker, CancelledError, thermalKey } from './thermalClient';

/** A worker that answers Comlink's messages as the test says, or never. */
class FakeWorker {
  static last: FakeWorker;
  terminated = false;
  private readonly listeners = new Map<string, Set<(e: unknown) => void>>();
  constructor() {
    FakeWorker.last = this;
  }
  addEventListener(type: string, f: (e: unknown) => void) {
    this.listeners.set(type, (this.listeners.get(type) ?? new Set()).add(f));
  }
  removeEventListener(type: string, f: (e: unknown) => void) {
    this.listeners.get(type)?.delete(f);
  }
  asked: { id: string; path: string[] }[] = [];
  postMessage(m: { id: string; path: string[] }) {
    this.asked.push(m);
  }
  emit(type: string, e: unknown) {
    for (const f of [...(this.listeners.get(type) ?? [])]) f(e);
  }
  answer(value: unknown) {
    this.emit('message', { data: { id: this.asked.at(-1)!.id, type: 'RAW', value } });
  }
  terminate() {
    this.terminated = true;
  }
}

const device = shippedDevices[0]!;
const bond = device.bonds[0]!;
const { stack, digest } = thermalKey(device, bond);
const start = () => buildInWorker(stack, () => {});

jest.mock('./startThermal', () => ({ startThermal: () => mockStart() }));
const mockStart = () => new FakeWorker();

it('the key of a shipped device is the name of its shipped modes', () => {
  expect(digest).toBe(shipped.ring61);
  const thicker = { ...device, faces: [{ ...device.faces[0]!, cover: { ...device.faces[0]!.cover, hMm: 0.9 } }] };
  expect(thermalKey(thicker, bond).digest).not.toBe(digest);
});

it('asks the worker to build, gives its answer, and ends it', async () => {
  const run = start();
  expect(FakeWorker.last.asked.at(-1)!.path).toEqual(['build']);
  FakeWorker.last.answer({ rank: 20 });
  await expect(run.result).resolves.toEqual({ rank: 20 });
  expect(FakeWorker.last.terminated).toBe(true);
});

it('cancel ends the worker and says so; nothing comes after it', async () => {
  const run = start();
  run.cancel();
  await expect(run.result).rejects.toThrow(CancelledError);
  expect(FakeWorker.last.terminated).toBe(true);
});

it('a worker that dies is an error with its message, not a silence', async () => {
  const run = start();
  FakeWorker.last.emit('error', { message: 'out of memory' });
  await expect(run.result).rejects.toThrow('out of memory');
  expect(FakeWorker.last.terminated).toBe(true);
});
