import { demoSettingsAt } from '@/demo/shop';
import { stockNow } from '@/model/stock';
import { partArrived, partOrdered } from './partFlow';

const at = Date.UTC(2026, 3, 14, 13);
const demoSettings = demoSettingsAt(at);
let n = 0;
const by = { at, newId: () => `id-${n++}-abcdefghijklmnop` };
const part = demoSettings.parts.find((p) => p.id === 'ring54-glass-genuine')!;
const stock = stockNow(demoSettings, []);
const have = (s: typeof demoSettings) =>
  stockNow(s, [])
    .parts.get(part.id)!
    .reduce((m, l) => m + l.qty, 0);

it('an order is noted, its delivery is a lot with its number, and both stand among the moves', () => {
  const ordered = { ...demoSettings, ...partOrdered(demoSettings, stock, part, { qty: 2, dueAt: at + 86400e3 }, by) };
  const own = ordered.parts.find((p) => p.id === part.id)!;
  const order = own.onOrder.at(-1)!;
  expect(order).toMatchObject({ qty: 2, dueAt: at + 86400e3 });
  expect(have(ordered)).toBe(have(demoSettings));
  const here = {
    ...ordered,
    ...partArrived(ordered, stockNow(ordered, []), own, { qty: 2, lot: ' B 77 ', orderId: order.id }, by),
  };
  const now = here.parts.find((p) => p.id === part.id)!;
  expect(now.onOrder.some((o) => o.id === order.id)).toBe(false);
  expect(now.lots.at(-1)).toMatchObject({ id: 'B 77', qty: 2 });
  expect(have(here)).toBe(have(demoSettings) + 2);
  expect(here.stockMoves.slice(-2).map((m) => m.what)).toEqual(['ordered', 'arrived']);
});

it('the same number twice is two lots, and no packet is lost when there are many', () => {
  let s = demoSettings;
  const arrive = (lot: string) => {
    const own = s.parts.find((p) => p.id === part.id)!;
    s = { ...s, ...partArrived(s, stockNow(s, []), own, { qty: 1, lot, orderId: null }, by) };
  };
  const before = have(s);
  for (let i = 0; i < 3; i++) arrive('x');
  expect(
    s.parts
      .find((p) => p.id === part.id)!
      .lots.slice(-3)
      .map((l) => l.id),
  ).toEqual(['x', 'x-2', 'x-3']);
  expect(have(s)).toBe(before + 3);
});
