import { FakeWorker } from '../../test-support/fakeWorker';
import { atOnceChars, pressureLogOf, thermoLogOf } from './filesClient';
import { CancelledError } from './longRun';

const mockStart = jest.fn(() => new FakeWorker());
jest.mock('./startFiles', () => ({ startFiles: () => mockStart() }));

// Node has none: whether there is one decides where a long file is read
beforeEach(() => void Object.assign(globalThis, { Worker: FakeWorker }));
afterEach(() => void Reflect.deleteProperty(globalThis, 'Worker'));

const lines = (n: number) => `time s;probe °C\n${Array.from({ length: n }, (_, i) => `${i};22.5`).join('\n')}`;

it('a short file is read at once, without a worker; a wrong one is refused with its line', async () => {
  await expect(thermoLogOf(lines(50), {}, () => {}).result).resolves.toMatchObject({ unit: 'C', skipped: 0 });
  await expect(thermoLogOf(`${lines(3)}\n2;red`, {}, () => {}).result).rejects.toThrow('log, line 5: "red"');
  expect(mockStart).not.toHaveBeenCalled();
});

it('a long file goes to a worker, whose end is the cancel', async () => {
  const long = lines(20_000);
  expect(long.length).toBeGreaterThan(atOnceChars);
  const run = thermoLogOf(long, {}, () => {});
  expect(FakeWorker.last.asked.at(-1)!.path).toEqual(['thermo']);
  run.cancel();
  await expect(run.result).rejects.toThrow(CancelledError);
  expect(FakeWorker.last.terminated).toBe(true);
  const other = pressureLogOf(long, () => {});
  FakeWorker.last.answer({ t: [], p: [] });
  await expect(other.result).resolves.toEqual({ t: [], p: [] });
});

it('says how far it is, in order and up to the end', async () => {
  const { readThermoLog } = jest.requireActual<typeof import('@/model/thermoLog')>('@/model/thermoLog');
  const shares: number[] = [];
  readThermoLog(lines(40_000), {}, (s) => shares.push(s));
  expect(shares.length).toBeGreaterThan(8);
  expect(shares).toEqual([...shares].sort((a, b) => a - b));
  expect(shares.at(-1)!).toBeGreaterThan(0.9);
});

it('without workers a long file is read on the page', async () => {
  Reflect.deleteProperty(globalThis, 'Worker');
  await expect(thermoLogOf(lines(20_000), {}, () => {}).result).resolves.toMatchObject({ unit: 'C' });
});
