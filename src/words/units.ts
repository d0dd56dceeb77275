import { isSameDay } from 'date-fns/isSameDay';

import type { Settings } from '@/model/settings';
import { t as tr } from './common';
import { locale } from './language';
import { told } from './told';
import { written } from './written';

type Units = Pick<Settings, 'temperature' | 'length'>;

/** A number with so many places, as the language writes it: 0.25, 0,25. */
export const digits = (value: number, places = 0): string => written(value, places, places);

const two = (n: number) => String(n).padStart(2, '0');

const days = new Map<string, Intl.DateTimeFormat>();
const dayNames = new Map<string, Record<string, string>>();
/** Parts of a day by their names, as the language calls them. Asked a few thousand times a minute, so each day is asked of it once. */
function partsOf(ms: number): Record<string, string> {
  const d = new Date(ms);
  const key = `${locale()} ${d.getFullYear()}-${d.getMonth()}-${d.getDate()}`;
  const known = dayNames.get(key);
  if (known) return known;
  let f = days.get(locale());
  if (!f) {
    f = new Intl.DateTimeFormat(locale(), { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' });
    days.set(locale(), f);
  }
  const parts = Object.fromEntries(f.formatToParts(d).map((p) => [p.type, p.value]));
  if (dayNames.size > 2000) dayNames.clear();
  dayNames.set(key, parts);
  return parts;
}

export const toF = (c: number) => (c * 9) / 5 + 32;
export const fromF = (f: number) => ((f - 32) * 5) / 9;

/** The number a person reads, without its unit. */
export const tempNumber = (c: number, u: Units) => Math.round(u.temperature === 'C' ? c : toF(c));
export const temp = (c: number, u: Units) => `${digits(tempNumber(c, u))} °${u.temperature}`;
/** A difference of temperatures. */
export const kelvin = (k: number, u: Units, places = 1) =>
  u.temperature === 'C' ? `${digits(k, places)} K` : `${digits(k * 1.8, places)} °F`;
/** Both units where a dial is set: a dial read in the wrong unit is a classic mistake. */
export const dial = (c: number) => `${Math.round(c)} °C / ${Math.round(toF(c))} °F`;

export const lengthNumber = (mm: number, u: Units, places = 1) =>
  u.length === 'mm' ? digits(mm, places) : digits(mm / 25.4, places + 2);
/** The same as a number, rounded as it is shown. */
export const lengthValue = (mm: number, u: Units, places = 1): number =>
  u.length === 'mm' ? Number(mm.toFixed(places)) : Number((mm / 25.4).toFixed(places + 2));
export const length = (mm: number, u: Units, places = 1) => `${lengthNumber(mm, u, places)} ${u.length}`;
/** What was typed in the reader's unit, in mm. */
export const typedToMm = (value: number, u: Units) => (u.length === 'mm' ? value : value * 25.4);
export const typedToC = (value: number, u: Units) => (u.temperature === 'C' ? value : fromF(value));

/** m:ss, or h:mm with an h behind once it is over an hour. Negative spans show a plus: time over. */
export function clock(s: number): string {
  const over = s < -0.5;
  const t = Math.abs(Math.round(s));
  if (t >= 36 * 3600) return `${over ? '+' : ''}${Math.round(t / 3600)} h`;
  if (t >= 3600)
    return `${over ? '+' : ''}${Math.floor(t / 3600)}:${String(Math.floor((t % 3600) / 60)).padStart(2, '0')} h`;
  return `${over ? '+' : ''}${Math.floor(t / 60)}:${String(t % 60).padStart(2, '0')}`;
}

/** How far a person rounds a stretch of time up to so many seconds. Judgement: what nobody would say more finely. */
const saidTo = [
  { belowS: 20, stepS: 1 },
  { belowS: 120, stepS: 5 },
  { belowS: 600, stepS: 10 },
  { belowS: Infinity, stepS: 60 },
];
/** A stretch of time as it is said: 45 s, 2 min 10 s, 1 h 26 min. What runs on a button or a ring goes by the second, see `clock`. */
export function spoken(s: number): string {
  const { stepS } = saidTo.find((r) => Math.abs(s) < r.belowS)!;
  const t = Math.round(Math.abs(s) / stepS) * stepS;
  if (t < 60) return `${t} s`;
  if (t >= 3600) return span(t);
  return t % 60 ? `${Math.floor(t / 60)} min ${t % 60} s` : `${t / 60} min`;
}

/** How far a person rounds a stretch of hours up to so many minutes. Judgement, as above. */
const hoursTo = [
  { belowMin: 180, stepMin: 1 },
  { belowMin: 600, stepMin: 5 },
  { belowMin: Infinity, stepMin: 30 },
];
/** A stretch of work in words: 54 min, 1 h 26 min, 4 h 20 min, 41 h. */
export function span(s: number): string {
  const exact = Math.round(Math.abs(s) / 60);
  const { stepMin } = hoursTo.find((r) => exact < r.belowMin)!;
  const min = Math.round(exact / stepMin) * stepMin;
  if (min < 60) return `${min} min`;
  if (min >= 36 * 60) return `${Math.round(min / 60)} h`;
  return min % 60 ? `${Math.floor(min / 60)} h ${min % 60} min` : `${min / 60} h`;
}

/** Hours to 24, in both languages. */
export const time = (ms: number) => {
  const d = new Date(ms);
  return `${two(d.getHours())}:${two(d.getMinutes())}`;
};
/** To the second, for what was tapped just now. */
export const timeS = (ms: number) => `${time(ms)}:${two(new Date(ms).getSeconds())}`;
export const day = (ms: number) => {
  const p = partsOf(ms);
  return `${p.weekday} ${p.day} ${p.month}`;
};
/** A day of this year, without its weekday: 14 Apr. */
export const dayMonth = (ms: number) => {
  const p = partsOf(ms);
  return `${p.day} ${p.month}`;
};
export const dayMonthYear = (ms: number) => `${dayMonth(ms)} ${partsOf(ms).year}`;
const months = new Map<string, Intl.DateTimeFormat>();
/** A month by its name, long or short, with its year where that is asked for. */
export function monthName(ms: number, how: 'long' | 'short' = 'short', year = false): string {
  const key = `${locale()} ${how} ${year}`;
  let f = months.get(key);
  if (!f) {
    f = new Intl.DateTimeFormat(locale(), { month: how, ...(year ? { year: 'numeric' } : {}) });
    months.set(key, f);
  }
  return f.format(ms);
}
/** Time today, day and time otherwise. */
export const dayTime = (ms: number, now: number) => (isSameDay(ms, now) ? time(ms) : `${day(ms)} ${time(ms)}`);
export const stamp = (ms: number) => {
  const p = partsOf(ms);
  return `${p.day} ${p.month} ${p.year} ${time(ms)}:${two(new Date(ms).getSeconds())}`;
};

export const percent = (share: number) =>
  share >= 0.1 ? `${Math.round(share * 100)} %` : share >= 0.001 ? `${digits(share * 100, 1)} %` : tr('under01');

/** A chance as it is said: 1 in 12, 3 in 10; what is close to nothing or to certain by its bound. Exact under Why. */
export function chance(share: number): string {
  if (!(share > 0)) return tr('chanceNone');
  if (share < 1 / 1000) return tr('chanceUnder', { of: 1000 });
  if (share > 0.99) return tr('chanceSure');
  const of = 1 / share;
  if (of >= 2.75) {
    const step = of < 20 ? 1 : of < 100 ? 5 : of < 300 ? 20 : 100;
    return tr('chanceOf', { n: 1, of: Math.max(3, Math.round(of / step) * step) });
  }
  // about a half and above, in tenths; a half is one in two
  const tenths = Math.min(9, Math.round(10 * share));
  return tenths === 5 ? tr('chanceOf', { n: 1, of: 2 }) : tr('chanceOf', { n: tenths, of: 10 });
}

/** Words in a row, the last joined as the language joins it; what floors below name is said in it too. */
export const listed = (words: readonly string[]): string =>
  new Intl.ListFormat(locale(), { type: 'conjunction' }).format(words.map(told));
/** From one to another, both with their unit. */
export const rangeText = (low: string, high: string): string => tr('rangeOf', { low, high });
/** So many of so many. */
export const countOf = (count: number, of: number): string => tr('countOf', { n: count, of });
/** What, and where it is. */
export const whereText = (what: string, where: string): string => tr('thingAt', { what, where });

/** Area in cm² or square inches; small ones in mm². */
export const area = (mm2: number, u: Units) =>
  u.length === 'in'
    ? `${digits(mm2 / 645.16, 2)} in²`
    : mm2 < 100
      ? `${digits(mm2)} mm²`
      : `${digits(mm2 / 100, 1)} cm²`;

/** Money from minor units, two decimals and the currency behind. */
export const price = (minor: number, currency: string) => `${digits(minor / 100, 2)}\u00a0${currency}`;
