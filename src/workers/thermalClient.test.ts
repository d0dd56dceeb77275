import { shippedDevices } from '../model/shippedDevices';
import shipped from '../store/shippedModes.json';
import { CancelledError } from './longRun';
import { FakeWorker } from '../../test-support/fakeWorker';
import { buildInWorker, movingInWorker, roundInWorker, spotInWorker, thermalKey, wayInWorker } from './thermalClient';

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

describe('a build on two processors', () => {
  const settle = () => new Promise((r) => setTimeout(r));
  beforeAll(() => {
    Object.defineProperty(globalThis, 'navigator', { value: { hardwareConcurrency: 4 }, configurable: true });
  });
  afterAll(() => {
    Reflect.deleteProperty(globalThis, 'navigator');
  });
  const begin = () => {
    const run = start();
    // the helper is started first, the one that ends the build last
    return { run, main: FakeWorker.last };
  };
  it('half is begun here, half elsewhere, and the whole is made where the first half is', async () => {
    const { run, main } = begin();
    const helper = FakeWorker.all.at(-2)!;
    expect(helper.asked.at(-1)!.path).toEqual(['snapshots']);
    expect(main.asked.at(-1)!.path).toEqual(['begin']);
    helper.answer([new Float32Array([1, 2])]);
    main.answer(undefined);
    await settle();
    await settle();
    expect(main.asked.at(-1)!.path).toEqual(['finish']);
    main.answer({ rank: 40 });
    await expect(run.result).resolves.toEqual({ rank: 40 });
    expect([helper.terminated, main.terminated]).toEqual([true, true]);
  });
  it('cancel ends both', async () => {
    const { run, main } = begin();
    const helper = FakeWorker.all.at(-2)!;
    run.cancel();
    await expect(run.result).rejects.toThrow(CancelledError);
    await settle();
    expect([helper.terminated, main.terminated]).toEqual([true, true]);
  });
});

describe('questions and long work of the Heat pages', () => {
  const settle = () => new Promise((r) => setTimeout(r));
  const modes = { digest: 'm1' } as never;
  it('a way is asked once: the same question again needs no worker', async () => {
    const way = { id: 'plate' } as never;
    const input = { nowS: 0 } as never;
    const first = wayInWorker(modes, way, input);
    await settle();
    // the worker is given the modes before it is asked
    expect(FakeWorker.last.asked.at(-1)!.path).toEqual(['use']);
    FakeWorker.last.answer(undefined);
    await settle();
    expect(FakeWorker.last.asked.at(-1)!.path).toEqual(['way']);
    FakeWorker.last.answer({ id: 'plate', setC: 110 });
    await expect(first).resolves.toEqual({ id: 'plate', setC: 110 });
    const asked = FakeWorker.last.asked.length;
    await expect(wayInWorker(modes, way, input)).resolves.toEqual({ id: 'plate', setC: 110 });
    expect(FakeWorker.last.asked).toHaveLength(asked);
    // the answering worker stays for the next question
    expect(FakeWorker.last.terminated).toBe(false);
  });

  it.each([
    ['moving', () => movingInWorker(stack, {} as never, () => {})],
    ['spot', () => spotInWorker(stack, {} as never, () => {})],
  ])('%s runs in a worker of its own that ends with it', async (name, begin) => {
    const run = begin();
    const own = FakeWorker.last;
    expect(own.asked.at(-1)!.path).toEqual([name]);
    own.answer({ readyS: 12 });
    await expect(run.result).resolves.toEqual({ readyS: 12 });
    expect(own.terminated).toBe(true);
  });

  it('a round needs the modes first, and can be cancelled', async () => {
    const run = roundInWorker(modes, {} as never, () => {});
    const own = FakeWorker.last;
    expect(own.asked.at(-1)!.path).toEqual(['use']);
    own.answer(undefined);
    await settle();
    expect(own.asked.at(-1)!.path).toEqual(['round']);
    run.cancel();
    await expect(run.result).rejects.toThrow(CancelledError);
    expect(own.terminated).toBe(true);
  });
});
