import { demoOffsetMs } from './demoDay';
import { practiceNowMs } from './practice';

/**
 * The instant for entries and running times. A clock that is set back while the page is open is not followed: time goes on by
 * the browser's monotonic clock, and how far the wall clock stands behind is kept for the next page load and said. A clock
 * that goes back by most of a day had been wrong before: it is followed, and that is said too.
 */
export interface WallClock {
  now(): number;
  /** how far the wall clock was set back, ms; 0: it was not */
  behindMs(): number;
  /** the same, where it was followed */
  followedMs(): number;
}

/** What lasts of the clock over a page load. */
export interface ClockMemory {
  read(): { behindMs: number; lastAt: number } | null;
  write(m: { behindMs: number; lastAt: number }): void;
}

/** Steps smaller than this are the clock being put right by the network, ms. */
export const slackMs = 5000;
/** Steps back larger than this put right a clock that had been wrong, ms. */
export const followMs = 6 * 3_600_000;
const noteEveryMs = 5000;

export function wallClock(wall: () => number, monotonic: () => number, memory: ClockMemory): WallClock {
  let behind = 0;
  let followed = 0;
  const known = memory.read();
  if (known) {
    // what an earlier page knew: still so, put right since, or set back while no page was open
    const back = Math.round(known.lastAt - wall());
    if (back > followMs) followed = back;
    else if (back > slackMs) behind = back;
  }
  let last = { at: wall() + behind, mono: Math.floor(monotonic()) };
  let notedAt = -Infinity;
  const now = () => {
    // whole milliseconds as the wall clock gives them: a monotonic clock gives fractions, which no entry takes
    const mono = Math.floor(monotonic());
    const passed = mono - last.mono;
    const expected = last.at + Math.max(0, passed);
    let at = wall() + behind;
    if (at < expected - followMs) {
      followed = expected - at + behind;
      behind = 0;
      last = { at: wall(), mono };
      return last.at;
    }
    if (at < expected - slackMs) {
      behind += expected - at;
      at = expected;
    } else if (behind > 0 && at > expected + slackMs) {
      // set right again, or the device slept
      behind = Math.max(0, behind - (at - expected));
      at = wall() + behind;
    }
    // small steps back are waited for, so that nothing ever stands before what it follows
    at = Math.max(at, last.at);
    last = { at, mono };
    if (Math.abs(at - notedAt) > noteEveryMs) {
      notedAt = at;
      memory.write({ behindMs: behind, lastAt: at });
    }
    return at;
  };
  return { now, behindMs: () => (now(), Math.round(behind)), followedMs: () => (now(), Math.round(followed)) };
}

const key = 'northcove.clock';
const browserMemory: ClockMemory = {
  read: () => {
    try {
      const m = JSON.parse(localStorage.getItem(key) ?? 'null') as { behindMs?: unknown; lastAt?: unknown } | null;
      return m && typeof m.lastAt === 'number' && typeof m.behindMs === 'number'
        ? { behindMs: m.behindMs, lastAt: m.lastAt }
        : null;
    } catch {
      return null;
    }
  },
  write: (m) => {
    try {
      localStorage.setItem(key, JSON.stringify(m));
    } catch {
      // full or refused: the clock of this page goes on all the same
    }
  },
};

/** The real clock, or the demo's own. */
const wall = () => Date.now() + (demoOffsetMs() ?? 0);

let running: WallClock | null = null;

/** Begins to watch the wall clock; before, and where it is not begun, the wall clock is taken as it is. */
export function startClock(): void {
  running ??= wallClock(wall, () => performance.now(), browserMemory);
}

const restarts = new Set<() => void>();
/** What is told when another clock counts from now on. @returns ends it */
export const onRestart = (f: () => void): (() => void) => {
  restarts.add(f);
  return () => restarts.delete(f);
};

/** The demo's day has begun or ended: nothing was set back, another clock counts. */
export function restartClock(): void {
  restart();
  tellClocks();
}

/** Time stands somewhere else from now on: whoever counts looks again. */
export function tellClocks(): void {
  for (const f of [...restarts]) f();
}

function restart(): void {
  if (!running) return;
  running = null;
  try {
    localStorage.removeItem(key);
  } catch {
    // refused: what it remembers is some seconds old at most
  }
  startClock();
}

/** The instant that counts where one looks: an exercise has a clock of its own. */
export const nowMs = (): number => practiceNowMs() ?? (running ? running.now() : wall());
/** What there is to say of the clock; null: nothing. */
export function clockNews(): { backMs: number; followed: boolean } | null {
  if (!running) return null;
  const [behind, followed] = [running.behindMs(), running.followedMs()];
  if (behind >= slackMs) return { backMs: behind, followed: false };
  return followed ? { backMs: followed, followed: true } : null;
}
