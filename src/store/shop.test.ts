import { demoJobs, demoSettings } from '../demo/shop';
import { foldJob } from '../model/fold';
import { shippedDevices } from '../model/shippedDevices';
import { newestDevices } from './newest';
import { append, queryClient, repository, retryPending, saveSettings, storage, takeIn } from './shop';
import { foldCached } from './folded';
import type { ShopLog } from './stored';

const mockMap = new Map<string, string>();
const mockFault = { full: false };
jest.mock('./channel', () => ({ tellOthers: () => {}, onOthers: () => {} }));
jest.mock('nanoid', () => {
  let n = 0;
  return { nanoid: () => `id${String(n++).padStart(18, '0')}` };
});
jest.mock('@react-native-async-storage/async-storage', () => ({
  createAsyncStorage: () => {
    const put = (e: Record<string, string>) => {
      if (mockFault.full) throw new Error('full');
      for (const [k, v] of Object.entries(e)) mockMap.set(k, v);
    };
    return {
      getItem: async (k: string) => mockMap.get(k) ?? null,
      setItem: async (k: string, v: string) => put({ [k]: v }),
      getMany: async (keys: string[]) => Object.fromEntries(keys.map((k) => [k, mockMap.get(k) ?? null])),
      setMany: async (e: Record<string, string>) => put(e),
      getAllKeys: async () => [...mockMap.keys()],
    };
  },
}));

const t0 = Date.UTC(2026, 3, 14, 13);
const [first, second] = demoJobs(t0) as [ReturnType<typeof demoJobs>[0], ReturnType<typeof demoJobs>[0]];
const jobId = first[0]!.jobId;
const shown = () => queryClient.getQueryData<ShopLog>(['log'])!;
const load = () => queryClient.fetchQuery({ queryKey: ['log'], queryFn: () => repository.load(), staleTime: 0 });

beforeEach(async () => {
  mockFault.full = false;
  mockMap.clear();
  repository.pending.length = 0;
  repository.own.clear();
  queryClient.clear();
  await takeIn([first], demoSettings);
  await load();
});

it('an entry is on screen at once and in the storage after', async () => {
  const writing = append(jobId, 'Osk', [{ type: 'note', text: 'now' }]);
  expect(foldJob(shown().jobs.get(jobId)!)!.notes[0]!.text).toBe('now');
  const [made] = await writing;
  expect([...mockMap.values()].some((v) => v.includes(made!.id))).toBe(true);
  await load();
  expect(foldJob(shown().jobs.get(jobId)!)!.notes).toHaveLength(1);
});

it('a refused entry stays, is counted, and is written on retry', async () => {
  mockFault.full = true;
  await append(jobId, 'Osk', [{ type: 'note', text: 'late' }]);
  expect(shown().unsaved).toBe(1);
  expect(foldJob(shown().jobs.get(jobId)!)!.notes).toHaveLength(1);
  expect(await retryPending()).toBe(false);
  mockFault.full = false;
  expect(await retryPending()).toBe(true);
  expect(shown().unsaved).toBe(0);
});

it('a file is taken in as a whole or not at all, and once', async () => {
  mockFault.full = true;
  await expect(takeIn([second], null)).rejects.toThrow(/nothing was taken in/);
  mockFault.full = false;
  await load();
  expect(shown().jobs.size).toBe(1);
  expect(await takeIn([first, second], null)).toEqual({ fresh: second.length, clashed: 0 });
  expect(await takeIn([first, second], null)).toEqual({ fresh: 0, clashed: 0 });
});

it('settings are shown at once, and a refusal is told to the caller', async () => {
  await saveSettings({ ...demoSettings, roomC: 18 });
  expect(shown().settings.roomC).toBe(18);
  mockFault.full = true;
  await expect(saveSettings({ ...demoSettings, roomC: 19 })).rejects.toThrow('full');
  expect(await storage.getItem('settings')).toContain('"roomC":18');
});

it('folding is done once per log', () => {
  const events = shown().jobs.get(jobId)!;
  expect(foldCached(events)).toBe(foldCached(events));
  expect(foldCached([...events])).not.toBe(foldCached(events));
});

it('the newest version of a model stands in the list, the shop’s own before the shipped ones', () => {
  const ring = shippedDevices[0]!;
  const list = newestDevices([
    { ...ring, version: 2 },
    { ...ring, version: 3, name: 'wider' },
    { ...ring, id: 'mine', version: 1 },
  ]);
  expect(list).toHaveLength(shippedDevices.length + 1);
  expect(list.slice(0, 2).every((d) => d.own)).toBe(true);
  expect(list.find((d) => d.device.id === ring.id)).toMatchObject({ own: true, device: { name: 'wider', version: 3 } });
  expect(newestDevices([]).every((d) => !d.own)).toBe(true);
});
