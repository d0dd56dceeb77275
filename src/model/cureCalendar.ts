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
export const cureCalendar = (entries: readonly CalendarEntry[]): string => calendar(entries, 0);

/** Promise times as an iCalendar file, with an alarm half an hour before. @throws Error when it cannot be made */
export const planCalendar = (entries: readonly CalendarEntry[]): string => calendar(entries, 30);

function calendar(entries: readonly CalendarEntry[], alarmMin: number): string {
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
    alarms: [{ action: 'display', description: e.title, trigger: { minutes: alarmMin, before: true } }],
  }));
  const { error, value } = createEvents(events);
  if (error || !value) throw new Error(`the calendar was not made: ${error?.message ?? 'no text'}`);
  return value;
}
