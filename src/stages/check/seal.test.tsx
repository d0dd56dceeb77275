import { fireEvent, screen } from '@testing-library/react';

import { claimCheck } from '../../../test-support/claimCheck';
import type { NewEvent } from '@/model/event';
import { sealOf } from '@/work/check/sealJob';
import { pressWords, ratioWords } from '@/words/checkNames';
import { call, choose, enter, press, reading, reason, renderStage } from '../../../test-support/stage';
import { jobNow, logged, startShop } from '../../../test-support/mockShop';
import { sheetOf } from '@/stages/handover/sheet';
import { demoSettings } from '@/demo/shop';
import { SealScreen } from './SealScreen';

jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../../test-support/mockRouter'));
jest.mock('@/ui/alarm', () => ({ unlockSound: () => {} }));
const mockFile = { next: null as { name: string; text: string } | null };
jest.mock('@/ui/download', () => ({ download: () => {}, pickText: async () => mockFile.next }));

const t0 = new Date('2026-04-14T13:00:00').getTime();
const finished = 'demo-0137';
const young = 'demo-0139';

const holdLog = (phase: 'before' | 'after', tau: number): NewEvent => {
  const t = Array.from({ length: 61 }, (_, i) => 2 * i);
  return { type: 'sealLog', phase, test: 'hold', t, p: t.map((v) => -1000 * Math.exp(-v / tau) + Math.sin(v)) };
};

beforeEach(() => jest.useFakeTimers({ now: t0 }));
afterEach(() => jest.useRealTimers());

it('is locked on a young bond until the adhesive’s mark; an override with a reason opens it', async () => {
  startShop(t0);
  renderStage(SealScreen, young);
  expect(call()).toMatch(/^Not before /);
  expect(reason()).toContain('55 N');
  expect(screen.queryByRole('button', { name: /^Hold log/ })).toBeNull();
  await press('Why and what else');
  await enter('What is done instead', 'low vacuum of 500 Pa');
  await enter('Reason', 'the customer leaves now and wants it');
  await press('Log the override');
  expect(screen.getByRole('button', { name: /^Hold log/ })).toBeTruthy();
});

it('compares with the same device before: ratio with its interval, words allowed by the wording rules', () => {
  startShop(t0, { [finished]: [holdLog('before', 60), holdLog('after', 20)] });
  renderStage(SealScreen, finished);
  expect(call()).toMatch(/^Air leak leakier than before: 3\.0 times\.$/);
  expect(reason()).toMatch(/^2\.\d times to 3\.\d times what it was before opening/);
  expect(reason()).toContain('No water resistance is promised');
  expect(reading(/^.*time constant/)).toMatch(/^20 s/);
  const lines = sheetOf(jobNow(finished), demoSettings, t0).flatMap((s) => s.lines);
  expect(lines.some((l) => l.startsWith('Air test against the same device before opening: leakier than before'))).toBe(
    true,
  );
  for (const l of [...lines, ...Object.values(ratioWords), ...Object.values(pressWords)])
    expect(claimCheck(l)).toEqual({ ok: true, rules: [] });
});

it('the same hold again is no worse; two readings by hand do as well as a log', () => {
  startShop(t0, {
    [finished]: [
      { type: 'holdTest', phase: 'before', kind: 'vacuum', startPa: 1000, endPa: 370, seconds: 60 },
      holdLog('after', 61),
    ],
  });
  const r = sealOf(jobNow(finished)).ratio!;
  expect(r.ratio).toBeCloseTo(1, 1);
  expect(r.verdict).toBe('noWorse');
});

it('a file that is no log is named and changes nothing; one that is one is taken in', async () => {
  startShop(t0);
  jest.setSystemTime(t0 + 5 * 24 * 3600e3);
  renderStage(SealScreen, finished);
  await choose('When: After closing');
  mockFile.next = { name: 'photo.csv', text: 'hello\nworld' };
  await press('Hold log from a file, CSV');
  expect(screen.getByRole('alert').textContent).toContain('Nothing was changed');
  expect(logged(finished)).toEqual([]);
  mockFile.next = {
    name: 'short.csv',
    text: `t s,p Pa\n${Array.from({ length: 12 }, (_, i) => `${i},100800`).join('\n')}`,
  };
  await press('Barometer log of presses, CSV');
  expect(screen.getByRole('alert').textContent).toContain('readings: 12 does not work; it takes at least 30');
  expect(logged(finished)).toEqual([]);
  const text = `t s,p Pa\n${Array.from({ length: 40 }, (_, i) => `${i * 3},${(-800 * Math.exp((-i * 3) / 30)).toFixed(1)}`).join('\n')}`;
  mockFile.next = { name: 'hold.csv', text };
  await press('Hold log from a file, CSV');
  expect(screen.getByRole('status').textContent).toBe('hold.csv: 40 readings in Pa.');
  expect(sealOf(jobNow(finished)).after!.tauS!).toBeCloseTo(30, 0);
  fireEvent.click(screen.getByRole('button', { name: 'Back to Check' }));
});

it('an opened device is not measured for "before" any more: a log of then can still be read in', async () => {
  startShop(t0, { [finished]: [{ type: 'stage', stage: 'lift', to: 'done' }] });
  renderStage(SealScreen, finished);
  fireEvent.click(screen.getByRole('radio', { name: 'When: Before opening' }));
  expect(screen.getByText(/only a log taken before can be read in/)).toBeTruthy();
  expect(screen.queryByRole('button', { name: /on the tester/ })).toBeNull();
  expect(screen.getByRole('button', { name: 'Hold log from a file, CSV' })).toBeTruthy();
});
