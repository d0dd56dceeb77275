import { extent } from 'd3-array';
import { scaleLinear, scaleTime, scaleUtc, type ScaleLinear } from 'd3-scale';

import type { Tone } from './tones';

/** One curve over the plot's own x values; null where nothing is known. */
export interface PlotLine {
  id: string;
  name: string;
  y: readonly (number | null)[];
  tone?: Tone;
  /** so that nothing hangs on colour */
  dash?: readonly number[];
  /** its range, as a band behind it */
  band?: { low: readonly number[]; high: readonly number[] };
  /** each value a dot of its own, joined by nothing */
  dots?: boolean;
}

/** A level that means something, across the whole plot, with its name at the line. */
export interface PlotMark {
  name: string;
  at: number;
  tone?: Tone;
}

/** An instant, upright, with its name over it. */
export interface PlotInstant {
  name: string;
  at: number;
}

/** A stretch along x, tinted, with its name under the instants. */
export interface PlotSpan {
  name: string;
  from: number;
  to: number;
}

export interface PlotAxis {
  /** of all curves, rising */
  at: readonly number[];
  /** a plain number; seconds from a start; an instant in ms */
  kind: 'number' | 'span' | 'instant';
  name: string;
  text: (x: number) => string;
}

export interface PlotScale {
  name: string;
  text: (y: number) => string;
  /** what it spans at least */
  from?: number;
  to?: number;
}

export interface PlotData {
  x: PlotAxis;
  y: PlotScale;
  lines: readonly PlotLine[];
  marks?: readonly PlotMark[];
  instants?: readonly PlotInstant[];
  spans?: readonly PlotSpan[];
  /** what was measured, at x values of its own */
  points?: { name: string; at: readonly (readonly [number, number])[]; tone?: Tone };
}

/** Size of the letters in a plot and what a letter takes across, px: a little more than the widest that is usual. */
export const letter = { px: 13, body: 7, num: 8, line: 15 };

interface Placed {
  text: string;
  x: number;
  y: number;
}

export interface PlotLayout {
  left: number;
  right: number;
  top: number;
  bottom: number;
  x: ScaleLinear<number, number>;
  y: ScaleLinear<number, number>;
  xTicks: Placed[];
  yTicks: (Placed & { value: number })[];
  marks: (Placed & { lineY: number; tone: Tone })[];
  instants: (Placed & { lineX: number; from: number })[];
  spans: { x: number; width: number; text: string; textX: number; y: number }[];
}

/** d3 counts time in ms; a span is told in s. */
const unit = { number: 1, span: 1e3, instant: 1 };

/** Keeps a label of that width inside [from, to]; `x` is its middle. */
const inside = (x: number, width: number, from: number, to: number) =>
  Math.min(Math.max(x, from + width / 2), Math.max(from + width / 2, to - width / 2));

/** Pushes labels apart that would stand on each other, downwards, then all of them up again into the frame. */
function apart(list: { y: number }[], gap: number, from: number, to: number): void {
  list.sort((a, b) => a.y - b.y);
  for (let i = 0; i < list.length; i++) list[i]!.y = Math.max(list[i]!.y, i ? list[i - 1]!.y + gap : from);
  for (let i = list.length - 1; i >= 0; i--)
    list[i]!.y = Math.min(list[i]!.y, i === list.length - 1 ? to : list[i + 1]!.y - gap);
}

/** Rows of labels over each other, each as near to its place as it can be, so that none covers another. */
function inRows<T extends { x: number; width: number }>(list: readonly T[]): { item: T; row: number }[] {
  const ends: number[] = [];
  return [...list]
    .sort((a, b) => a.x - b.x)
    .map((item) => {
      const from = item.x - item.width / 2;
      let row = ends.findIndex((e) => e + 6 <= from);
      if (row < 0) row = ends.push(0) - 1;
      ends[row] = from + item.width;
      return { item, row };
    });
}

/**
 * Where everything of a plot stands, px: round ticks, and no label cut or on another one.
 * @param p curves with at least one x; `width` at least 120 px
 */
