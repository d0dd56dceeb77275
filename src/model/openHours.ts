/** Open times of a place by weekday, and what of them a person is there. */
export interface WeekHours {
  /** minutes after midnight for each weekday, 0: Sunday; null: closed */
  days: readonly ({ fromMin: number; toMin: number } | null)[];
}

export interface Rota {
  breakFromMin: number | null;
  breakMin: number;
  /** weekdays that the person is not there */
  off: readonly number[];
}

export interface Span {
  from: number;
  to: number;
}

/**
 * Open spans of the coming days, as instants in ms. The clock on the wall counts, so a day with a change of the clock is an
 * hour longer or shorter.
 * @param days how many, the day of `at` first
 */
export function openSpans(hours: WeekHours, at: number, days: number): Span[] {
  const out: Span[] = [];
  for (let d = 0; d < days; d++) {
    const h = hours.days[wall(at, d, 0).getDay()];
    if (h && h.toMin > h.fromMin)
      out.push({ from: wall(at, d, h.fromMin).getTime(), to: wall(at, d, h.toMin).getTime() });
  }
  return out;
}

const wall = (at: number, days: number, minutes: number): Date => {
  const d = new Date(at);
  return new Date(d.getFullYear(), d.getMonth(), d.getDate() + days, 0, minutes, 0, 0);
};

/** What is left of spans when others are taken out. */
export function without(spans: readonly Span[], taken: readonly Span[]): Span[] {
  let out = [...spans];
  for (const t of taken)
    out = out.flatMap((s) =>
      t.to <= s.from || t.from >= s.to
        ? [s]
        : [
            ...(t.from > s.from ? [{ from: s.from, to: t.from }] : []),
            ...(t.to < s.to ? [{ from: t.to, to: s.to }] : []),
          ],
    );
  return out;
}

/** When a person is there: the open hours without days off, the break and times away. */
export function personSpans(
  hours: WeekHours,
  rota: Rota | undefined,
  away: readonly Span[],
  at: number,
  days: number,
): Span[] {
  const on: WeekHours = { days: hours.days.map((h, d) => (rota?.off.includes(d) ? null : h)) };
  const breaks: Span[] = [];
  if (rota && rota.breakFromMin !== null && rota.breakMin > 0)
    for (let d = 0; d < days; d++)
      breaks.push({
        from: wall(at, d, rota.breakFromMin).getTime(),
        to: wall(at, d, rota.breakFromMin + rota.breakMin).getTime(),
      });
  return without(openSpans(on, at, days), [...breaks, ...away]);
}

/** Spans that touch or overlap become one; sorted. */
export function merged(spans: readonly Span[]): Span[] {
  const out: Span[] = [];
  for (const s of [...spans].sort((a, b) => a.from - b.from)) {
    const last = out[out.length - 1];
    if (last && s.from <= last.to) last.to = Math.max(last.to, s.to);
    else if (s.to > s.from) out.push({ ...s });
  }
  return out;
}
