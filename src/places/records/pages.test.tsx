import { fireEvent, render, screen } from '@testing-library/react';
import type { ComponentType } from 'react';

import { demoHistory } from '@/demo/history';
import { demoJobs } from '@/demo/shop';
import { choose, enter, press, reading, renderStage } from '../../../test-support/stage';
import { jobNow, startShop } from '../../../test-support/mockShop';
import { went } from '../../../test-support/mockRouter';
import { ComeBackScreen } from './ComeBackScreen';
import { RecordScreen } from './RecordScreen';
import { RecordsScreen } from './RecordsScreen';

jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../../test-support/mockRouter'));
jest.mock('@/ui/alarm', () => ({ unlockSound: () => {} }));
const mockSaved: { name: string; text: string }[] = [];
jest.mock('@/ui/download', () => ({ download: (name: string, text: string) => void mockSaved.push({ name, text }) }));
jest.mock('./LazyWatchChart', () => ({ WatchChart: () => null }));

const t0 = new Date('2026-04-14T13:00:00').getTime();

beforeEach(() => {
  jest.useFakeTimers({ now: t0 });
  startShop(t0, {}, { jobs: new Map([...demoJobs(t0), ...demoHistory(t0)].map((l) => [l[0]!.jobId, l])) });
});
afterEach(() => jest.useRealTimers());

const show = (Screen: ComponentType) => render(<Screen />);
const rows = () => screen.queryAllByRole('link').filter((l) => /^Record of/.test(l.getAttribute('aria-label') ?? ''));
const listed = () =>
  [...screen.queryAllByRole('button'), ...rows()]
    .map((e) => e.getAttribute('aria-label') ?? '')
    .filter((t) => t.startsWith('Record of'));

it('finds, filters and counts what was handed over, and gives it out as CSV', async () => {
  show(RecordsScreen);
  expect(reading(/came back/)).toMatch(/^5\.1 %came back, 1\.7 % to 14 %; 3 of 59/);
  expect(screen.getByText(/No signal: come-backs as usual/)).toBeTruthy();
  await choose('Which: Came back');
  const all = document.body.textContent!;
  for (const l of ['J-0126', 'J-0109', 'J-0090']) expect(all).toContain(l);
  expect(all).not.toContain('J-0131 ·');
  expect(all).toContain('as J-0133: the glue let go');
  await choose('Which: All');
  fireEvent.change(screen.getByRole('textbox', { name: 'Search records' }), { target: { value: 'lens-ring' } });
  expect(document.body.textContent).toMatch(/6 of 59 handed over/);
  await press('Statistics as CSV');
  expect(mockSaved.at(-1)!.text.split('\n')).toHaveLength(7);
  await choose('Period: 30 days');
  expect(reading(/came back/)).toMatch(/2 of 30$/);
  fireEvent.change(screen.getByRole('textbox', { name: 'Search records' }), { target: { value: 'nothing like it' } });
  expect(screen.getByText('No job matches.')).toBeTruthy();
  expect(listed()).toEqual([]);
});

it('the record holds everything: stages, readings, functions, signatures, and what came back', () => {
  renderStage(RecordScreen, 'demo-0126');
  const text = screen.getByTestId('record').textContent!;
  expect(text).toContain('Came back as J-0133');
  expect(text).toMatch(/Heat: done .*, 6 min\./);
  expect(text).toMatch(/Steps: g1 −?0\.\d{3} mm/);
  expect(text).toContain('flash: ok, ok.');
  expect(text).toContain('signed by Mirel (checker)');
});

it('a come-back is tied to its first job, with what is presumed', async () => {
  renderStage(ComeBackScreen, 'demo-0138');
  expect(screen.getByRole('button', { name: /^Link them/ }).getAttribute('aria-disabled')).toBe('true');
  fireEvent.change(screen.getByRole('textbox', { name: 'Search handed-over jobs' }), { target: { value: '0129' } });
  await choose('First job J-0129');
  expect(screen.getByTestId('then').textContent).toContain('How flush then: pass');
  await choose('Presumed cause: Crumb trapped under the glass');
  await enter('What you see now', 'a bump at the top');
  await press(/^Link them/);
  expect(jobNow('demo-0138').comeBack).toMatchObject({
    firstJobId: 'demo-0129',
    firstLabel: 'J-0129',
    presumed: 'trappedCrumb',
    note: 'a bump at the top',
  });
  expect(went.at(-1)).toBe('/jobs/demo-0138/intake');
});

it('one whose first job is elsewhere is a come-back all the same', async () => {
  renderStage(ComeBackScreen, 'demo-0138');
  await choose(/^First job is not in/);
  await choose('Presumed cause: Fell again');
  await press(/^Link them/);
  expect(jobNow('demo-0138').comeBack).toMatchObject({ firstJobId: null, presumed: 'newFall' });
});
