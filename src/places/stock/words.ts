import { workDefs, works } from '@/core/intake/works';
import { originNames, workNames } from '@/words/eventLine';
import type { PartStock, Settings } from '@/model/settings';
import type { ItemAdvice } from '@/model/stockUse';
import { digits, length } from '@/words/units';
import { t } from '@/words/stock';

/** A kind of part by the work that takes it. */
export const itemName = (item: string): string => {
  const work = works.find((w) => workDefs[w].item === item);
  return work ? workNames[work] : item;
};

/** A part in words: what it is for, of which origin. */
export function partName(
  p: Pick<PartStock, 'deviceId' | 'item' | 'origin'>,
  nameOf: (deviceId: string) => string,
): string {
  const origin = originNames[p.origin as keyof typeof originNames] ?? p.origin;
  return `${nameOf(p.deviceId)}: ${itemName(p.item)}, ${origin}`;
}

export const amount = (a: Pick<ItemAdvice, 'unit'>, v: number, s: Settings): string =>
  a.unit === 'mm'
    ? length(v, s, 0)
    : a.unit === 'ml'
      ? t('ml', { figure: digits(v, 1) })
      : Math.round(v) === 1
        ? t('piece', { v: Math.round(v) })
        : t('pieces2', { v: Math.round(v) });

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
    ...(a.onOrder ? [t('onOrder2', { onOrder: a.onOrder })] : []),
    ...(a.reserved ? [t('forOpenJobs', { reserved: a.reserved })] : []),
  ].join(', ');
  const days = a.use.perDay > 0 ? t('enoughForDays', { max: Math.round(Math.max(0, a.have) / a.use.perDay) }) : '';
  return a.advice.cappedByLife
    ? t('orderHereOrderWhenDownTo', { name, qty: a.advice.qty, pack, there, days, a: amount(a, a.advice.point, s) })
    : t('orderHereOrderWhenDownTo2', { name, qty: a.advice.qty, pack, there, days, a: amount(a, a.advice.point, s) });
}
