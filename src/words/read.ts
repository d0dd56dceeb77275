import { digits } from './units';
import { t as tr } from './common';

/** A limit as it is written: no more places than it has. */
const shown = (v: number) => digits(v, Number.isInteger(v) ? 0 : Math.min(6, (String(v).split('.')[1] ?? '').length));

/** Reads what was typed: a comma is a decimal point. Null with a message when it is not a number in range. */
export function readNumber(
  text: string,
  label: string,
  low: number,
  high: number,
  unit: string,
): { value: number } | { problem: string } {
  const t = text.trim().replace(',', '.').replace('−', '-');
  const allowed = tr('allowedRange', { low: shown(low), high: shown(high), unit }).trim();
  if (!t) return { problem: tr('enter', { label, allowed }) };
  if (!/^[+-]?(\d+\.?\d*|\.\d+)$/.test(t))
    return { problem: tr('enterYouEntered', { label, allowed, given: t.slice(0, 20) }) };
  const value = Number(t);
  return value >= low && value <= high
    ? { value }
    : { problem: tr('enterYouEntered2', { label, allowed, given: t.slice(0, 20) }) };
}

/** A time of day as it is written: 16:30 or 1630. */
export function readTime(text: string): { hours: number; minutes: number } | null {
  const m = /^\s*(\d{1,2})[:.h]?(\d{2})\s*$/.exec(text);
  if (!m) return null;
  const hours = Number(m[1]);
  const minutes = Number(m[2]);
  return hours < 24 && minutes < 60 ? { hours, minutes } : null;
}
