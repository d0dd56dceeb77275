import { act, fireEvent, screen, within } from '@testing-library/react';
import { TextEncoder } from 'node:util';

import { groupOf, oneByOneFrom } from '@/core/functions/groups';
import { pauseMin } from '@/core/functions/riskOrder';
import { functionTests } from '@/core/functions/tables';
import { writeResultCode } from '@/core/functions/resultCode';
import { demoHistory } from '@/demo/history';
import { demoJobs } from '@/demo/shop';
import type { NewEvent } from '@/model/event';
import { tagCode } from '@/model/tagCode';
import { functionState } from '@/work/check/faults';
import { testsOf } from '@/work/check/functionTests';
import { call, choose, enter, pass, press, reason, renderStage, tick } from '../../../test-support/stage';
import { jobNow, logged, saveSettings, settingsNow, startShop } from '../../../test-support/mockShop';
import { CheckStage } from './CheckStage';
import { FunctionsScreen } from './FunctionsScreen';

jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../../test-support/mockRouter'));
jest.mock('@/ui/alarm', () => ({ unlockSound: () => {} }));
jest.mock('@/ui/download', () => ({ download: () => {}, pickFile: async () => new File(['x'], 'p.jpg') }));
const mockCode = { text: null as string | null };
jest.mock('@/ui/readCode', () => ({ readCode: async () => mockCode.text }));

// the page of a browser has it, the one of the tests not
globalThis.TextEncoder ??= TextEncoder as typeof globalThis.TextEncoder;

const t0 = new Date('2026-04-14T13:00:00').getTime();
const id = 'demo-0139';
const again = (p: { job: Parameters<typeof FunctionsScreen>[0]['job'] }) => <FunctionsScreen {...p} again />;

beforeEach(() => {
  jest.useFakeTimers({ now: t0 });
  mockCode.text = null;
});
afterEach(() => jest.useRealTimers());

/** Every function of the job as it came out, those named failing. */
const all = (failing: readonly string[] = []): NewEvent[] => {
  startShop(t0);
  return testsOf(jobNow(id), false).map((t) => ({
    type: 'function',
    fn: t.test.id,
    phase: 'after',
    result: failing.includes(t.test.id) ? 'fail' : 'ok',
  }));
};
const hold = async (name: RegExp) => {
  const button = screen.getByRole('button', { name });
  await act(async () => void fireEvent.keyDown(button, { key: 'Enter' }));
  await pass(1500);
};

it('one after another with one thumb, what this repair put at risk first; one back takes the last result away', async () => {
  startShop(t0);
  renderStage(FunctionsScreen, id);
  const order = testsOf(jobNow(id), false).map((t) => t.test.id);
  expect(call()).toMatch(/^Flash\.$/);
  expect(screen.getByText(/Put at risk by the blade along the edge\. Worked before\./)).toBeTruthy();
  expect(screen.getByTestId('caution').textContent).toBe('Not toward eyes.');
  await press('Works');
  await press('Works');
  expect(logged(id).map((e) => e.type === 'function' && `${e.fn} ${e.phase} ${e.result}`)).toEqual([
    `${order[0]} after ok`,
    `${order[1]} after ok`,
  ]);
  await press('One back');
  expect(jobNow(id).functions.after[order[1]!]).toBeUndefined();
  await press('Cannot be tested');
  await press('Why: locked');
  expect(jobNow(id).functions.after[order[1]!]).toBe('untested');
});

it('what the work hardly put at risk is asked for by its kind: one tap, or one by one when not all of it works', async () => {
  startShop(t0);
  const tests = testsOf(jobNow(id), false);
  const risky = tests.filter((t) => t.risk >= oneByOneFrom).map((t) => t.test.id);
  expect(risky.length).toBeLessThan(tests.length - 4);
  startShop(t0, {
    [id]: risky.map((fn): NewEvent => ({ type: 'function', fn, phase: 'after', result: 'ok' })),
  });
  renderStage(FunctionsScreen, id);
  // one that is alone of its kind is tried by itself
  for (let i = 0; i < 10 && !call()!.endsWith('?'); i++) await press('Works');
  expect(call()).toMatch(/\?$/);
  const first = call();
  const before = logged(id).length;
  await press('All work');
  const made = logged(id).slice(before);
  expect(made.length).toBeGreaterThan(1);
  const kinds = new Set(made.map((e) => e.type === 'function' && groupOf(e.fn)));
  expect(kinds.size).toBe(1);
  expect(call()).not.toBe(first);
  await press('Not all');
  expect(call()).toMatch(/\.$/);
  await press('Fails');
  expect(Object.values(jobNow(id).functions.after).filter((r) => r === 'fail')).toHaveLength(1);
});

it('every function has a kind', () => {
  expect(functionTests.filter((t) => groupOf(t.id) === null)).toEqual([]);
});

