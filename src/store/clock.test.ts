import { followMs, slackMs, wallClock, type ClockMemory } from './clock';

const memory = (): ClockMemory & { kept: { behindMs: number; lastAt: number } | null } => ({
  kept: null,
  read() {
    return this.kept;
  },
  write(m) {
    this.kept = m;
  },
});

/** A device: its wall clock can be set, its monotonic one cannot. */
function device(start = 1_000_000_000_000) {
  let wall = start;
  let mono = 0;
  const kept = memory();
  return {
    kept,
    pass: (ms: number) => {
      wall += ms;
      mono += ms;
    },
    set: (ms: number) => {
      wall += ms;
    },
    page: () =>
      wallClock(
        () => wall,
        () => mono,
        kept,
      ),
  };
}

it('follows the wall clock as long as it goes on', () => {
  const d = device();
  const c = d.page();
  const a = c.now();
  d.pass(90_000);
  expect(c.now() - a).toBe(90_000);
  expect(c.behindMs()).toBe(0);
});

it.each([60_000, 3_600_000])('set back by %d ms: time goes on, and it is said by how much', (backMs) => {
  const d = device();
  const c = d.page();
  const a = c.now();
  d.pass(120_000);
  c.now();
  d.set(-backMs);
  d.pass(30_000);
  expect(c.now() - a).toBe(150_000);
  expect(c.behindMs()).toBe(backMs);
  // and over a reload
  d.pass(10_000);
  const again = d.page();
  expect(again.behindMs()).toBeGreaterThan(backMs - 15_000);
  expect(again.now() - a).toBeGreaterThanOrEqual(150_000);
});

it('put right again, nothing is left of it', () => {
  const d = device();
  const c = d.page();
  c.now();
  d.set(-600_000);
  c.now();
  d.set(600_000);
  d.pass(1000);
  const at = c.now();
  expect(c.behindMs()).toBe(0);
  expect(d.page().now()).toBeGreaterThanOrEqual(at);
});

it('a step of the network clock is no news, and no instant goes back', () => {
  const d = device();
  const c = d.page();
  const a = c.now();
  d.set(-slackMs / 2);
  expect(c.now()).toBe(a);
  expect(c.behindMs()).toBe(0);
});

it('a device that slept goes on by the wall clock', () => {
  const d = device();
  const c = d.page();
  const a = c.now();
  d.set(8 * 3_600_000);
  expect(c.now() - a).toBe(8 * 3_600_000);
});

it('a clock that had run a year ahead is followed when it is put right, in the page and over a reload', () => {
  const d = device();
  const c = d.page();
  const a = c.now();
  d.set(365 * 86_400_000);
  c.now();
  d.set(-365 * 86_400_000);
  d.pass(1000);
  expect(c.now() - a).toBe(1000);
  expect(c.followedMs()).toBeGreaterThan(followMs);
  expect(c.behindMs()).toBe(0);
});

it('gives whole milliseconds, also where the time goes on by a monotonic clock of fractions', () => {
  let [at, mono] = [1_700_000_000_000, 17.3];
  const c = wallClock(
    () => at,
    () => mono,
    { read: () => null, write: () => {} },
  );
  for (let i = 0; i < 50; i++) {
    at += i === 10 ? -60_000 : 71;
    mono += 70.9375;
    expect(Number.isInteger(c.now())).toBe(true);
  }
});
