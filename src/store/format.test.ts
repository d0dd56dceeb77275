import stored from '../../test-support/fixtures/stored-format-1.json';
import { MemoryStorage } from '../../test-support/memoryStorage';
import { demoSettings } from '../demo/shop';
import { foldJob } from '../model/fold';
import { Repository } from './repository';
import { StorageFullError } from './storageErrors';
import { storageFormat } from './version';

const t0 = Date.UTC(2026, 3, 14, 13);
let n = 0;
const on = (storage: MemoryStorage) => {
  const id = `f${n++}`;
  let k = 0;
  return new Repository(storage, { now: () => t0 + 1000, uuid: () => `${id}-${k++}-aaaaaaaaaaaa` });
};
async function with1(more: Record<string, string> = {}): Promise<MemoryStorage> {
  const storage = new MemoryStorage();
  await storage.setMany({ ...stored, ...more });
  return storage;
}
const all = async (s: MemoryStorage) => s.getMany((await s.getAllKeys()).sort());

it('data as version 0.1 stored it is read whole: jobs, settings, an own model, and nothing is set aside', async () => {
  const log = await on(await with1()).load();
  expect(log.problems).toEqual([]);
  expect(log.trouble).toBeNull();
  expect([...log.jobs.keys()].sort()).toEqual(['demo-0137', 'demo-0142']);
  const jobs = [...log.jobs.values()].map((l) => foldJob(l)!);
  expect(jobs.map((j) => j.label).sort()).toEqual(['J-0137', 'J-0142']);
  expect(log.jobs.get('demo-0142')!.some((e) => e.type === 'note' && e.text === 'kept')).toBe(true);
  expect(log.settings.people).toEqual(demoSettings.people);
  expect(log.devices.map((d) => [d.id, d.version])).toEqual([['ring54', 2]]);
});

it('the first entry that is written says of which format it all is; it is said once', async () => {
  const storage = new MemoryStorage();
  const r = on(storage);
  await r.load();
  expect(await storage.getItem('extra/format')).toBeNull();
  await r.write(r.make('j1', 'Osk', [{ type: 'note', text: 'a' }]));
  expect(await storage.getItem('extra/format')).toBe(String(storageFormat));
});

it('what a later version wrote is not read, not written to and not lost: it says so, and goes on in memory', async () => {
  const storage = await with1({ 'extra/format': String(storageFormat + 1) });
  const before = await all(storage);
  const r = on(storage);
  const log = await r.load();
  expect(log.trouble).toBe('newer');
  expect(log.jobs.size).toBe(0);
  expect(await r.write(r.make('j1', 'Osk', [{ type: 'note', text: 'a' }]))).toBe(false);
  expect(r.pending).toHaveLength(1);
  await expect(r.saveSettings(demoSettings)).rejects.toThrow(StorageFullError);
  expect(await all(storage)).toEqual(before);
  // the later version has gone, or was put back: what waited is written
  await storage.setItem('extra/format', String(storageFormat));
  expect(await r.write([])).toBe(true);
  const after = await on(storage).load();
  expect(after.jobs.get('j1')).toHaveLength(1);
  expect(after.jobs.size).toBe(3);
});
