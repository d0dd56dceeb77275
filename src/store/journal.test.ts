import { demoJobs } from '../demo/shop';
import { journal } from './journal';
import { append, loadShop, repository } from './shop';
import { Local } from '../../test-support/localStore';

const mockMap = new Map<string, string>();
const mockGate = { wait: null as Promise<void> | null };
jest.mock('./channel', () => ({ tellOthers: () => {}, onOthers: () => {} }));
jest.mock('nanoid', () => {
  let n = 0;
  return { nanoid: () => `id${String(n++).padStart(18, '0')}` };
});
jest.mock('@react-native-async-storage/async-storage', () => ({
  createAsyncStorage: () => ({
    getItem: async (k: string) => mockMap.get(k) ?? null,
    setItem: async (k: string, v: string) => void mockMap.set(k, v),
    getMany: async (keys: string[]) => Object.fromEntries(keys.map((k) => [k, mockMap.get(k) ?? null])),
    setMany: async (e: Record<string, string>) => {
      if (mockGate.wait) await mockGate.wait;
      for (const [k, v] of Object.entries(e)) mockMap.set(k, v);
    },
    getAllKeys: async () => [...mockMap.keys()],
  }),
}));

const local = new Local();
Object.defineProperty(globalThis, 'localStorage', { value: local, configurable: true });

const [job] = demoJobs(Date.UTC(2026, 3, 14, 13));

beforeEach(() => {
  local.map.clear();
  mockMap.clear();
  mockGate.wait = null;
});

it('an entry stands in the journal until the storage has it, and not longer', async () => {
  let open = () => {};
  mockGate.wait = new Promise((r) => (open = r));
  const writing = append('demo-0142', 'Osk', [{ type: 'note', text: 'held back' }]);
  expect([...local.map.values()].join()).toContain('held back');
  open();
  await writing;
  expect(local.map.size).toBe(0);
});

it('a page that was reloaded before the storage answered loses nothing: the next one takes it in, once', async () => {
  await repository.write(job!);
  const lost = { ...job!.at(-1)!, id: 'lost', writer: 'gone', seq: 1 };
  local.setItem('northcove.journal.gone', JSON.stringify([lost, job![0]]));
  const log = await loadShop();
  expect(log.jobs.get('demo-0142')!.filter((e) => e.id === 'lost')).toHaveLength(1);
  expect(log.jobs.get('demo-0142')!.filter((e) => e.id === job![0]!.id)).toHaveLength(1);
  expect(local.map.size).toBe(0);
  expect([...mockMap.keys()].some((k) => k.includes('/gone/'))).toBe(true);
  expect((await loadShop()).jobs.get('demo-0142')!.filter((e) => e.id === 'lost')).toHaveLength(1);
});

it('what is no entry is left alone, and other data of the browser too', () => {
  local.setItem('northcove.journal.bad', '{"cut":');
  local.setItem('another.app', '[1]');
  expect(journal.left()).toEqual([]);
  expect(local.map.size).toBe(2);
  local.setItem('northcove.journal.odd', '[{"type":"note"}]');
  expect(journal.left()).toEqual([{ key: 'northcove.journal.odd', events: [] }]);
});