export function plotLayout(p: PlotData, width: number, height: number): PlotLayout {
  const values = p.lines.flatMap((l) => [
    ...l.y.filter((v): v is number => v !== null),
    ...(l.band ? [...l.band.low, ...l.band.high] : []),
  ]);
  const [least = 0, most = 1] = extent(
    [...values, ...(p.marks ?? []).map((m) => m.at), ...(p.points?.at ?? []).map((q) => q[1]), p.y.from, p.y.to].filter(
      (v): v is number => v !== undefined && Number.isFinite(v),
    ),
  ) as [number?, number?];
  const rows = Math.max(3, Math.min(6, Math.floor(height / 34)));
  const y = scaleLinear()
    .domain(least === most ? [least - 1, most + 1] : [least, most])
    .nice(rows);
  const yTicks = y.ticks(rows);
  const left = 10 + letter.num * Math.max(...yTicks.map((v) => p.y.text(v).length));
  const right = width - 6;

  const [x0, x1] = [p.x.at[0] ?? 0, p.x.at[p.x.at.length - 1] ?? 1];
  const ms = unit[p.x.kind];
  const scale = p.x.kind === 'number' ? scaleLinear() : p.x.kind === 'span' ? scaleUtc() : scaleTime();
  const x = (scale as ScaleLinear<number, number>).domain([x0 * ms, (x1 > x0 ? x1 : x0 + 1) * ms]).range([left, right]);
  const at = (v: number) => x(v * ms);

  const named = [...(p.instants ?? [])]
    .filter((i) => i.at >= x0 && i.at <= x1)
    .map((i) => {
      const w = letter.body * i.name.length;
      return { ...i, width: w, x: inside(at(i.at), w, left, right) };
    });
  const placed = inRows(named);
  const instantRows = placed.reduce((m, r) => Math.max(m, r.row + 1), 0);
  const shown = (p.spans ?? [])
    .map((s) => ({ ...s, from: Math.max(s.from, x0), to: Math.min(s.to, x1) }))
    .filter((s) => s.to > s.from);
  const top = 8 + letter.line * instantRows + (shown.length ? letter.line : 0);
  const bottom = height - letter.line - 7;
  y.range([bottom, top]);

  // as many names along the foot as have room beside each other
  const widest = Math.max(...[x0, x1].map((v) => p.x.text(v).length), 2) * letter.num + 14;
  const wanted = Math.max(2, Math.min(8, Math.floor((right - left) / widest)));
  const foot = (x.ticks(wanted) as (number | Date)[])
    .map((v) => Number(v) / ms)
    .filter((v) => p.x.kind !== 'number' || Number.isInteger(v) || x1 - x0 < 3);
  const xTicks: Placed[] = [];
  for (const v of foot) {
    const text = p.x.text(v);
    const w = letter.num * text.length;
    const mid = inside(at(v), w, left - 8, right + 6);
    const last = xTicks[xTicks.length - 1];
    if (!last || mid - w / 2 >= last.x + (letter.num * last.text.length) / 2 + 6)
      xTicks.push({ text, x: mid, y: height - 5 });
  }

  const marks = (p.marks ?? []).map((m) => ({
    text: m.name,
    tone: m.tone ?? ('ink2' as Tone),
    lineY: y(m.at),
    x: right - 2,
    y: y(m.at) - 4,
  }));
  apart(marks, letter.line, top + letter.px, bottom - 3);

  return {
    left,
    right,
    top,
    bottom,
    x,
    y,
    xTicks,
    yTicks: yTicks.map((value) => ({ value, text: p.y.text(value), x: left - 6, y: y(value) + 4 })),
    marks,
    instants: placed.map(({ item, row }) => ({
      text: item.name,
      x: item.x,
      y: 13 + letter.line * row,
      lineX: at(item.at),
      from: 17 + letter.line * row,
    })),
    spans: shown.map((s) => ({
      x: at(s.from),
      width: at(s.to) - at(s.from),
      text: s.name,
      textX: inside((at(s.from) + at(s.to)) / 2, letter.body * s.name.length, left, right),
      y: top - 4,
    })),
  };
}

/** Place across of an x value, px. */
export const xOf = (l: PlotLayout, kind: PlotAxis['kind'], x: number): number => l.x(x * unit[kind]);
/** The x value at a place across. */
export const xAt = (l: PlotLayout, kind: PlotAxis['kind'], px: number): number => Number(l.x.invert(px)) / unit[kind];

/** Rows of the table behind a plot: at most so many, the ends always among them. */
export function plotRows(p: PlotData, most = 13): { columns: string[]; rows: string[][] } {
  const n = p.x.at.length;
  const step = Math.max(1, Math.ceil((n - 1) / (most - 1)));
  const picked = p.x.at.map((_, i) => i).filter((i) => i % step === 0 || i === n - 1);
  return {
    columns: [p.x.name, ...p.lines.map((l) => l.name)],
    rows: picked.map((i) => [
      p.x.text(p.x.at[i]!),
      ...p.lines.map((l) => {
        const v = l.y[i];
        if (v === null || v === undefined) return '–';
        return l.band ? `${p.y.text(v)} (${p.y.text(l.band.low[i]!)}–${p.y.text(l.band.high[i]!)})` : p.y.text(v);
      }),
    ]),
  };
}
