import Papa from 'papaparse';
import { largest } from '../core/numeric/ends';

/** A thermocouple log as it was read from a file, with what was found in it and how. */
export interface ThermoLog {
  tS: number[];
  tempC: number[];
  unit: 'C' | 'F';
  /** the unit stood in the heading, or was guessed from the first reading */
  unitFrom: 'heading' | 'guess';
  timeName: string;
  tempName: string;
  /** other columns with numbers, to choose instead */
  otherTemps: string[];
  /** lines without a reading (open probe, dashes) that were left out */
  skipped: number;
}

/** What somebody knows better: the name of the temperature column, or its unit. */
export interface ThermoChoice {
  temp?: string;
  unit?: 'C' | 'F';
}

/** The file is no log that can be read; the message names the line or column and what is allowed. */
export class LogError extends Error {}

export const maxLogBytes = 5e6;
const gaps = /^(|-+|nan|n\/a|ol|open|err(or)?|null)$/i;

/** "12.5", "12,5" beside other separators, "1e2". */
export function toNumber(text: string, comma: boolean): number | null {
  const t = text.trim().replace(/\s*°?\s*[cfCF]$/, '');
  const plain = comma ? t.replace(',', '.') : t;
  return /^[-+]?(\d+\.?\d*|\.\d+)(e[-+]?\d+)?$/i.test(plain) ? Number(plain) : null;
}

/** Seconds from a clock "h:mm:ss", "mm:ss", a date with a clock, or null. */
export function toClock(text: string): number | null {
  const t = text.trim();
  const clock = /^(?:(\d{1,3}):)?(\d{1,2}):(\d{1,2}(?:[.,]\d+)?)$/.exec(t);
  if (clock) return Number(clock[1] ?? 0) * 3600 + Number(clock[2]) * 60 + Number(clock[3]!.replace(',', '.'));
  if (/^\d{4}-\d{2}-\d{2}[ T]\d{2}:\d{2}/.test(t)) {
    const ms = Date.parse(t.replace(' ', 'T'));
    return Number.isNaN(ms) ? null : ms / 1e3;
  }
  return null;
}

const timeWords = /(^|[^a-z])(time|elapsed|t|s|sec|seconds|min|minutes|clock|date)([^a-z]|$)/i;
const tempWords = /temp|°|deg|celsius|fahrenheit|probe|thermo|channel|ch ?\d|(^|[^a-z])[cf]([^a-z]|$)/i;

/** Seconds in the unit of a column of times, by its heading. */
export function timeFactor(heading: string): number {
  if (/(^|[^a-z])ms|milli/i.test(heading)) return 1e-3;
  if (/(^|[^a-z])min/i.test(heading)) return 60;
  if (/(^|[^a-z])(h|hours?)([^a-z]|$)/i.test(heading)) return 3600;
  return 1;
}

const unitOf = (heading: string): 'C' | 'F' | null =>
  /°? ?f(ahrenheit)?([^a-z]|$)/i.test(heading) ? 'F' : /°? ?c(elsius)?([^a-z]|$)/i.test(heading) ? 'C' : null;

/**
 * Reads a log of time and temperature: comma, semicolon or tab between columns, a heading or none, seconds, minutes or a
 * clock, °C or °F. Takes time in proportion to the lines.
 * @param onShare told how far it is, 0 to 1
 * @throws LogError
 */
