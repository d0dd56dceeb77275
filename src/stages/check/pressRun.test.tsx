import { act, fireEvent, render, screen } from '@testing-library/react';

import { pressTest } from '@/core/seal/pressTest';
import { PressRun, promptedCues, type PressRunLog } from './PressRun';

// forty seconds of readings, five a second, on a machine that may be busy
jest.setTimeout(60_000);
jest.mock('@/ui/alarm', () => ({ ring: () => true }));

/** A barometer that reads what the test says, in hPa, five times a second. */
class FakeBarometer {
  static last: FakeBarometer | null = null;
  pressure: number | null = null;
  stopped = false;
  private readonly on = new Map<string, () => void>();
  constructor() {
    FakeBarometer.last = this;
  }
  addEventListener(type: string, f: () => void) {
    this.on.set(type, f);
  }
  start() {}
  stop() {
    this.stopped = true;
  }
  emit(type: 'reading' | 'error') {
    this.on.get(type)?.();
  }
}
const w = window as unknown as { Barometer?: unknown };

beforeEach(() => {
  jest.useFakeTimers({ now: 0 });
  w.Barometer = FakeBarometer;
});
afterEach(() => {
  jest.useRealTimers();
  delete w.Barometer;
});

const step = (ms: number) => act(async () => void (await jest.advanceTimersByTimeAsync(ms)));
const begin = () => act(async () => void fireEvent.click(screen.getByRole('button', { name: /^Press three times/ })));

/** A shell of a time constant under a thumb that follows the prompts. */
const shell = (s: number, tau: number) =>
  1008 +
  promptedCues.reduce(
    (sum, [a, b]) => sum + 0.5 * ((s >= a ? Math.exp(-(s - a) / tau) : 0) - (s >= b ? Math.exp(-(s - b) / tau) : 0)),
    0,
  ) +
  0.004 * Math.sin(s * 91);

it.each([
  [60, 'holds'],
  [2, 'decays'],
] as const)('prompts three presses and hands over the log: a shell of %f s %s', async (tau, kind) => {
  let got: PressRunLog | null = null;
  render(<PressRun onDone={(l) => (got = l)} />);
  await begin();
  const seen = new Set<string>();
  for (let i = 0; i < 250 && !got; i++) {
    await step(200);
    const b = FakeBarometer.last!;
    b.pressure = shell(Date.now() / 1000, tau);
    await act(async () => b.emit('reading'));
    seen.add(screen.queryByRole('status')?.textContent?.slice(0, 8) ?? '');
  }
  const log = got as PressRunLog | null;
  expect(log!.cues).toEqual(promptedCues);
  // hectopascals became pascals
  expect(log!.p[0]).toBeCloseTo(100_800, -2);
  expect(pressTest(log!.t, log!.p, log!.cues).kind).toBe(kind);
  expect([...seen].some((t) => t.startsWith('Press an'))).toBe(true);
  expect(FakeBarometer.last!.stopped).toBe(true);
});

it('a sensor that fails, or says too little, takes nothing in; it can be stopped', async () => {
  const done = jest.fn();
  render(<PressRun onDone={done} />);
  await begin();
  await act(async () => FakeBarometer.last!.emit('error'));
  expect(screen.getByRole('alert').textContent).toBe('The sensor stopped. Nothing was taken in.');
  await begin();
  await step(45_000);
  expect(screen.getByRole('alert').textContent).toContain('Only 0 readings came, 40 are needed');
  await begin();
  await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'Stop' })));
  expect(FakeBarometer.last!.stopped).toBe(true);
  expect(done).not.toHaveBeenCalled();
});

it('a browser without one says so and names the other way', () => {
  delete w.Barometer;
  render(<PressRun onDone={() => {}} />);
  expect(screen.getByText(/gives the page no barometer/)).toBeTruthy();
});
