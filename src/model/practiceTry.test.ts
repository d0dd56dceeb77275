import { demoSettings } from '../demo/shop';
import { readFile, writeShopFile, writeShopFiles } from './files';
import { joinTries, mostTries, type Try } from './practiceTry';
import { restorePlan } from './restorePlan';

const t0 = Date.UTC(2026, 3, 14, 13);
const tryOf = (n: number, more: Partial<Try> = {}): Try => ({
  ...{ id: `run-${n}`, exercise: 'heat', seed: n, way: 'guided', person: 'Osk', at: t0 + n * 60e3 },
  ...{ minutes: 6.5, heats: 1, ended: 'passed', guessK: [-4, 2.5] },
  ...more,
});
const fileOf = (tries: readonly unknown[]) => {
  const text = JSON.parse(writeShopFile(demoSettings, [], {}, t0)) as object;
  return readFile(JSON.stringify({ ...text, tries }));
};

it('exercises go out with the shop and come back as they were; a file of before them has none', () => {
  const tries = [tryOf(1), tryOf(2, { way: 'alone', ended: 'broke', guessK: [] })];
  const read = readFile(writeShopFile(demoSettings, [], {}, t0, { tries }));
  expect(read.ok && read.value.tries).toEqual(tries);
  const before = readFile(writeShopFile(demoSettings, [], {}, t0));
  expect(before.ok && before.value.tries).toEqual([]);
  for (const part of writeShopFiles(demoSettings, [], {}, t0, { tries })) {
    const one = readFile(part);
    expect(one.ok && one.value.tries).toEqual(tries);
  }
});

it.each([
  [{ minutes: -1 }, /^tries\.0\.minutes: /],
  [{ minutes: 'six' }, /^tries\.0\.minutes: /],
  [{ way: 'asleep' }, /^tries\.0\.way: /],
  [{ id: '' }, /^tries\.0\.id: /],
  [{ seed: 1.5 }, /^tries\.0\.seed: /],
  [{ guessK: [1e9] }, /^tries\.0\.guessK\.0: /],
])('one that cannot be is named by its field, and nothing is taken: %j', (bad, problem) => {
  const read = fileOf([{ ...tryOf(1), ...bad }, tryOf(2)]);
  expect(read.ok).toBe(false);
  expect(!read.ok && read.problem).toMatch(problem);
});

it('a list that is none is named', () => {
  const read = fileOf('none' as unknown as unknown[]);
  expect(!read.ok && read.problem).toMatch(/^tries: /);
});

it('two lists are one: each once, by when they ended, and of too many the oldest go', () => {
  const here = [tryOf(1), tryOf(3)];
  const more = [tryOf(2), tryOf(3, { minutes: 99 }), tryOf(2)];
  const both = joinTries(here, more);
  expect(both.map((t) => t.id)).toEqual(['run-1', 'run-2', 'run-3']);
  // what stands here stays as it is
  expect(both[2]!.minutes).toBe(6.5);
  // in either order, and again, it is the same list
  expect(joinTries(more.slice(0, 1), here).map((t) => t.id)).toEqual(['run-1', 'run-2', 'run-3']);
  expect(joinTries(both, both)).toEqual(both);
  const full = joinTries(
    Array.from({ length: mostTries }, (_, i) => tryOf(i)),
    [tryOf(mostTries + 5)],
  );
  expect(full).toHaveLength(mostTries);
  expect([full[0]!.id, full.at(-1)!.id]).toEqual(['run-1', `run-${mostTries + 5}`]);
});

it('before a file is taken in it is said how many of its exercises are new', () => {
  const read = readFile(writeShopFile(demoSettings, [], {}, t0, { tries: [tryOf(1), tryOf(2)] }));
  if (!read.ok) throw new Error(read.problem);
  const here = { jobs: new Map(), settings: demoSettings, devices: [] };
  expect(restorePlan(read.value, { ...here, tries: [] }, new Set()).tries).toBe(2);
  expect(restorePlan(read.value, { ...here, tries: [{ id: 'run-2' }] }, new Set()).tries).toBe(1);
});
