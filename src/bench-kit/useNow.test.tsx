import { act, render, screen } from '@testing-library/react';
import { useEffect } from 'react';

import { restartClock } from '@/store/clock';
import { useNow, useNowAndWake } from './useNow';

let mockAsOf = 0;
jest.mock('@/store/shop', () => ({ useAsOf: () => mockAsOf }));

const t0 = Date.UTC(2026, 3, 14, 11);
let renders = 0;

function Clock({ rings }: { rings: boolean }) {
  renders++;
  return <p>{useNow(1000, rings) - t0}</p>;
}

const see = (seen: boolean) =>
  act(() => {
    Object.defineProperty(document, 'visibilityState', { configurable: true, value: seen ? 'visible' : 'hidden' });
    document.dispatchEvent(new Event('visibilitychange'));
  });
const pass = (ms: number) => act(() => void jest.advanceTimersByTime(ms));
const shown = () => Number(screen.getByText(/^\d+$/).textContent);

beforeEach(() => {
  jest.useFakeTimers({ now: t0 });
  mockAsOf = 0;
  renders = 0;
});
afterEach(() => {
  see(true);
  jest.useRealTimers();
});

it('stands still while nobody looks, and is right at once when somebody does', () => {
  render(<Clock rings={false} />);
  pass(3000);
  expect(shown()).toBe(3000);
  see(false);
  const before = renders;
  pass(3_600_000);
  expect(renders).toBe(before);
  expect(jest.getTimerCount()).toBe(0);
  see(true);
  expect(shown()).toBe(3_603_000);
  pass(1000);
  expect(shown()).toBe(3_604_000);
});

it('goes on in the background where an alarm hangs on it', () => {
  render(<Clock rings />);
  see(false);
  pass(5000);
  expect(shown()).toBe(5000);
});

it('begins still on a page that is opened in the background', () => {
  see(false);
  render(<Clock rings={false} />);
  pass(10_000);
  expect(shown()).toBe(0);
  see(true);
  expect(shown()).toBe(10_000);
});

it('wakes at an instant between two ticks, once', () => {
  let draws = 0;
  function Slow() {
    draws++;
    const [now, wake] = useNowAndWake(10_000);
    useEffect(() => wake(t0 + 12_345), [wake, now]);
    return <p>{now - t0}</p>;
  }
  render(<Slow />);
  pass(12_340);
  expect(shown()).toBe(10_000);
  const before = draws;
  pass(10);
  expect(shown()).toBeGreaterThanOrEqual(12_345);
  expect(draws).toBe(before + 1);
  pass(7000);
  expect(draws).toBe(before + 1);
});

it('clocks of one pace go by one timer', () => {
  render(
    <>
      <Clock rings={false} />
      <Clock rings={false} />
      <Clock rings />
    </>,
  );
  expect(jest.getTimerCount()).toBe(1);
});

it('what is noted between two ticks moves a slow clock at once', () => {
  const Slow = () => <p>{useNow(60_000) - t0}</p>;
  const { rerender } = render(<Slow />);
  pass(20_000);
  expect(shown()).toBe(0);
  mockAsOf = t0 + 20_000;
  rerender(<Slow />);
  expect(shown()).toBe(20_000);
  pass(40_000);
  expect(shown()).toBe(60_000);
});

it('another clock that counts from now on is shown at once, also where it stands earlier', () => {
  const Slow = () => <p>{useNow(60_000) - t0}</p>;
  render(<Slow />);
  jest.setSystemTime(t0 - 7000);
  act(() => restartClock());
  expect(screen.getByText('-7000')).toBeTruthy();
});

it('what was noted by a clock that stood a day ahead holds nothing up when it is put right', () => {
  const Slow = () => <p>{useNow(10_000) - t0}</p>;
  mockAsOf = t0 + 86_400_000;
  render(<Slow />);
  expect(shown()).toBe(0);
  pass(10_000);
  expect(shown()).toBe(10_000);
});
