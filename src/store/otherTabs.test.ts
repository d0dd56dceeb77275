import { QueryObserver } from '@tanstack/react-query';

import { demoJobs, demoSettings } from '../demo/shop';
import type { ShopLog } from './stored';
import { loadShop, queryClient, repository, shopNow, takeIn } from './shop';

const mockMap = new Map<string, string>();
/** a reading waits here until it is let go */
const mockGate = { held: null as Promise<void> | null };
jest.mock('./channel', () => {
  const told: (() => void)[] = [];
  return { tellOthers: () => {}, onOthers: (f: () => void) => void told.push(f), told };
});
jest.mock('@react-native-async-storage/async-storage', () => ({
  createAsyncStorage: () => ({
    getItem: async (k: string) => mockMap.get(k) ?? null,
    setItem: async (k: string, v: string) => void mockMap.set(k, v),
    getMany: async (keys: string[]) => {
      const found = Object.fromEntries(keys.map((k) => [k, mockMap.get(k) ?? null]));
      await mockGate.held;
      return found;
    },
    setMany: async (e: Record<string, string>) => Object.entries(e).forEach(([k, v]) => mockMap.set(k, v)),
    getAllKeys: async () => [...mockMap.keys()],
  }),
}));

const [first, second] = demoJobs(Date.UTC(2026, 3, 14, 13)) as ReturnType<typeof demoJobs>;

it('what another tab writes while the first reading is under way is shown when that has ended', async () => {
  await takeIn([first!], demoSettings);
  queryClient.clear();
  let letGo = () => {};
  mockGate.held = new Promise((done) => (letGo = done));
  const watched = new QueryObserver<ShopLog>(queryClient, { queryKey: ['log'], queryFn: loadShop });
  const stop = watched.subscribe(() => {});
  const reading = shopNow();
  await new Promise((r) => setTimeout(r, 20));
  // the other tab writes past what was read, and tells it
  await repository.merge(second!, new Set(), {});
  for (const f of jest.requireMock<{ told: (() => void)[] }>('./channel').told) f();
  mockGate.held = null;
  letGo();
  expect((await reading).jobs.has(first![0]!.jobId)).toBe(true);
  for (let i = 0; i < 50 && !watched.getCurrentResult().data?.jobs.has(second![0]!.jobId); i++)
    await new Promise((r) => setTimeout(r, 10));
  expect(watched.getCurrentResult().data!.jobs.has(second![0]!.jobId)).toBe(true);
  stop();
});
