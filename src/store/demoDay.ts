/**
 * The demo has a working morning of its own, so that it is a good day at whatever hour somebody looks: between these hours the
 * real clock will do, at any other the demo's clock is set to its own morning and goes on from there.
 */
const fitsFromMin = 10 * 60 + 30;
const fitsToMin = 13 * 60 + 15;
const morningMin = 11 * 60 + 40;
/** After so long the day of the demo is over: its boats have left. */
const dayMs = 5 * 3_600_000;

interface Day {
  /** demo clock less real clock, ms */
  offsetMs: number;
  /** when it began, by the real clock */
  begunAt: number;
}

const key = 'northcove.demoDay';

function read(): Day | null {
  try {
    const d = JSON.parse(localStorage.getItem(key) ?? 'null') as Partial<Day> | null;
    return d && Number.isFinite(d.offsetMs) && Number.isFinite(d.begunAt)
      ? { offsetMs: d.offsetMs!, begunAt: d.begunAt! }
      : null;
  } catch {
    return null;
  }
}

/** as this page began with it: a clock does not jump under a page */
let day: Day | null | undefined;
const now = () => (day === undefined ? (day = read()) : day);

/** How far the clock of the demo stands from the real one, ms; null: no demo. */
export const demoOffsetMs = (): number | null => now()?.offsetMs ?? null;
export const demoDayOver = (realMs = Date.now()): boolean => {
  const d = now();
  return d !== null && (realMs - d.begunAt > dayMs || realMs < d.begunAt);
};
/** Another tab has begun or left it since. */
export const demoDayChanged = (): boolean => JSON.stringify(read()) !== JSON.stringify(now());

/** The offset that a demo gets that begins at this instant: none within the hours that fit. */
export function offsetFor(realMs: number): number {
  const d = new Date(realMs);
  const min = d.getHours() * 60 + d.getMinutes();
  if (min >= fitsFromMin && min <= fitsToMin) return 0;
  const morning = new Date(realMs);
  morning.setHours(0, morningMin, 0, 0);
  return morning.getTime() - realMs;
}

export function beginDemoDay(realMs = Date.now()): void {
  keep({ offsetMs: offsetFor(realMs), begunAt: realMs });
}
export const endDemoDay = (): void => keep(null);

function keep(to: Day | null): void {
  day = to;
  try {
    if (to) localStorage.setItem(key, JSON.stringify(to));
    else localStorage.removeItem(key);
  } catch {
    // full or refused: the day lasts as long as this page
  }
}
