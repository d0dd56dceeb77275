import { cleanup, render, screen } from '@testing-library/react';

import type { Try } from '@/model/practiceTry';
import { jobNow, settingsNow, startShop } from '../../../test-support/mockShop';
import { went } from '../../../test-support/mockRouter';
import { choose, press } from '../../../test-support/stage';
import { endPractice, practiceRun } from '@/store/practice';
import { PracticeScreen } from './PracticeScreen';

jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../../test-support/mockRouter'));
let mockTries: Try[] = [];
jest.mock('@/store/practiceTries', () => ({ useTries: () => mockTries, noteTry: async () => {} }));

const t0 = Date.UTC(2026, 3, 14, 13);
const one = (n: number, over: Partial<Try> = {}): Try => ({
  ...{ id: `t${n}`, exercise: 'heat', seed: n, way: 'checked', person: 'Mirel', at: t0, minutes: 9 - n, heats: 1 },
  ...{ ended: 'passed', guessK: [n] },
  ...over,
});

beforeEach(() => {
  localStorage.clear();
  endPractice();
  went.length = 0;
  mockTries = [];
  startShop(t0);
});
afterEach(cleanup);

it('an exercise begins with a job of its own, in the way that was chosen, and can be gone on with', async () => {
  render(<PracticeScreen />);
  await choose('Calls: Alone: no calls');
  await press('Begin: When to reheat');
  const run = practiceRun()!;
  expect(run).toMatchObject({ exercise: 'reheat', way: 'alone', seed: 1, person: settingsNow().person, acts: [] });
  expect(run.id).toMatch(/^practice-reheat-1-/);
  expect(went).toEqual([`/jobs/${run.id}/heat`]);
  expect(run.events.every((e) => e.jobId === run.id)).toBe(true);
  cleanup();
  render(<PracticeScreen />);
  await press('Go on: When to reheat');
  expect(went.at(-1)).toBe(`/jobs/${run.id}/heat`);
});

it('today’s job is copied, and its customer with it is not', async () => {
  render(<PracticeScreen />);
  const label = screen.getAllByRole('button', { name: /^Practise J-\d+ first$/ })[0]!.getAttribute('aria-label')!;
  await press(label);
  const run = practiceRun()!;
  const opened = run.events.find((e) => e.type === 'opened')!;
  expect(opened).toMatchObject({ customerMark: '', promiseAt: null });
  expect(run.exercise).toBe('today');
  expect(jobNow('demo-0143').log.some((e) => e.jobId === run.id)).toBe(false);
});

it('the record counts what was passed, draws the minutes and says how far guesses are off', () => {
  mockTries = [1, 2, 3, 4].map((n) => one(n));
  mockTries.push(one(5, { ended: 'broke', guessK: [] }));
  render(<PracticeScreen />);
  // beside the exercise, and in the record
  expect(screen.getAllByText('Mirel, Heat until it goes: 4 of 5')).toHaveLength(2);
  expect(screen.getByRole('slider', { name: 'Minutes of one try after the other: 8.0, 7.0, 6.0, 5.0' })).toBeTruthy();
  expect(screen.getByText('Guesses of the edge: 3 K over on average, give or take 1 K, of 4.')).toBeTruthy();
});
