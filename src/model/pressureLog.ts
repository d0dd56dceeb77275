import Papa from 'papaparse';

import { LogError, timeFactor, toClock, toNumber } from './thermoLog';
import { largest } from '../core/numeric/ends';

export interface PressureLog {
  t: number[];
  /** Pa */
  p: number[];
  unit: 'Pa' | 'hPa' | 'kPa';
  /** readings near an atmosphere: the room is in them */
  absolute: boolean;
  /** temperature of the air inside, °C, where the log has a column of it */
  gasC: number[] | null;
}

export const maxPressureBytes = 5e6;
/** Longest log, s. */
export const maxHoldS = 100_000;
/** More readings than this are thinned out evenly. */
const most = 1500;
const factors = { Pa: 1, hPa: 100, kPa: 1000 };

/** Units that testers show too and that are not read: a guess by size would be wrong by a factor. */
const otherUnit = /(^|[^a-z])(bar|psi|psig|atm|torr|in\s*hg|mm\s*hg|(?:mm|in|cm)\s*h2o)([^a-z0-9]|$)/i;

const unitOf = (heading: string): PressureLog['unit'] | null => {
  if (/kpa/i.test(heading)) return 'kPa';
  if (/hpa|mbar|millibar/i.test(heading)) return 'hPa';
  return /(^|[^a-z])pa([^a-z]|$)/i.test(heading) ? 'Pa' : null;
};

/**
 * A pressure log: a time and a pressure in each line, with or without a heading, and the temperature inside where there is a column. The unit is read from the heading; without
 * one it follows from the size, for no room is at 1000 Pa.
 * @param onShare told how far it is, 0 to 1
 * @throws LogError naming the line and what is allowed
 */
export function readPressureLog(text: string, onShare: (share: number) => void = () => {}): PressureLog {
  if (text.length > maxPressureBytes)
    throw new LogError(`log: ${(text.length / 1e6).toFixed(1)} MB, allowed are up to 5 MB`);
  const { data, meta } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    delimitersToGuess: [';', '\t', ',', '|'],
    comments: '#',
  });
  onShare(0.4);
  const comma = meta.delimiter !== ',';
  const isNumber = (c: string | undefined) => c !== undefined && (toNumber(c, comma) ?? toClock(c)) !== null;
  const heading = data[0] && !data[0].some(isNumber) ? data[0] : null;
  const body = heading ? data.slice(1) : data;
  if (body.length < 5) throw new LogError(`log: ${body.length} lines with numbers, needed are at least 5`);
  const width = Math.max(...body.slice(0, 10).map((r) => r.length));
  if (width < 2) throw new LogError('log, line 1: one column, needed are a time and a pressure');
  const column = (words: RegExp, or: number) => {
    const at = heading?.findIndex((h) => words.test(h)) ?? -1;
    return at >= 0 ? at : or;
  };
  const timeAt = column(/time|zeit|^t\b|sec|\bs\b/i, 0);
  const valueAt = column(/press|baro|[khm]?pa\b|mbar/i, timeAt === 0 ? 1 : 0);
  const tempAt = heading?.findIndex((h, i) => i !== timeAt && i !== valueAt && /temp|°\s*[cf]/i.test(h)) ?? -1;
  const fahrenheit = tempAt >= 0 && /°?\s*f\b|fahrenheit/i.test(heading![tempAt]!);
  const other = heading && otherUnit.exec(heading[valueAt] ?? '')?.[2];
  if (other) throw new LogError(`log, line 1: the unit ${other} is not read, allowed are Pa, hPa or mbar, and kPa`);
  const factor = timeFactor(heading?.[timeAt] ?? '');
  const t: number[] = [];
  const raw: number[] = [];
  const gas: number[] = [];
  body.forEach((r, k) => {
    const line = k + (heading ? 2 : 1);
    if (k % 5000 === 0) onShare(0.4 + (0.5 * k) / body.length);
    const plain = toNumber(r[timeAt] ?? '', comma);
    const time = toClock(r[timeAt] ?? '') ?? (plain === null ? null : plain * factor);
    const value = toNumber(r[valueAt] ?? '', comma);
    if (time === null) throw new LogError(`log, line ${line}: "${(r[timeAt] ?? '').slice(0, 20)}" is no time`);
    if (value === null) throw new LogError(`log, line ${line}: "${(r[valueAt] ?? '').slice(0, 20)}" is no pressure`);
    if (t.length && time <= t[t.length - 1]!)
      throw new LogError(`log, line ${line}: the time does not go on, ${time} after ${t[t.length - 1]}`);
    t.push(time);
    raw.push(value);
    if (tempAt < 0) return;
    const read = toNumber(r[tempAt] ?? '', comma);
    if (read === null) throw new LogError(`log, line ${line}: "${(r[tempAt] ?? '').slice(0, 20)}" is no temperature`);
    const c = fahrenheit ? (read - 32) / 1.8 : read;
    if (c < -40 || c > 150)
      throw new LogError(`log, line ${line}: ${read} ${fahrenheit ? '°F' : '°C'}, allowed are -40 to 150 °C`);
    gas.push(c);
  });
  const steps = t.slice(1).map((v, i) => v - t[i]!);
  const usual = [...steps].sort((a, b) => a - b)[steps.length >> 1]!;
  const gap = steps.findIndex((d) => d > 20 * usual);
  if (gap >= 0)
    throw new LogError(
      `log, line ${gap + (heading ? 3 : 2)}: nothing for ${Math.round(steps[gap]!)} s; a hold is recorded without a gap`,
    );
  const size = largest(raw.map(Math.abs));
  const unit =
    (heading && unitOf(heading[valueAt] ?? '')) ?? (size > 5000 ? 'Pa' : size > 300 ? 'hPa' : size > 80 ? 'kPa' : 'Pa');
  const p = raw.map((v) => v * factors[unit]);
  const absolute = p.every((v) => v > 50_000);
  if (p.some((v) => v < -60_000 || v > 200_000))
    throw new LogError(
      `log: ${Math.round(largest(p.map(Math.abs)))} Pa, allowed are -60000 to 200000; is the unit right?`,
    );
  const longS = t[t.length - 1]! - t[0]!;
  if (longS > maxHoldS)
    throw new LogError(
      `log: ${Math.round(longS)} s long, allowed are up to ${maxHoldS} s; is the unit of the times right?`,
    );
  const every = Math.ceil(t.length / most);
  const keep = <T>(list: T[]) => list.filter((_, i) => i % every === 0);
  return { t: keep(t).map((v) => v - t[0]!), p: keep(p), unit, absolute, gasC: tempAt < 0 ? null : keep(gas) };
}
