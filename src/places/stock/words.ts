import { itemOf, works } from '@/core/intake/route';
import { originNames, workNames } from '@/model/eventLine';
import type { PartStock, Settings } from '@/model/settings';
import type { ItemAdvice } from '@/model/stockUse';
import { length } from '@/words/units';

/** A part in words: what it is for, of which origin. */
export function partName(
  p: Pick<PartStock, 'deviceId' | 'item' | 'origin'>,
  nameOf: (deviceId: string) => string,
): string {
  const work = works.find((w) => itemOf[w] === p.item);
  const origin = originNames[p.origin as keyof typeof originNames] ?? p.origin;
  return `${nameOf(p.deviceId)}: ${work ? workNames[work] : p.item}, ${origin}`;
}

export const amount = (a: Pick<ItemAdvice, 'unit'>, v: number, s: Settings): string =>
  a.unit === 'mm'
    ? length(v, s, 0)
    : a.unit === 'ml'
      ? `${v.toFixed(1)} ml`
      : `${Math.round(v)} ${Math.round(v) === 1 ? 'piece' : 'pieces'}`;

/** One line of what to order: how much, and why now. */
export function orderText(a: ItemAdvice, name: string, s: Settings): string {
  const pack =
    a.kind === 'tape'
      ? a.advice.qty === 1
        ? 'roll'
        : 'rolls'
      : a.kind === 'liquid'
        ? a.advice.qty === 1
          ? 'tube'
          : 'tubes'
        : a.advice.qty === 1
          ? 'piece'
          : 'pieces';
  const there = [
    amount(a, a.have, s),
    ...(a.onOrder ? [`${a.onOrder} on order`] : []),
    ...(a.reserved ? [`${a.reserved} for open jobs`] : []),
  ].join(', ');
  const days = a.use.perDay > 0 ? `, enough for ${Math.round(Math.max(0, a.have) / a.use.perDay)} days` : '';
  return `${name}: order ${a.advice.qty} ${pack}. Here: ${there}${days}; it is ordered at ${amount(a, a.advice.point, s)}${a.advice.cappedByLife ? '; more would go off first' : ''}.`;
}
