import 'fake-indexeddb/auto';

import { MemoryStorage } from '../../test-support/memoryStorage';
import { demoJobs } from '../demo/shop';
import { directStorage, reopening, troubleOf, writtenBy } from './reopening';
import { Repository } from './repository';

const t0 = Date.UTC(2026, 3, 14, 13);
const job = demoJobs(t0)[0]!;
const closing = () =>
  new Error("Failed to execute 'transaction' on 'IDBDatabase': The database connection is closing.");

it('a connection that ended is opened again, and what was asked is asked there', async () => {
  const [dead, fresh] = [new MemoryStorage(), new MemoryStorage()];
  let ended = false;
  dead.delay = async () => {
    if (ended) throw closing();
  };
  const s = reopening(dead, () => fresh);
  await s.setItem('a', '1');
  ended = true;
  await s.setItem('b', '2');
  expect(fresh.map.get('b')).toBe('2');
  await s.setMany({ c: '3' });
  expect(await s.getItem('c')).toBe('3');
});

it('a storage that is full is not opened again: it says so', async () => {
  const full = new MemoryStorage();
  full.full = true;
  const again = jest.fn(() => new MemoryStorage());
  await expect(reopening(full, again).setItem('a', '1')).rejects.toThrow('quota');
  expect(again).not.toHaveBeenCalled();
});

it('tells full from closed', () => {
  expect(troubleOf(new DOMException('x', 'QuotaExceededError'))).toBe('full');
  expect(troubleOf(new Error('full'))).toBe('full');
  expect(troubleOf(closing())).toBe('closed');
  expect(troubleOf(new DOMException('gone', 'InvalidStateError'))).toBe('closed');
});

it('a database that is refused: entries stay in memory and in the export, settings that were not read are not written over', async () => {
  const refused = new MemoryStorage();
  const fail = async () => {
    throw closing();
  };
  refused.getAllKeys = fail;
  refused.getItem = fail;
  refused.delay = fail;
  let k = 0;
  const r = new Repository(refused, { now: () => t0, uuid: () => `w${k++}-aaaaaaaaaaaaaaaa` });
  const made = r.make(job[0]!.jobId, 'Osk', [{ type: 'note', text: 'kept' }]);
  expect(await r.write(made)).toBe(false);
  const log = await r.load();
  expect(log.trouble).toBe('closed');
  expect([...log.jobs.values()].flat().map((e) => e.id)).toEqual([made[0]!.id]);
  await expect(r.saveSettings({ ...log.settings, roomC: 25 })).rejects.toThrow(/storage/);
});

describe('written by a transaction that is closed at once', () => {
  const keptIn = async (name: string) => {
    const d = directStorage(name);
    return (await d.getAllKeys()).sort();
  };

  it('what another connection reads is there when the write is done', async () => {
    const read = directStorage('shop-1');
    const s = writtenBy(directStorage('shop-1', true), read);
    await s.setMany({ 'job/a/w/1': 'x', 'job/a/w/2': 'y' });
    expect(await read.getMany(['job/a/w/1', 'job/a/w/2'])).toEqual({ 'job/a/w/1': 'x', 'job/a/w/2': 'y' });
  });

  it('many entries are read in one go: the same as one by one, what is not there is null', async () => {
    const s = directStorage('shop-3', true);
    const all = Object.fromEntries(Array.from({ length: 700 }, (_, i) => [`job/${i % 7}/w/${i}`, `v${i}`]));
    await s.setMany(all);
    const wanted = Object.keys(all).filter((_, i) => i % 3);
    expect(await s.getMany([...wanted, 'job/9/none'])).toEqual({
      ...Object.fromEntries(wanted.map((k) => [k, all[k]])),
      'job/9/none': null,
    });
  });

  it('many are taken out in one go; one that is refused leaves them all, and a connection that is gone asks the other', async () => {
    const s = directStorage('shop-4', true);
    const keys = Array.from({ length: 300 }, (_, i) => `job/a/w/${i}`);
    // a neighbour stays between each three
    const stay = ['settings', ...keys.filter((_, i) => i % 3 === 0).map((k) => `${k}x`)].sort();
    await s.setMany(Object.fromEntries([...keys, ...stay].map((k) => [k, 'v'])));
    const real = IDBObjectStore.prototype.delete;
    let n = 0;
    IDBObjectStore.prototype.delete = function (...a: Parameters<typeof real>) {
      if (n++ === 50) throw new DOMException('gone', 'UnknownError');
      return real.apply(this, a);
    };
    await expect(s.removeMany(keys)).rejects.toThrow('gone');
    IDBObjectStore.prototype.delete = real;
    expect(await keptIn('shop-4')).toHaveLength(300 + stay.length);
    const gone = new MemoryStorage();
    gone.removeMany = async () => {
      throw closing();
    };
    await writtenBy(gone, s).removeMany(keys);
    expect(await keptIn('shop-4')).toEqual(stay);
  });

  it('a batch of which one is refused at once leaves nothing of it', async () => {
    const direct = directStorage('shop-2', true);
    const real = IDBObjectStore.prototype.put;
    let n = 0;
    IDBObjectStore.prototype.put = function (...a: Parameters<typeof real>) {
      if (n++ === 1) throw new DOMException('no room', 'QuotaExceededError');
      return real.apply(this, a);
    };
    const s = writtenBy(direct, new MemoryStorage());
    await expect(s.setMany({ a: '1', b: '2' })).rejects.toThrow('no room');
    IDBObjectStore.prototype.put = real;
    expect(await keptIn('shop-2')).toEqual([]);
    await s.setMany({ c: '3' });
    expect(await keptIn('shop-2')).toEqual(['c']);
  });

  it('a connection that is gone: the other one writes', async () => {
    const gone = new MemoryStorage();
    gone.delay = async () => {
      throw closing();
    };
    const read = new MemoryStorage();
    await writtenBy(gone, read).setMany({ a: '1' });
    expect(read.map.get('a')).toBe('1');
  });
});
