import { defaultSettings } from '@/model/defaultSettings';
import type { Settings } from '@/model/settings';
import { Local } from '../../test-support/localStore';

const local = new Local();
/** A page of its own: what another one had open is not this one's. */
const page = () => {
  let own!: typeof import('./settingsJournal');
  jest.isolateModules(() => {
    own = jest.requireActual<typeof import('./settingsJournal')>('./settingsJournal');
  });
  return own.settingsJournal;
};
const stored = { ...defaultSettings };
const never = () => Promise.reject(new Error('nothing was to be saved'));

beforeEach(() => {
  local.map.clear();
  Object.defineProperty(globalThis, 'localStorage', { value: local, configurable: true });
});
afterAll(() => Reflect.deleteProperty(globalThis, 'localStorage'));

it('what a page changed that was left before the storage had it is taken in by the next, once', async () => {
  const gone = page();
  gone.note(stored, { ...stored, temperature: 'F' });
  gone.note({ ...stored, temperature: 'F' }, { ...stored, temperature: 'F', length: 'in' });
  const saved: Settings[] = [];
  const save = (s: Settings) => Promise.resolve(void saved.push(s));
  const now = await page().takeIn(stored, save);
  expect(now).toEqual({ ...stored, temperature: 'F', length: 'in' });
  expect(saved).toEqual([now]);
  expect(local.map.size).toBe(0);
  expect(await page().takeIn(now, never)).toEqual(now);
});

it('what the storage has is settled; what somebody else changed since stays as they left it', async () => {
  const gone = page();
  const settled = gone.note(stored, { ...stored, temperature: 'F' });
  settled();
  expect(local.map.size).toBe(0);
  expect(gone.note(stored, { ...stored })).toBeInstanceOf(Function);
  expect(local.map.size).toBe(0);

  gone.note({ ...stored, language: 'en' }, { ...stored, language: 'es', length: 'in' });
  const others = { ...stored, language: 'es' as const, length: 'in' as const, temperature: 'F' as const };
  expect(await page().takeIn(others, never)).toEqual(others);
  expect(local.map.size).toBe(0);
});

it('no room: it stands on the screen and is tried again; spoiled or refused data changes nothing', async () => {
  page().note(stored, { ...stored, temperature: 'F' });
  const full = () => Promise.reject(new Error('full'));
  expect(await page().takeIn(stored, full)).toEqual({ ...stored, temperature: 'F' });
  expect(local.map.size).toBe(1);
  local.map.clear();
  const key = 'northcove.settingsJournal.';
  local.setItem(`${key}a`, 'not JSON');
  local.setItem(`${key}b`, '[null, 3, {"temperature":null},{"temperature":{"from":"C","to":"K"}},{"nobody":{"to":1}}]');
  local.setItem(`${key}c`, '{"temperature":{"from":"C","to":"F"}}');
  expect(await page().takeIn(stored, never)).toBe(stored);
});

it('without a synchronous storage nothing is kept and nothing breaks', async () => {
  Object.defineProperty(globalThis, 'localStorage', {
    get: () => {
      throw new Error('refused');
    },
    configurable: true,
  });
  const own = page();
  own.note(stored, { ...stored, temperature: 'F' })();
  expect(await own.takeIn(stored, never)).toBe(stored);
});
