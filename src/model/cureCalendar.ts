import { createEvents, type DateArray, type EventAttributes } from 'ics';

export interface CalendarEntry {
  uid: string;
  at: number;
  title: string;
  note: string;
}

const utc = (ms: number): DateArray => {
  const d = new Date(ms);
  return [d.getUTCFullYear(), d.getUTCMonth() + 1, d.getUTCDate(), d.getUTCHours(), d.getUTCMinutes()];
};

/**
 * Ends of a cure as an iCalendar file, one entry of ten minutes for each, with an alarm. Instants go out as UTC, so that the
 * calendar shows them in its own zone.
 * @throws Error when the calendar cannot be made
 */
export function cureCalendar(entries: readonly CalendarEntry[]): string {
  const events = entries.map((e): EventAttributes => ({
    uid: e.uid,
    // a minute up: never earlier than the clock says
    start: utc(Math.ceil(e.at / 60_000) * 60_000),
    startInputType: 'utc',
    startOutputType: 'utc',
    duration: { minutes: 10 },
    title: e.title,
    description: e.note,
    productId: 'northcove',
    alarms: [{ action: 'display', description: e.title, trigger: { minutes: 0, before: true } }],
  }));
  const { error, value } = createEvents(events);
  if (error || !value) throw new Error(`the calendar was not made: ${error?.message ?? 'no text'}`);
  return value;
}
