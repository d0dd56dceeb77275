import { bulkOrder, learnRate, partOrder, type OrderAdvice } from '../core/stock/reorder';
import { goodUntil } from '../core/stock/firstOut';
import { judgement } from '../core/source';
import type { JobState } from './fold';
import { atEachJoint } from './joints';
import type { LiquidStock, PartStock, Settings, TapeStock } from './settings';
import { keyOfPart, partsOfJob, partTakenAt, quantityOf, rollsOf, type Stock } from './stock';
import { largest } from '../core/numeric/ends';

export const rateFigures = {
  windowDays: judgement(60, 'days of the log that a rate of use is learned from'),
  rollMm: judgement(25000, 'a roll as it is bought'),
  leastDays: judgement(14, 'a younger shop counts as so many days'),
};

const day = 86400e3;

/** Use by day over the last weeks: mean and scatter. */
export interface DailyUse {
  perDay: number;
  sdPerDay: number;
  days: number;
}

type Log = JobState;

/** Days that the log covers, up to the window. */
export function coveredDays(jobs: readonly Pick<Log, 'openedAt'>[], now: number): number {
  const first = jobs.reduce((m, j) => Math.min(m, j.openedAt), now);
  return Math.min(rateFigures.windowDays.value, Math.max(rateFigures.leastDays.value, (now - first) / day));
}

function daily(amounts: readonly { at: number; amount: number }[], days: number, now: number): DailyUse {
  const n = Math.ceil(days);
  const sums = new Array<number>(n).fill(0);
  for (const a of amounts) {
    const k = Math.floor((now - a.at) / day);
    if (k >= 0 && k < n) sums[k]! += a.amount;
  }
  const mean = sums.reduce((a, b) => a + b, 0) / n;
  const variance = n > 1 ? sums.reduce((s, v) => s + (v - mean) ** 2, 0) / (n - 1) : 0;
  return { perDay: mean, sdPerDay: Math.sqrt(variance), days: n };
}

/** What was really taken of each item by each bonding. */
const takes = (jobs: readonly Log[]) =>
  jobs.flatMap(atEachJoint).flatMap((j) =>
    j.bondings.flatMap((e) => {
      const real = j.consumed.get(e.id);
      const list = (e.used ?? []).map((u) => ({
        at: e.at,
        kind: u.kind,
        id: u.id,
        tape: e.tapeId ?? e.itemId,
        amount: real?.get(u.id) ?? u.amount,
      }));
      // a strip that was noted before stock had items
      return list.length || e.adhesive !== 'cutTape'
        ? list
        : [{ at: e.at, kind: 'roll' as const, id: '', tape: e.itemId, amount: e.usedMm }];
    }),
  );

export function tapeUse(t: TapeStock, first: boolean, jobs: readonly Log[], now: number): DailyUse {
  const own = takes(jobs).filter(
    (x) => (x.kind === 'roll' || x.kind === 'offcut') && (x.tape === t.id || (first && x.tape === undefined)),
  );
  return daily(own, coveredDays(jobs, now), now);
}

export function liquidUse(l: LiquidStock, jobs: readonly Log[], now: number): DailyUse {
  return daily(
    takes(jobs).filter((x) => x.kind === 'liquid' && x.id === l.id),
    coveredDays(jobs, now),
    now,
  );
}

/** Times that a part was taken within the window. */
export function partUse(p: PartStock, jobs: readonly Log[], now: number): { count: number; days: number } {
  const days = coveredDays(jobs, now);
  const key = keyOfPart(p);
  const count = jobs.flatMap(atEachJoint).filter((j) => {
    const at = partsOfJob(j).includes(key) ? partTakenAt(j) : null;
    return at !== null && now - at <= days * day;
  }).length;
  return { count, days };
}

export interface ItemAdvice {
  id: string;
  kind: 'tape' | 'liquid' | 'part';
  unit: 'mm' | 'ml' | 'pieces';
  have: number;
  onOrder: number;
  reserved: number;
  use: { perDay: number; days: number; count: number | null };
  advice: OrderAdvice;
  /** what is over its date or goes off within a fortnight */
  goesOff: { id: string; qty: number; at: number }[];
}

/** Everything that is ordered: what is there, what is used, and when to order how much. */
export function adviceFor(s: Settings, stock: Stock, jobs: readonly Log[], now: number): ItemAdvice[] {
  const soon = (
    lots: readonly {
      id: string;
      qty: number;
      expiresAt: number | null;
      openedAt: number | null;
      openLifeDays: number | null;
    }[],
  ) =>
    lots
      .filter((l) => l.qty > 0 && goodUntil(l) < now + 14 * day)
      .map((l) => ({ id: l.id, qty: l.qty, at: goodUntil(l) }));
  const good = (lots: Parameters<typeof soon>[0]) => lots.filter((l) => goodUntil(l) >= now);
  const life = (lots: Parameters<typeof soon>[0]) => {
    const ends = lots.map((l) => goodUntil(l)).filter((e) => Number.isFinite(e) && e > now);
    // beyond ten years nothing more is to be said
    return ends.length ? Math.min(3650, (largest(ends) - now) / day) : null;
  };
  const out: ItemAdvice[] = [];
  s.tapes.forEach((t, i) => {
    const have = rollsOf(stock, t).reduce((m, r) => m + r.lengthMm, 0);
    const use = tapeUse(t, i === 0, jobs, now);
    out.push({
      id: t.id,
      kind: 'tape',
      unit: 'mm',
      have,
      onOrder: 0,
      reserved: 0,
      use: { perDay: use.perDay, days: use.days, count: null },
      advice: bulkOrder(use.perDay, use.sdPerDay, s.lead, have, rateFigures.rollMm.value, null, s.stockShare),
      goesOff: [],
    });
  });
  for (const l of s.liquids) {
    const lots = stock.tubes.get(l.id) ?? [];
    const have = quantityOf(good(lots));
    const use = liquidUse(l, jobs, now);
    out.push({
      id: l.id,
      kind: 'liquid',
      unit: 'ml',
      have,
      onOrder: 0,
      reserved: 0,
      use: { perDay: use.perDay, days: use.days, count: null },
      advice: bulkOrder(use.perDay, use.sdPerDay, s.lead, have, l.tubeMl, life(lots), s.stockShare),
      goesOff: soon(lots),
    });
  }
  for (const p of s.parts) {
    const lots = stock.parts.get(p.id) ?? [];
    const have = quantityOf(good(lots));
    const onOrder = p.onOrder.reduce((m, o) => m + o.qty, 0);
    const reserved = stock.reserved.get(p.id) ?? 0;
    const { count, days } = partUse(p, jobs, now);
    out.push({
      id: p.id,
      kind: 'part',
      unit: 'pieces',
      have,
      onOrder,
      reserved,
      use: { perDay: count / days, days, count },
      // what open jobs will take is as good as gone
      advice: partOrder(
        learnRate(count, days),
        { days: p.leadDays, sdDays: p.leadSdDays },
        have + onOrder - reserved,
        life(lots),
        s.stockShare,
      ),
      goesOff: soon(lots),
    });
  }
  return out;
}
