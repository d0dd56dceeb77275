import Papa from 'papaparse';
import { z } from 'zod';

import './zodConfig';
import { bare } from '../core/bare';
import { plainCell, rowsCsv } from './csv';
import { explain } from './event';
import type { Lot, Settings } from './settings';
import { rollKey, type Stock } from './stock';

/** Largest list that is read, characters. */
export const maxStockChars = 5e6;

const columns = [
  'kind',
  'item',
  'device',
  'part',
  'origin',
  'lot',
  'quantity',
  'unit',
  'expires',
  'opened',
  'open_life_days',
  'lead_days',
] as const;

const date = z
  .string()
  .regex(/^(\d{4}-\d{2}-\d{2})?$/, { error: 'a date is written 2026-04-30, or left empty' })
  .refine((t) => !t || !Number.isNaN(new Date(`${t}T00:00`).getTime()), { error: 'there is no such day' })
  .refine((t) => !t || (t >= '2000-01-01' && t <= '2099-12-31'), { error: 'allowed is 2000-01-01 to 2099-12-31' });
const number = (low: number, high: number) =>
  z
    .string()
    .trim()
    .refine((t) => t !== '' && Number.isFinite(Number(t)) && Number(t) >= low && Number(t) <= high, {
      error: `allowed is ${low} to ${high}`,
    })
    .transform(Number);
const empty = z.literal('');

const row = z.object({
  kind: z.enum(['part', 'liquid', 'roll', 'offcut', 'ring']),
  item: z.string().min(1).max(60),
  device: z.string().max(60).default(''),
  part: z.string().max(40).default(''),
  origin: z.string().max(40).default(''),
  lot: z.string().max(60).default(''),
  quantity: number(0, 1e6),
  unit: z.string().max(10).default(''),
  expires: date.default(''),
  opened: date.default(''),
  open_life_days: z.union([empty, number(0, 3650)]).default(''),
  lead_days: z.union([empty, number(0, 365)]).default(''),
});

const day = (at: number | null) => {
  if (at === null) return '';
  const d = new Date(at);
  return `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, '0')}-${String(d.getDate()).padStart(2, '0')}`;
};
const instant = (t: string) => (t ? new Date(`${t}T00:00`).getTime() : null);
const round = (v: number) => Math.round(v * 1000) / 1000;

/** What is in stock now, one line for each lot. */
export function stockCsv(s: Settings, stock: Stock): string {
  const rows: (string | number)[][] = [];
  const lot = (l: Lot) => [l.id, round(l.qty)];
  const dates = (l: Lot) => [day(l.expiresAt), day(l.openedAt), l.openLifeDays ?? ''];
  for (const p of s.parts)
    for (const l of stock.parts.get(p.id) ?? [])
      rows.push(['part', p.id, p.deviceId, p.item, p.origin, ...lot(l), 'pieces', ...dates(l), p.leadDays]);
  for (const l of s.liquids)
    for (const t of stock.tubes.get(l.id) ?? [])
      rows.push(['liquid', l.id, '', '', '', ...lot(t), 'ml', ...dates(t), '']);
  for (const t of s.tapes) {
    for (const r of t.rolls)
      rows.push([
        'roll',
        t.id,
        '',
        '',
        '',
        r.id,
        round(stock.rolls.get(rollKey(t.id, r.id)) ?? 0),
        'mm',
        '',
        '',
        '',
        '',
      ]);
    for (const o of stock.offcuts.get(t.id) ?? [])
      rows.push(['offcut', t.id, '', '', '', o.id, round(o.lengthMm), 'mm', '', '', '', '']);
  }
  for (const [id, n] of stock.rings) rows.push(['ring', id, '', '', '', '', n, 'pieces', '', '', '', '']);
  return rowsCsv(columns, rows);
}

/** Most of each that one item keeps, as the settings say; a file with more is refused, never cut. */
const mostLots = 40;
const mostRolls = 20;
const mostOffcuts = 60;
const mostParts = 200;
const mostRings = 500;

/** Adds to a list in the map; false when it is full. */
function add<T>(to: Map<string, T[]>, key: string, x: T, most: number): boolean {
  const list = to.get(key);
  if (list) list.push(x);
  else to.set(key, [x]);
  return (list?.length ?? 1) <= most;
}

const tooMany = (at: string, most: number, what: string) => ({ problem: `${at}, item: over ${most} ${what}` });

export type StockChange = Partial<Pick<Settings, 'parts' | 'liquids' | 'tapes' | 'ringsInStock'>>;

/**
 * Reads a stock list back as a count of now. All or nothing: the problem names the line, the column and the allowed range. Items
 * that the file does not name stay as they are.
 * @param ringsTaken rings that jobs took, by device: a count of now stands on top of them
 * @param onShare told how far it is, 0 to 1
 */
