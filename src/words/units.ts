import { format } from 'date-fns/format';
import { isSameDay } from 'date-fns/isSameDay';

import type { Settings } from '@/model/settings';

type Units = Pick<Settings, 'temperature' | 'length'>;

export const toF = (c: number) => (c * 9) / 5 + 32;
export const fromF = (f: number) => ((f - 32) * 5) / 9;

/** The number a person reads, without its unit. */
export const tempNumber = (c: number, u: Units) => Math.round(u.temperature === 'C' ? c : toF(c));
export const temp = (c: number, u: Units) => `${tempNumber(c, u)} °${u.temperature}`;
/** A difference of temperatures. */
export const kelvin = (k: number, u: Units, digits = 1) =>
  u.temperature === 'C' ? `${k.toFixed(digits)} K` : `${(k * 1.8).toFixed(digits)} °F`;
/** Both units where a dial is set: a dial read in the wrong unit is a classic mistake. */
export const dial = (c: number) => `${Math.round(c)} °C / ${Math.round(toF(c))} °F`;

export const lengthNumber = (mm: number, u: Units, digits = 1) =>
  u.length === 'mm' ? mm.toFixed(digits) : (mm / 25.4).toFixed(digits + 2);
export const length = (mm: number, u: Units, digits = 1) => `${lengthNumber(mm, u, digits)} ${u.length}`;
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

/** A stretch of work in words: 54 min, 1 h 26 min, 41 h. */
export function span(s: number): string {
  const min = Math.round(Math.abs(s) / 60);
  if (min < 60) return `${min} min`;
  if (min >= 36 * 60) return `${Math.round(min / 60)} h`;
  return min % 60 ? `${Math.floor(min / 60)} h ${min % 60} min` : `${min / 60} h`;
}

export const time = (ms: number) => format(ms, 'HH:mm');
/** Time today, day and time otherwise. */
export const dayTime = (ms: number, now: number) => format(ms, isSameDay(ms, now) ? 'HH:mm' : 'EEE d MMM HH:mm');
export const day = (ms: number) => format(ms, 'EEE d MMM');
export const stamp = (ms: number) => format(ms, 'd MMM yyyy HH:mm:ss');

export const percent = (share: number) =>
  share >= 0.1 ? `${Math.round(share * 100)} %` : share >= 0.001 ? `${(share * 100).toFixed(1)} %` : 'under 0.1 %';

/** Area in cm² or square inches; small ones in mm². */
export const area = (mm2: number, u: Units) =>
  u.length === 'in'
    ? `${(mm2 / 645.16).toFixed(2)} in²`
    : mm2 < 100
      ? `${mm2.toFixed(0)} mm²`
      : `${(mm2 / 100).toFixed(1)} cm²`;

/** Money from minor units, two decimals and the currency behind. */
export const price = (minor: number, currency: string) => `${(minor / 100).toFixed(2)}\u00a0${currency}`;