it('alone in the shop: the same person signs after a pause, or the customer at the counter; the sheet says so', async () => {
  startShop(t0, { [id]: all([]) });
  const who = functionState(jobNow(id)).repairer!;
  await saveSettings({ ...settingsNow(), people: [who] });
  renderStage(FunctionsScreen, id);
  const alone = within(screen.getByTestId('alone'));
  expect(
    alone.getByRole('button', { name: new RegExp(`^${who} checked again after the pause.* of the pause left`) }),
  ).toBeTruthy();
  await pass(pauseMin * 60_000 + 1000);
  await hold(new RegExp(`^${who} checked again after the pause, and signs, hold`));
  expect(functionState(jobNow(id))).toMatchObject({ checker: who, how: 'afterPause', release: { open: [] } });
  expect(screen.getByText(`Signed by ${who}, who repaired it, after a pause.`)).toBeTruthy();
});

it('a failure: causes in order of rank without numbers, "not that" brings the next, and testing again is a run of its own', async () => {
  startShop(t0, { [id]: all(['flash', 'micRear']) });
  const view = renderStage(FunctionsScreen, id);
  expect(call()).toBe('2 functions fail.');
  const card = screen.getByTestId('faults');
  expect(card.textContent).toContain('Most likely: cable of flash or rear microphone not seated, or torn.');
  expect(card.textContent).toContain('Reseat it, then look for a crack at its fold. Then test again.');
  expect(card.textContent).not.toMatch(/\d %/);
  expect(card.textContent).toContain('Order only');
  await press('Not that');
  expect(screen.getByTestId('faults').textContent).not.toContain('Most likely: flash / rear');
  view.unmount();
  renderStage(again, id);
  expect(screen.getByText('0 of 2')).toBeTruthy();
  await press('Works');
  await press('Works');
  expect(call()).toBe('All tested.');
  expect(functionState(jobNow(id)).newFaults).toEqual([]);
});

it('what was found is learned: with ten causes of its own the shop sees numbers', () => {
  const found = Array.from({ length: 10 }, (_, i) => i + 1).map((n): NewEvent[] => [
    { type: 'function', fn: 'flash', phase: 'after', result: 'fail' },
    { type: 'cause', causeId: n % 5 ? 'rearFlex' : 'sideFlex', found: true },
  ]);
  const jobs = [...demoJobs(t0), ...demoHistory(t0).slice(20, 30)];
  const logs = new Map(
    jobs.map((l, i) => {
      const jobId = l[0]!.jobId;
      const more = i >= 12 ? found[i - 12]! : jobId === id ? all(['flash']) : [];
      return [
        jobId,
        [
          ...l,
          ...more.map((e, k) => ({
            ...e,
            v: 1 as const,
            id: `${jobId}-x${k}`,
            jobId,
            writer: 'x',
            seq: k,
            at: t0,
            loggedAt: t0,
            by: 'Test',
          })),
        ],
      ];
    }),
  );
  startShop(t0, {}, { jobs: logs as never });
  renderStage(FunctionsScreen, id);
  const text = screen.getByTestId('faults').textContent;
  expect(text).toMatch(/Most likely: cable of flash or rear microphone not seated, or torn, \d+ %\./);
  expect(text).toMatch(/and 1\d causes found in this shop/);
});

it('a fault that was not tested before is told to the customer; another person than the repairer signs', async () => {
  startShop(t0, { [id]: all(['vibra']) });
  renderStage(FunctionsScreen, id);
  expect(screen.getByTestId('faults').textContent).toContain('vibration fails, and was not tested before');
  expect(functionState(jobNow(id)).release.open).toEqual(['twoNames', 'tellCustomer']);
  await tick(/^Customer told: vibration/);
  // the clamps were put on by Osk: Mirel signs
  expect(screen.queryByRole('button', { name: /Osk checked/ })).toBeNull();
  await hold(/^Mirel checked and signs/);
  expect(functionState(jobNow(id)).release.open).toEqual([]);
  expect(screen.getByText(/Signed by Mirel; repaired by Osk\./)).toBeTruthy();
});

it('a result after the signature asks for a new one', async () => {
  const signed: NewEvent = { type: 'signed', role: 'checker', text: '', mark: 'Mirel' };
  const first = all();
  startShop(t0, { [id]: [...first, signed] });
  expect(functionState(jobNow(id)).checker).toBe('Mirel');
  startShop(t0, { [id]: [...first, signed, { type: 'function', fn: 'flash', phase: 'after', result: 'fail' }] });
  expect(functionState(jobNow(id)).checker).toBeNull();
});

