import { demoJobs } from '../demo/shop';
import { foldJob } from '../model/fold';
import { defaultSettings } from '../model/defaultSettings';
import { shippedDevices } from '../model/shippedDevices';
import { packFrom, readPack, writePack } from './pack';
import { MemoryStorage } from '../../test-support/memoryStorage';
import { type Storage } from './stored';
import { Repository } from './repository';
import { StorageFullError } from './storageErrors';

const t0 = Date.UTC(2026, 3, 14, 13);
let n = 0;
const open = (storage: Storage) => {
  const id = `w${n++}`;
  let k = 0;
  return new Repository(storage, { now: () => t0 + 1000, uuid: () => `${id}-${k++}-aaaaaaaaaaaa` });
};

const job = demoJobs(t0)[0]!;
const jobId = job[0]!.jobId;

it('what was written is there after a restart', async () => {
  const storage = new MemoryStorage();
  const r = open(storage);
  await r.merge(job, new Set());
  await r.write(r.make(jobId, 'Osk', [{ type: 'charge', percent: 12 }]));
  const log = await open(storage).load();
  expect(foldJob(log.jobs.get(jobId)!)!.chargePercent).toBe(12);
  expect(log.problems).toEqual([]);
});

it('two tabs write side by side and lose nothing', async () => {
  const storage = new MemoryStorage();
  const [a, b] = [open(storage), open(storage)];
  await a.merge(job, new Set());
  await Promise.all([
    a.write(a.make(jobId, 'A', [{ type: 'note', text: 'from a' }])),
    b.write(b.make(jobId, 'B', [{ type: 'note', text: 'from b' }])),
    a.write(a.make(jobId, 'A', [{ type: 'note', text: 'again a' }])),
  ]);
  const notes = foldJob((await open(storage).load()).jobs.get(jobId)!)!.notes.map((e) => e.text);
  expect(notes.sort()).toEqual(['again a', 'from a', 'from b']);
});

it('a full storage loses nothing: entries stay, are counted, and are written when there is room', async () => {
  const storage = new MemoryStorage();
  const r = open(storage);
  await r.merge(job, new Set());
  storage.full = true;
  expect(await r.write(r.make(jobId, 'A', [{ type: 'note', text: 'late' }]))).toBe(false);
  expect(r.pending).toHaveLength(1);
  expect(foldJob((await r.load()).jobs.get(jobId)!)!.notes[0]!.text).toBe('late');
  await expect(r.merge(demoJobs(t0)[1]!, new Set())).rejects.toThrow(StorageFullError);
  expect(r.pending).toHaveLength(1);
  storage.full = false;
  expect(await r.write([])).toBe(true);
  expect(r.pending).toHaveLength(0);
  expect(foldJob((await open(storage).load()).jobs.get(jobId)!)!.notes).toHaveLength(1);
});

it('corrupted entries are named and kept; the rest is read', async () => {
  const storage = new MemoryStorage();
  await open(storage).merge(job, new Set());
  const keys = [...storage.map.keys()];
  const cutKey = keys[4]!;
  const wrongKey = keys[5]!;
  storage.map.set(cutKey, storage.map.get(cutKey)!.slice(0, 20));
  storage.map.set(wrongKey, '{"v":1,"type":"charge","at":"x"}');
  storage.map.set('settings', '{"version":1}');
  const log = await open(storage).load();
  expect(log.problems.map((p) => p.key).sort()).toEqual([cutKey, 'settings', wrongKey].sort());
  expect(log.settings).toMatchObject({ people: defaultSettings.people, plate: defaultSettings.plate });
  expect(log.jobs.get(jobId)!.length).toBe(job.length - 2);
  expect(storage.map.get(cutKey)).toHaveLength(20);
});

it('taking a file in twice adds nothing', async () => {
  const storage = new MemoryStorage();
  const r = open(storage);
  expect(await r.merge(job, new Set())).toEqual({ fresh: job.length, clashed: 0 });
  const known = new Set((await r.load()).jobs.get(jobId)!.map((e) => e.id));
  expect(await r.merge(job, known)).toEqual({ fresh: 0, clashed: 0 });
});

it('an instant in the future is noted as now', () => {
  const [e] = open(new MemoryStorage()).make(jobId, 'A', [{ type: 'clampOff', early: false }], t0 + 1e9);
  expect(e!.at).toBe(t0 + 1000);
});

it('caches are extras: a full storage refuses them without harm, and they do not count as jobs', async () => {
  const storage = new MemoryStorage();
  const r = open(storage);
  expect(await r.writeExtra('modes/x', 'data')).toBe(true);
  expect(await r.isEmpty()).toBe(true);
  storage.full = true;
  expect(await r.writeExtra('modes/y', 'data')).toBe(false);
  expect(await r.readExtra('modes/x')).toBe('data');
});

