import { judgement, setOwnFigures } from '@/core/source';
import { mirrorFigures, setFiguresFirst } from './ownFigures';

const kept = new Map<string, string>();
let full = false;
beforeEach(() => {
  kept.clear();
  full = false;
  globalThis.localStorage = {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => {
      if (full) throw new Error('QuotaExceededError');
      kept.set(k, v);
    },
    removeItem: (k: string) => void kept.delete(k),
  } as unknown as Storage;
});
afterEach(() => setOwnFigures({}));

const own = { 'judgement 2 x': { value: 3, because: 'counted' } };

it('is there before anything is computed with the next load, and asks for that load once', () => {
  expect(mirrorFigures({})).toBe(false);
  expect(mirrorFigures(own)).toBe(true);
  expect(mirrorFigures({ ...own })).toBe(false);
  setFiguresFirst();
  expect(judgement(2, 'x').value).toBe(3);
  expect([mirrorFigures({}), kept.size, mirrorFigures({})]).toEqual([true, 0, false]);
});

it('never loads a page for ever: keys that mean something to objects, a full storage, a text of somebody else', () => {
  const hostile = JSON.parse(
    '{"__proto__":{"value":3,"because":"x"},"toString":{"value":1,"because":"y"}}',
  ) as typeof own;
  expect([mirrorFigures(hostile), mirrorFigures(hostile)]).toEqual([true, false]);
  setFiguresFirst();
  expect(judgement(2, 'x').value).toBe(2);
  full = true;
  expect([mirrorFigures(own), mirrorFigures(own)]).toEqual([false, false]);
  full = false;
  kept.set('northcove.figures', 'not a text of ours');
  expect([mirrorFigures(own), mirrorFigures(own)]).toEqual([true, false]);
});