export function readThermoLog(
  text: string,
  choose: ThermoChoice = {},
  onShare: (share: number) => void = () => {},
): ThermoLog {
  if (text.length > maxLogBytes) throw new LogError(`log: ${Math.round(text.length / 1e6)} MB, allowed are up to 5 MB`);
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    delimitersToGuess: [';', '\t', ',', '|'],
    comments: '#',
  });
  onShare(0.3);
  const rows = parsed.data;
  if (rows.length < 2)
    throw new LogError('log: no lines with numbers, needed are a time and a temperature in each line');
  const comma = parsed.meta.delimiter !== ',';
  const isNumber = (c: string | undefined) => c !== undefined && (toNumber(c, comma) !== null || toClock(c) !== null);
  const hasHeading = !rows[0]!.some(isNumber);
  const width = Math.max(...rows.slice(0, 20).map((r) => r.length));
  if (width < 2) throw new LogError('log, line 1: one column, needed are a time and a temperature');
  const names = Array.from({ length: width }, (_, i) => (hasHeading && rows[0]![i]?.trim()) || `column ${i + 1}`);
  const body = hasHeading ? rows.slice(1) : rows;

  const timeOf = (c: string | undefined): number | null =>
    c === undefined ? null : (toClock(c) ?? toNumber(c, comma));
  // a column counts when a good part of it is numbers and little of it is anything but numbers and gaps
  const numeric = names.flatMap((_, i) => {
    onShare(0.3 + (0.2 * i) / width);
    const numbers = body.filter((r) => timeOf(r[i]) !== null).length;
    const blank = body.filter((r) => gaps.test((r[i] ?? '').trim())).length;
    return numbers >= 0.3 * body.length && numbers + blank > body.length / 2 ? [i] : [];
  });
  const rises = (i: number) => {
    const v = body.map((r) => timeOf(r[i])).filter((x) => x !== null);
    return v.length > 1 && v.every((x, k) => k === 0 || x >= v[k - 1]!) && v[v.length - 1]! > v[0]!;
  };
  const rising = numeric.filter(rises);
  const timeCol =
    rising.find((i) => hasHeading && timeWords.test(names[i]!)) ??
    rising.find((i) => body.some((r) => toClock(r[i] ?? '') !== null)) ??
    rising[0];
  if (timeCol === undefined) throw new LogError('log: no column of times that go up');
  const temps = numeric.filter(
    (i) => i !== timeCol && !(hasHeading && /(^|[^a-z])(time|date|no|index|n)([^a-z]|$)/i.test(names[i]!)),
  );
  const tempCol =
    temps.find((i) => names[i] === choose.temp) ??
    temps.find((i) => hasHeading && tempWords.test(names[i]!)) ??
    temps[0];
  if (tempCol === undefined) throw new LogError('log: no column of temperatures beside the times');

  const factor = timeFactor(names[timeCol]!);
  const tS: number[] = [];
  const raw: number[] = [];
  let skipped = 0;
  body.forEach((r, k) => {
    const line = k + (hasHeading ? 2 : 1);
    if (k % 5000 === 0) onShare(0.6 + (0.4 * k) / body.length);
    const cell = r[tempCol] ?? '';
    const clock = toClock(r[timeCol] ?? '');
    const t = clock ?? (timeOf(r[timeCol]) === null ? null : timeOf(r[timeCol])! * factor);
    const v = toNumber(cell, comma);
    if (v === null && gaps.test(cell.trim())) return void skipped++;
    if (v === null) throw new LogError(`log, line ${line}: "${cell.slice(0, 20)}" is no temperature`);
    if (t === null) throw new LogError(`log, line ${line}: "${(r[timeCol] ?? '').slice(0, 20)}" is no time`);
    if (v < -200 || v > 1000) throw new LogError(`log, line ${line}: ${v}, allowed are -200 to 1000`);
    // two readings of one second: the later one stands
    if (tS.length && t <= tS[tS.length - 1]!) {
      if (t < tS[tS.length - 1]!) throw new LogError(`log, line ${line}: the time goes back`);
      raw[raw.length - 1] = v;
      return;
    }
    tS.push(t);
    raw.push(v);
  });
  if (tS.length < 2) throw new LogError('log: fewer than two readings');
  const said = unitOf(names[tempCol]!.replace(/^ch(annel)? ?\d+/i, ''));
  // a bench at 59 to 95 is a bench in °F
  const guess = raw[0]! >= 59 && raw[0]! <= 95 && largest(raw) > 130 ? 'F' : 'C';
  const unit = choose.unit ?? said ?? guess;
  const t0 = tS[0]!;
  return {
    tS: tS.map((t) => t - t0),
    tempC: raw.map((v) => (unit === 'F' ? ((v - 32) * 5) / 9 : v)),
    unit,
    unitFrom: said && (choose.unit === undefined || choose.unit === said) ? 'heading' : 'guess',
    timeName: names[timeCol]!,
    tempName: names[tempCol]!,
    otherTemps: temps.filter((i) => i !== tempCol).map((i) => names[i]!),
    skipped,
  };
}
