import type { Try } from '@/model/practiceTry';
import { noteTries, noteTry, readTries } from './practiceTries';

const mockExtra = new Map<string, string>();
let mockFull = false;
const mockSeen: unknown[] = [];
jest.mock('./shop', () => ({
  queryClient: { setQueryData: (_: unknown, list: unknown) => void mockSeen.push(list) },
  repository: {
    readExtra: async (k: string) => mockExtra.get(k) ?? null,
    writeExtra: async (k: string, v: string) => {
      if (mockFull) return false;
      mockExtra.set(k, v);
      return true;
    },
  },
}));

const tryOf = (n: number): Try => ({
  ...{ id: `run-${n}`, exercise: 'heat', seed: n, way: 'guided', person: 'Osk', at: 1000 * n },
  ...{ minutes: 6.5, heats: 1, ended: 'passed', guessK: [] },
});
const ids = async () => (await readTries()).map((t) => t.id);

beforeEach(() => {
  mockExtra.clear();
  mockSeen.length = 0;
  mockFull = false;
});

it('what was ended is kept once, in its order, and told to whoever looks', async () => {
  await noteTry(tryOf(2));
  await noteTry(tryOf(2));
  await noteTries([tryOf(3), tryOf(1)]);
  expect(await ids()).toEqual(['run-1', 'run-2', 'run-3']);
  expect(mockSeen).toHaveLength(2);
});

it('taken in once more from the same file, nothing is written', async () => {
  await noteTries([tryOf(1), tryOf(2)]);
  mockFull = true;
  await expect(noteTries([tryOf(2), tryOf(1)])).resolves.toBeUndefined();
});

it('without room a file is refused, and an exercise is over all the same', async () => {
  await noteTry(tryOf(1));
  mockFull = true;
  await expect(noteTries([tryOf(2)])).rejects.toThrow(/storage/);
  await expect(noteTry(tryOf(2))).resolves.toBeUndefined();
  expect(await ids()).toEqual(['run-1']);
});

it.each(['', 'no json', '{"id":1}', 'null'])('where something else stands there is none: %j', async (text) => {
  mockExtra.set('practice.tries', text);
  expect(await readTries()).toEqual([]);
  await noteTry(tryOf(4));
  expect(await ids()).toEqual(['run-4']);
});

it('of a list of which one cannot be read the others count', async () => {
  mockExtra.set('practice.tries', JSON.stringify([tryOf(1), { ...tryOf(2), minutes: 'six' }, tryOf(3)]));
  expect(await ids()).toEqual(['run-1', 'run-3']);
});