describe('on the device itself', () => {
  const tag = tagCode(id);

  it('a code that is typed is taken in; a wrong sign, another job or nothing tested is named and changes nothing', async () => {
    startShop(t0);
    renderStage(FunctionsScreen, id);
    await press('On the device itself');
    expect(screen.getByTestId('device-link').textContent).toMatch(new RegExp(`/device-test#${tag}(\\.\\d+)+$`));
    const box = () => screen.getByRole('textbox', { name: 'Code from the device' });
    const type = async (text: string) => {
      fireEvent.change(box(), { target: { value: text } });
      await press('Take the code in');
    };
    await type(writeResultCode('ZZZZ', { flash: 'ok' }));
    expect(screen.getByRole('alert').textContent).toMatch(/code: of another job.*Nothing was changed/);
    await type('1234');
    expect(screen.getByRole('alert').textContent).toContain('code: 4 signs');
    await type(writeResultCode(tag, {}));
    expect(screen.getByRole('alert').textContent).toContain('no function was tested');
    expect(logged(id)).toEqual([]);
    await type(writeResultCode(tag, { flash: 'ok', vibra: 'fail', baro: 'untested' }));
    expect(screen.getByRole('status').textContent).toBe('2 results taken in; failing: vibration.');
    expect(jobNow(id).functions.after).toEqual({ flash: 'ok', vibra: 'fail' });
  });

  it('reads it from a picture; a picture without a code says so', async () => {
    startShop(t0);
    renderStage(FunctionsScreen, id);
    await press('On the device itself');
    await press('Read it from a picture');
    expect(screen.getByRole('alert').textContent).toBe('p.jpg: there is no code in it. Nothing was changed.');
    mockCode.text = writeResultCode(tag, { flash: 'ok' });
    await press('Read it from a picture');
    expect(jobNow(id).functions.after).toEqual({ flash: 'ok' });
  });

  it('the address of the bench is kept; what is none is refused', async () => {
    startShop(t0);
    renderStage(FunctionsScreen, id);
    await press('On the device itself');
    await enter('Address of this bench on the network', 'bench.local');
    await press('Use this address');
    expect(screen.getByRole('alert').textContent).toContain('Enter an address that starts with http://');
    await enter('Address of this bench on the network', 'http://192.0.2.7:8787/');
    await press('Use this address');
    expect(settingsNow().benchAddress).toBe('http://192.0.2.7:8787');
    expect(screen.getByTestId('device-link').textContent).toContain('http://192.0.2.7:8787/device-test#');
  });
});

describe('check stage', () => {
  const steps = (): NewEvent[] =>
    Array.from({ length: 16 }, (_, i) => ({
      type: 'reading',
      quantity: 'stepMm',
      point: `g${i + 1}`,
      value: -0.02,
      u: 0.01,
    }));

  it('flush and tested: a second name is asked for before it goes on', async () => {
    startShop(t0, { [id]: [...steps(), ...all()] });
    renderStage(CheckStage, id);
    expect(call()).toBe('Flush, all tested. Still: a second person signs.');
    expect(screen.getByRole('button', { name: /^Go to Hand over/ }).getAttribute('aria-disabled')).toBe('true');
    await hold(/^Mirel checked and signs/);
    expect(call()).toBe('Flush, and everything works as before.');
    expect(screen.getByRole('button', { name: /^Go to Hand over/ }).getAttribute('aria-disabled')).not.toBe('true');
  });

  it('a new battery is registered, with an outcome whatever it is', async () => {
    const cell: NewEvent = { type: 'cellChoice', fit: 'new', flat: true, bent: false, punctured: false };
    const signed: NewEvent = { type: 'signed', role: 'checker', text: '', mark: 'Mirel' };
    startShop(t0, { [id]: [cell, ...steps(), ...all(), signed] });
    renderStage(CheckStage, id);
    expect(call()).toBe('Register the battery.');
    await press(/^Registering: battery/);
    await enter('Note to the result', 'the menu wants the maker');
    await choose('Registering the battery: Refused by the device');
    expect(logged(id).at(-1)).toMatchObject({ type: 'registered', part: 'battery', outcome: 'refused' });
    expect(call()).toBe('Flush, and everything works as before.');
    await enter('Another part', 'camera');
    await press('Registered');
    expect(jobNow(id).registered.camera?.outcome).toBe('registered');
  });

  it('a new fault keeps it at the bench, and an override with a reason lets it go', async () => {
    startShop(t0, { [id]: [...steps(), ...all(['buttons'])] });
    renderStage(CheckStage, id);
    expect(call()).toBe('New fault: side buttons.');
    expect(reason()).toContain('Likely causes are below');
    expect(within(screen.getByTestId('faults')).getByText(/cable of the side buttons/)).toBeTruthy();
    await press('Why and what else');
    await enter('What is done instead', 'goes out with the fault');
    await enter('Reason', 'the customer wants it as it is');
    await press('Log the override');
    expect(screen.getByRole('button', { name: /^Go to Hand over/ }).getAttribute('aria-disabled')).not.toBe('true');
  });
});