describe('device models and pictures', () => {
  const ring = shippedDevices[0]!;

  it('every version of a model is an entry of its own; one that cannot be read is set aside and kept', async () => {
    const storage = new MemoryStorage();
    const repo = open(storage);
    await repo.saveDevice({ ...ring, version: 2 });
    await repo.saveDevice({ ...ring, version: 3, name: 'later' });
    storage.map.set('device/bad/1', '{"id":"bad"}');
    const log = await repo.load();
    expect(log.devices.map((d) => d.version)).toEqual([2, 3]);
    expect(log.problems[0]).toMatchObject({ key: 'device/bad/1', raw: '{"id":"bad"}' });
  });

  it('pictures are read back as they were kept; what is no picture is not shown', async () => {
    const storage = new MemoryStorage();
    const repo = open(storage);
    await repo.savePhoto('p1', 'data:image/jpeg;base64,AAAA');
    storage.map.set('photo/p2', 'javascript:alert(1)');
    expect(await repo.readPhotos(['p1', 'p2', 'p3'])).toEqual({ p1: 'data:image/jpeg;base64,AAAA' });
    await repo.dropPhoto('p1');
    expect(await repo.readPhotos(['p1'])).toEqual({});
  });

  it('a full storage says so, and a file is taken in as a whole or not at all', async () => {
    const storage = new MemoryStorage();
    const repo = open(storage);
    storage.full = true;
    await expect(repo.saveDevice(ring)).rejects.toThrow('the storage of this browser is full');
    await expect(repo.merge([], new Set(), { photos: { a: 'data:image/jpeg;base64,AAAA' } })).rejects.toThrow('full');
    expect(storage.map.size).toBe(0);
  });
});

describe('many entries in one piece', () => {
  const many = () => {
    const storage = new MemoryStorage();
    const events = Array.from({ length: packFrom + 40 }, (_, i) => ({ ...job[i ? 1 : 0]!, id: `m${i}`, seq: i }));
    for (const e of events)
      storage.map.set(`job/${e.jobId}/${e.writer}/${String(e.seq).padStart(8, '0')}`, JSON.stringify(e));
    return { storage, events };
  };
  const packed = async (storage: MemoryStorage) => {
    jest.useFakeTimers();
    const first = await open(storage).load();
    await jest.advanceTimersByTimeAsync(5000);
    jest.useRealTimers();
    return first;
  };

  it('is read from the piece next time, and only what is new is read by itself', async () => {
    const { storage, events } = many();
    const first = await packed(storage);
    expect(storage.map.has('extra/pack')).toBe(true);
    const asked: string[][] = [];
    const { getMany } = storage;
    storage.getMany = async (keys) => {
      asked.push(keys);
      return getMany(keys);
    };
    await open(storage).write([{ ...job[1]!, id: 'new', seq: 99_999 }]);
    const again = await open(storage).load();
    expect(again.jobs.get(jobId)).toHaveLength(events.length + 1);
    expect(again.jobs.get(jobId)!.slice(0, 5)).toEqual(first.jobs.get(jobId)!.slice(0, 5));
    expect(asked.map((k) => k.filter((x) => x.startsWith('job/')).length)).toEqual([1]);
  });

  it('an entry that is gone from the store does not come back with the piece', async () => {
    const { storage, events } = many();
    await packed(storage);
    storage.map.delete(`job/${jobId}/${events[7]!.writer}/00000007`);
    expect((await open(storage).load()).jobs.get(jobId)).toHaveLength(events.length - 1);
  });

  it('a piece that was cut off or changed is left aside, and nothing is lost', async () => {
    const { storage, events } = many();
    await packed(storage);
    const text = storage.map.get('extra/pack')!;
    for (const broken of [text.slice(0, -20), text.replace('m7', 'x7'), 'nonsense', '']) {
      storage.map.set('extra/pack', broken);
      const log = await open(storage).load();
      expect(log.jobs.get(jobId)).toHaveLength(events.length);
      expect(log.jobs.get(jobId)!.some((e) => e.id === 'x7')).toBe(false);
      expect(log.problems).toEqual([]);
    }
    expect(readPack(writePack(job))).toEqual(job);
  });

  it('goes first when the storage is full', async () => {
    const { storage } = many();
    await packed(storage);
    const { setMany } = storage;
    storage.setMany = async (entries) => {
      if (storage.map.has('extra/pack')) throw new Error('quota exceeded');
      return setMany(entries);
    };
    expect(await open(storage).write([{ ...job[1]!, id: 'late', seq: 99_998 }])).toBe(true);
    expect(storage.map.has('extra/pack')).toBe(false);
  });
});

it('an original that was spoiled after the pack was written is named, and its copy outlives the pack', async () => {
  const storage = new MemoryStorage();
  const r = open(storage);
  await r.merge(job, new Set());
  const notes = r.make(
    jobId,
    'A',
    Array.from({ length: packFrom }, (_, i) => ({ type: 'note' as const, text: `line ${i}` })),
  );
  await r.write(notes);
  await storage.setItem('extra/pack', writePack([...job, ...notes]));
  const key = [...storage.map.keys()].find((k) => storage.map.get(k)!.includes('line 7"'))!;
  storage.map.set(key, '{"v":1,');
  const log = await open(storage).load();
  expect(log.problems).toEqual([]);
  expect(await r.checkOriginals(log.fromPack)).toEqual([expect.objectContaining({ key, raw: '{"v":1,' })]);
  await storage.removeItem('extra/pack');
  const later = await open(storage).load();
  expect(later.jobs.get(jobId)).toHaveLength(job.length + notes.length);
  expect(later.problems.map((p) => p.key)).toEqual([key]);
});
