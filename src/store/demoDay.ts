/**
 * The demo has a working morning of its own, so that it is a good day at whatever hour somebody looks: between these hours the
 * real clock will do, at any other the demo's clock is set to its own morning and goes on from there.
 */
const fitsFromMin = 10 * 60 + 30;
const fitsToMin = 13 * 60 + 15;
const morningMin = 11 * 60 + 40;
/** After so long the day of the demo is over: its boats have left. */
const dayMs = 5 * 3_600_000;

export interface DemoDay {
  /** demo clock less real clock, ms */
  offsetMs: number;
  /** when it began, by the real clock */
  begunAt: number;
}

const key = 'northcove.demoDay';

function read(): DemoDay | null {
  try {
    const d = JSON.parse(localStorage.getItem(key) ?? 'null') as Partial<DemoDay> | null;
    return d && Number.isFinite(d.offsetMs) && Number.isFinite(d.begunAt)
      ? { offsetMs: d.offsetMs!, begunAt: d.begunAt! }
      : null;
  } catch {
    return null;
  }
}

/** as this page began with it: a clock does not jump under a page */
let day: DemoDay | null | undefined;
/** The day that this page goes by; null: no demo. */
export const demoDayNow = (): DemoDay | null => (day === undefined ? (day = read()) : day);
const listeners = new Set<() => void>();
export const onDemoDay = (f: () => void): (() => void) => {
  listeners.add(f);
  return () => listeners.delete(f);
};

/** How far the clock of the demo stands from the real one, ms; null: no demo. */
export const demoOffsetMs = (): number | null => demoDayNow()?.offsetMs ?? null;
/** Its boats have left, or the clock of the machine stands before its beginning. */
export const isOver = (d: DemoDay, realMs: number): boolean => realMs - d.begunAt > dayMs || realMs < d.begunAt;
export const demoDayOver = (realMs = Date.now()): boolean => {
  const d = demoDayNow();
  return d !== null && isOver(d, realMs);
};
/** Another tab has begun or left it since. */
export const demoDayChanged = (): boolean => JSON.stringify(read()) !== JSON.stringify(demoDayNow());

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

function keep(to: DemoDay | null): void {
  day = to;
  try {
    if (to) localStorage.setItem(key, JSON.stringify(to));
    else localStorage.removeItem(key);
  } catch {
    // full or refused: the day lasts as long as this page
  }
  for (const f of listeners) f();
}
