import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';

import { startShop, settingsNow } from '../../../test-support/mockShop';
import { went } from '../../../test-support/mockRouter';
import { choose, press } from '../../../test-support/stage';
import { ClosingHands } from '@/bench-kit/practice/ClosingHands';
import { startPractice } from '@/bench-kit/practice/start';
import { useClosingLab } from '@/bench-kit/practice/useClosingLab';
import { foldJob } from '@/model/fold';
import type { Try } from '@/model/practiceTry';
import { changePractice, endPractice, practiceRun, usePracticeRun } from '@/store/practice';
import { DebriefScreen } from './DebriefScreen';
import { PracticeScreen } from './PracticeScreen';
import { type ClosingId } from '@/work/practice/exerciseTable';

jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../../test-support/mockRouter'));
const mockNoted: Try[] = [];
jest.mock('@/store/practiceTries', () => ({
  useTries: () => [],
  noteTry: async (t: Try) => void mockNoted.push(t),
}));

const t0 = Date.UTC(2026, 3, 14, 13);
beforeEach(() => {
  localStorage.clear();
  endPractice();
  went.length = 0;
  mockNoted.length = 0;
  startShop(t0);
});
afterEach(() => {
  cleanup();
  window.history.pushState({}, '', '/');
});

const begin = (exercise: ClosingId, way: 'guided' | 'alone' = 'guided', seed = 1) =>
  startPractice({ exercise, seed, way, person: 'Mirel', settings: settingsNow() });

function Panel() {
  const run = usePracticeRun()!;
  const lab = useClosingLab(run);
  return <ClosingHands run={run} job={foldJob(run.events)!} lab={lab} stage="clean" />;
}

it('each begins on the page that it is about, with a device that came as far as that', async () => {
  render(<PracticeScreen />);
  for (const [name, stage] of [
    ['Old glue and crumbs', 'clean'],
    ['A bead by hand', 'bond'],
    ['Clips and hours', 'cure'],
  ] as const) {
    await press(`Begin: ${name}`);
    const run = practiceRun()!;
    expect(went.at(-1)).toBe(`/jobs/${run.id}/${stage}`);
    expect(foldJob(run.events)!.stage).toBe(stage);
  }
});

it('a cloth is moved by the arrow keys, what is left is said, and a glass on old glue lifts', async () => {
  begin('residue');
  render(<Panel />);
  expect(screen.getByText('Old glue seen: 100 % of the ledge. Crumbs out: 0.')).toBeTruthy();
  const strip = screen.getByRole('slider', { name: 'The ledge along the bottom edge' });
  let at = 0;
  jest.spyOn(performance, 'now').mockImplementation(() => (at += 200));
  for (let n = 0; n < 60; n++) fireEvent.keyDown(strip, { key: n % 20 < 10 ? 'ArrowRight' : 'ArrowLeft' });
  jest.restoreAllMocks();
  expect(screen.queryByText('Old glue seen: 100 % of the ledge. Crumbs out: 0.')).toBeNull();
  await choose('In your hand: Tweezers');
  fireEvent.keyDown(strip, { key: 'Enter' });
  expect(screen.getByRole('status').textContent).toBe('Nothing there.');
  await press('Lay the glass on and press');
  await press('Look at how it went');
  cleanup();
  render(<DebriefScreen />);
  expect(screen.getByTestId('call').textContent).toBe('It lifts after some months: old glue was left under it.');
  expect(screen.getByText(/^Left on \d+ mm, at /)).toBeTruthy();
  expect(screen.getByText(/^By the calls the same one takes \d+ min( \d+ s)?\.$/)).toBeTruthy();
  // so many minutes at the shop's rate, and the work once more
  expect(screen.getByText(/^On a customer’s phone: /).textContent).toMatch(
    /^On a customer’s phone: \d+\.\d\d\s\S+, by the calls \d\.\d\d\s\S+\.$/,
  );
  await act(async () => {});
  expect(mockNoted.at(-1)).toMatchObject({ exercise: 'residue', ended: 'residue', person: 'Mirel' });
  // while it is looked at its time stands
  expect(practiceRun()!.speed).toBe(0);
});

it('an exercise that only a later version knows is neither shown nor goes on, and breaks nothing', () => {
  begin('residue');
  act(() => changePractice((r) => ({ ...r, exercise: 'twoAtOnce' })));
  render(<DebriefScreen />);
  expect(screen.getByText('No exercise was worked here.')).toBeTruthy();
  cleanup();
  render(<PracticeScreen />);
  expect(screen.queryByRole('button', { name: /^Go on: / })).toBeNull();
  // it is still there
  expect(practiceRun()!.exercise).toBe('twoAtOnce');
});

it('alone, so many clips as one says are put on; hours go by at a tap; time that stands lets nothing happen', async () => {
  begin('clamps', 'alone');
  render(<Panel />);
  await choose('Hold it with: gentle clip');
  await press('Hand it over');
  expect(screen.getByRole('button', { name: 'Look at how it went' })).toBeTruthy();
  cleanup();
  render(<DebriefScreen />);
  expect(screen.getByTestId('call').textContent).toBe('Nothing held it: it came up while it was soft.');
  cleanup();
  begin('clamps', 'alone', 2);
  // on its own page its own clock counts
  window.history.pushState({}, '', `/jobs/${practiceRun()!.id}/cure`);
  render(<Panel />);
  const before = practiceRun()!.simMs;
  await press('An hour later');
  expect(practiceRun()!.simMs - before).toBeGreaterThanOrEqual(3_600_000);
  await press('Next morning at nine');
  expect(new Date(practiceRun()!.startMs + practiceRun()!.simMs).getHours()).toBe(9);
  act(() => changePractice((r) => ({ ...r, speed: 0 })));
  expect(screen.getByRole('status').textContent).toBe('Time stands still: start it to go on.');
  expect(screen.getByRole('button', { name: 'Hand it over' }).getAttribute('aria-disabled')).toBe('true');
});
