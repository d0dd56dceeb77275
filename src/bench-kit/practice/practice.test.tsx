import type { PracticeRun } from '@/store/practice';
import { defaultSettings } from '@/model/defaultSettings';

type Store = typeof import('@/store/practice');

let at = 0;
const run: PracticeRun = {
  ...{ id: 'practice-heat-1-abc', exercise: 'heat', seed: 1, way: 'guided', person: 'Bench' },
  ...{ startMs: 1_000_000, simMs: 0, speed: 4, events: [], settings: defaultSettings, acts: [], guesses: [] },
};
/** The module as a page has it that was just loaded. */
function fresh(): Store {
  let store: Store | null = null;
  jest.isolateModules(() => {
    store = jest.requireActual<Store>('@/store/practice');
  });
  return store!;
}
const goTo = (path: string) => window.history.pushState({}, '', path);
const hide = (hidden: boolean) => {
  Object.defineProperty(document, 'visibilityState', { value: hidden ? 'hidden' : 'visible', configurable: true });
  document.dispatchEvent(new Event('visibilitychange'));
};

beforeEach(() => {
  localStorage.clear();
  at = 5000;
  jest.spyOn(performance, 'now').mockImplementation(() => at);
  hide(false);
});
afterEach(() => {
  jest.restoreAllMocks();
  goTo('/');
});

it('its clock counts on its own pages only, at its own speed, and stands while nobody looks', () => {
  const store = fresh();
  store.beginPractice(run);
  goTo(`/jobs/${run.id}/heat`);
  at += 1000;
  expect(store.practiceNowMs()).toBe(1_004_000);
  store.changePractice((r) => ({ ...r, speed: 20 }));
  at += 1000;
  expect(store.practiceNowMs()).toBe(1_024_000);
  store.changePractice((r) => ({ ...r, speed: 0 }));
  at += 60_000;
  expect(store.practiceNowMs()).toBe(1_024_000);
  store.changePractice((r) => ({ ...r, speed: 1 }));
  // an hour with the page hidden
  hide(true);
  at += 3_600_000;
  hide(false);
  at += 2000;
  expect(store.practiceNowMs()).toBe(1_026_000);
  for (const path of ['/', '/jobs/demo-0143/heat', '/practice']) {
    goTo(path);
    expect(store.practiceNowMs()).toBeNull();
    expect(store.inPractice()).toBe(false);
  }
});

it('a reload finds it where it was; what is no exercise is none', () => {
  const first = fresh();
  first.beginPractice(run);
  goTo(`/jobs/${run.id}/lift`);
  at += 3000;
  first.changePractice((r) => ({ ...r, acts: [{ atS: 12, dtS: 1, action: { kind: 'wait' } }] }));
  at = 100;
  const again = fresh();
  expect(again.practiceRun()).toMatchObject({ id: run.id, acts: [{ atS: 12 }], simMs: 12_000 });
  expect(again.practiceNowMs()).toBe(1_012_000);
  again.endPractice();
  expect(fresh().practiceRun()).toBeNull();
  for (const text of [
    '{',
    'null',
    '[]',
    JSON.stringify({ ...run, id: 'demo-0143' }),
    JSON.stringify({ ...run, speed: 900 }),
    JSON.stringify({ ...run, events: 'x' }),
    JSON.stringify({ ...run, simMs: null }),
  ]) {
    localStorage.setItem('northcove.practice', text);
    expect(fresh().practiceRun()).toBeNull();
  }
});

it('a storage that is full ends nothing', () => {
  const store = fresh();
  jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  store.beginPractice(run);
  store.changePractice((r) => ({ ...r, guesses: [{ atS: 1, tC: 60 }] }));
  expect(store.practiceRun()!.guesses).toHaveLength(1);
});

it('two devices: each side sees what was done on it, entries go to their own log, a broken second one is no exercise', () => {
  const store = fresh();
  const entry = (id: string) => ({ id }) as PracticeRun['events'][number];
  const two: PracticeRun = {
    ...run,
    ...{ events: [entry('a')], second: { id: `${run.id}-2`, events: [entry('b')] } },
    acts: [
      { atS: 1, dtS: 0, action: { kind: 'off' } },
      { atS: 2, dtS: 0, action: { kind: 'wait' }, of: `${run.id}-2` },
    ],
    guesses: [{ atS: 3, tC: 60, of: `${run.id}-2` }],
  };
  const [a, b] = [store.sideOf(two, run.id), store.sideOf(two, `${run.id}-2`)];
  expect(a).toMatchObject({ id: run.id, seed: 1, events: [{ id: 'a' }], acts: [{ atS: 1 }], guesses: [] });
  expect(b).toMatchObject({ id: `${run.id}-2`, events: [{ id: 'b' }], acts: [{ atS: 2 }], guesses: [{ tC: 60 }] });
  expect(b.seed).not.toBe(a.seed);
  expect(store.sideOf(run, run.id)).toBe(run);
  const more = store.withEntries(store.withEntries(two, run.id, [entry('c')]), `${run.id}-2`, [entry('d')]);
  expect(more.events.map((e) => e.id)).toEqual(['a', 'c']);
  expect(more.second!.events.map((e) => e.id)).toEqual(['b', 'd']);
  expect(store.eventsOf(two, 'demo-0143')).toBeNull();
  store.beginPractice(two);
  goTo(`/jobs/${run.id}-2/heat`);
  expect(store.inPractice()).toBe(true);
  for (const bad of [{ second: null }, { second: { id: 5, events: [] } }, { second: { id: 'x' } }, { wentS: 'soon' }]) {
    localStorage.setItem('northcove.practice', JSON.stringify({ ...two, ...bad }));
    expect(fresh().practiceRun()).toBeNull();
  }
});
