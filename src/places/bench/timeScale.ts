import type { Bar, Lane } from '@/work/bench/lanes';

export const slotHeight = 26;
export const headHeight = 22;
export const labelWidth = 76;
const gap = 8;
/** bars are set down on steps of this length, ms */
export const stepMs = 5 * 60e3;

export interface Row {
  lane: Lane;
  y: number;
  h: number;
  slots: number;
}

export interface Box {
  x: number;
  y: number;
  w: number;
  h: number;
}

/** Where instants and lanes lie on a time line, px. */
export interface TimeScale {
  rows: readonly Row[];
  width: number;
  height: number;
  /** of an instant; what lies outside stands at the rim */
  x: (at: number) => number;
  box: (row: Row, b: Bar) => Box;
  /** the row at a height; null: none */
  rowAt: (y: number) => Row | null;
  /** instant that a bar comes to when it is moved by so many px */
  movedTo: (b: Bar, dx: number) => number;
  /** px of one step */
  stepPx: number;
  /** full hours, or parts of them, that the line is marked at */
  ticks: readonly number[];
  bottomOf: (row: Row) => number;
}

function rowsOf(lanes: readonly Lane[]): Row[] {
  const out: Row[] = [];
  for (const lane of lanes) {
    const slots = Math.min(4, Math.max(1, ...lane.bars.map((b) => b.slots)));
    const above = out[out.length - 1];
    out.push({ lane, y: above ? above.y + above.h + gap : headHeight, h: slots * slotHeight, slots });
  }
  return out;
}

function ticksOf(fromAt: number, toAt: number): number[] {
  const hours = (toAt - fromAt) / 3600e3;
  const tickMs = (hours <= 3 ? 0.5 : hours <= 9 ? 1 : hours <= 18 ? 2 : hours <= 30 ? 4 : 12) * 3600e3;
  const zone = new Date(fromAt).getTimezoneOffset() * 60e3;
  const ticks: number[] = [];
  for (let k = Math.ceil((fromAt - zone) / tickMs) * tickMs + zone; k < toAt; k += tickMs) ticks.push(k);
  return ticks;
}

export function timeScale(lanes: readonly Lane[], fromAt: number, toAt: number, width: number): TimeScale {
  const rows = rowsOf(lanes);
  const scale = (width - labelWidth) / (toAt - fromAt);
  const x = (at: number) => labelWidth + (Math.max(fromAt, Math.min(toAt, at)) - fromAt) * scale;
  const last = rows[rows.length - 1];
  return {
    rows,
    width,
    height: (last ? last.y + last.h : headHeight) + 4,
    x,
    box: (row, b) => ({
      x: x(b.fromAt),
      y: row.y + Math.min(b.slot, row.slots - 1) * slotHeight,
      w: Math.max(3, x(b.toAt) - x(b.fromAt)),
      h: slotHeight - 2,
    }),
    rowAt: (y) => rows.find((r) => y >= r.y - gap / 2 && y <= r.y + r.h + gap / 2) ?? null,
    movedTo: (b, dx) => Math.round((b.fromAt + dx / scale) / stepMs) * stepMs,
    stepPx: stepMs * scale,
    ticks: ticksOf(fromAt, toAt),
    bottomOf: (row) => row.y + row.h + gap / 2,
  };
}
