import type { PartStock, Settings, StockMove } from '@/model/settings';
import { keyOfPart, partsOfJob, quantityOf, type Stock } from '@/model/stock';
import type { JobState } from '@/model/fold';

/** Moves of stock that are kept. */
const mostMoves = 1000;
const mostOrders = 20;
const mostLots = 40;

/** Who notes it, when, and names for what is new. */
export interface NotedBy {
  at: number;
  newId: () => string;
}

type Change = Pick<Settings, 'parts' | 'stockMoves'>;

/** Notes a change of stock beside the change itself. */
export const withMove = (s: Settings, m: Omit<StockMove, 'id' | 'at' | 'who'>, by: NotedBy): StockMove[] =>
  [...s.stockMoves, { ...m, id: by.newId().slice(0, 16), at: by.at, who: s.person }].slice(-mostMoves);

const put = (s: Settings, part: PartStock, change: Partial<PartStock>): PartStock[] =>
  s.parts.map((x) => (x.id === part.id ? { ...x, ...change } : x));

/** What is counted in the shop of the parts that a job takes. */
export const countedFor = (s: Pick<Settings, 'parts'>, job: Pick<JobState, 'route' | 'model'>): PartStock[] => {
  const keys = new Set(partsOfJob(job));
  return s.parts.filter((p) => keys.has(keyOfPart(p)));
};

/** A delivery, counted as a lot of its own from now on; the order that it was goes. */
export function partArrived(
  s: Settings,
  stock: Stock,
  part: PartStock,
  { qty, lot, orderId }: { qty: number; lot?: string | undefined; orderId: string | null },
  by: NotedBy,
): Change {
  const lots = stock.parts.get(part.id) ?? [];
  const have = quantityOf(lots);
  const taken = new Set(lots.map((l) => l.id));
  const wanted = (lot?.trim() || (orderId ?? by.newId())).slice(0, lot?.trim() ? 60 : 5);
  // a second packet with the same number is a lot of its own
  let id = wanted;
  for (let n = 2; taken.has(id); n++) id = `${wanted.slice(0, 56)}-${n}`;
  return {
    parts: put(s, part, {
      // empty packets make room
      lots: [
        ...lots.filter((l) => l.qty > 0).slice(-(mostLots - 1)),
        { id, qty, expiresAt: null, openedAt: null, openLifeDays: null },
      ],
      countedAt: by.at,
      onOrder: part.onOrder.filter((o) => o.id !== orderId),
    }),
    stockMoves: withMove(s, { item: part.id, what: 'arrived', before: have, after: have + qty, note: '' }, by),
  };
}

/** An order, with the day that it comes. */
export function partOrdered(
  s: Settings,
  stock: Stock,
  part: PartStock,
  order: { qty: number; dueAt: number | null },
  by: NotedBy,
): Change {
  const have = quantityOf(stock.parts.get(part.id) ?? []);
  return {
    parts: put(s, part, {
      onOrder: [...part.onOrder, { id: by.newId().slice(0, 12), at: by.at, ...order }].slice(-mostOrders),
    }),
    stockMoves: withMove(
      s,
      { item: part.id, what: 'ordered', before: have, after: have, count: order.qty, note: '' },
      by,
    ),
  };
}