export function readStockCsv(
  text: string,
  s: Settings,
  now: number,
  ringsTaken: ReadonlyMap<string, number>,
  onShare: (share: number) => void = () => {},
): { change: StockChange; lines: number } | { problem: string } {
  if (text.length > maxStockChars) return { problem: `the file: over ${maxStockChars / 1e6} MB` };
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: true,
  });
  const missing = ['kind', 'item', 'quantity'].filter((c) => !parsed.meta.fields?.includes(c));
  if (missing.length) return { problem: `line 1: no column ${missing.join(', ')}` };
  const lots = new Map<string, Lot[]>();
  const rolls = new Map<string, { id: string; lengthMm: number; countedAt: number }[]>();
  const offcuts = new Map<string, { id: string; lengthMm: number }[]>();
  const rings = bare<number>();
  const parts = new Map(s.parts.map((p) => [p.id, p]));
  const seen = new Set<string>();
  let lines = 0;
  let ringCount = 0;
  for (const [i, data] of parsed.data.entries()) {
    const at = `line ${i + 2}`;
    if (i % 2000 === 0) onShare(0.3 + (0.7 * i) / parsed.data.length);
    const plain = Object.fromEntries(Object.entries(data).map(([k, v]) => [k, plainCell(String(v)).trim()]));
    const read = row.safeParse(plain);
    if (!read.success) return { problem: `${at}, ${explain(read.error)}` };
    const r = read.data;
    const key = `${r.kind}|${r.item}|${r.lot}`;
    if (seen.has(key)) return { problem: `${at}, lot: ${r.item} ${r.lot || 'without a lot'} is there twice` };
    seen.add(key);
    const lotId = r.lot || `n${i + 1}`;
    const lot: Lot = {
      id: lotId,
      qty: r.quantity,
      expiresAt: instant(r.expires),
      openedAt: instant(r.opened),
      openLifeDays: r.open_life_days === '' ? null : r.open_life_days,
    };
    if (r.kind === 'part' || r.kind === 'ring') {
      if (!Number.isInteger(r.quantity))
        return { problem: `${at}, quantity: ${r.quantity} is no whole number of pieces` };
    }
    switch (r.kind) {
      case 'part': {
        const known = parts.get(r.item);
        if (!known && parts.size >= mostParts) return tooMany(at, mostParts, 'kinds of parts');
        if (!known && !(r.device && r.part && r.origin))
          return { problem: `${at}, item: ${r.item} is not known; a new part needs device, part and origin` };
        parts.set(r.item, {
          ...(known ?? {
            id: r.item,
            deviceId: r.device,
            item: r.part,
            origin: r.origin,
            lots: [],
            leadDays: 4,
            leadSdDays: 1,
            onOrder: [],
            countedAt: now,
          }),
          ...(r.lead_days === '' ? {} : { leadDays: r.lead_days }),
        });
        if (!add(lots, `part|${r.item}`, lot, mostLots)) return tooMany(at, mostLots, `lots of ${r.item}`);
        break;
      }
      case 'liquid':
        if (!s.liquids.some((l) => l.id === r.item))
          return { problem: `${at}, item: ${r.item} is no liquid of this shop` };
        if (!add(lots, `liquid|${r.item}`, lot, mostLots)) return tooMany(at, mostLots, `tubes of ${r.item}`);
        break;
      case 'roll':
      case 'offcut':
        if (!s.tapes.some((t) => t.id === r.item)) return { problem: `${at}, item: ${r.item} is no tape of this shop` };
        if (r.kind === 'roll') {
          if (!add(rolls, r.item, { id: lotId, lengthMm: r.quantity, countedAt: now }, mostRolls))
            return tooMany(at, mostRolls, `rolls of ${r.item}`);
        } else if (!add(offcuts, r.item, { id: lotId, lengthMm: r.quantity }, mostOffcuts))
          return tooMany(at, mostOffcuts, `offcuts of ${r.item}`);
        break;
      case 'ring':
        if (++ringCount > mostRings) return tooMany(at, mostRings, 'kinds of rings');
        rings[r.item] = r.quantity + (ringsTaken.get(r.item) ?? 0);
        break;
    }
    lines++;
  }
  if (!lines) return { problem: 'the file: nothing in it' };
  return {
    lines,
    change: {
      parts: [...parts.values()].map((p) => {
        const own = lots.get(`part|${p.id}`);
        return own ? { ...p, lots: own, countedAt: now } : p;
      }),
      liquids: s.liquids.map((l) => {
        const own = lots.get(`liquid|${l.id}`);
        return own ? { ...l, tubes: own, leftMl: own.reduce((m, x) => m + x.qty, 0), countedAt: now } : l;
      }),
      tapes: s.tapes.map((t) => ({
        ...t,
        ...(rolls.has(t.id) ? { rolls: rolls.get(t.id)! } : {}),
        ...(offcuts.has(t.id) ? { offcuts: offcuts.get(t.id)!, offcutsAt: now } : {}),
      })),
      ringsInStock: { ...s.ringsInStock, ...rings },
    },
  };
}
