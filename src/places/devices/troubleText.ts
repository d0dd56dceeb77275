import type { Trouble } from '@/store/sync/trouble';
import { t } from '@/words/devices';

/** A difference of clocks as one says it. */
export function differenceText(ms: number): string {
  const min = Math.abs(ms) / 60_000;
  if (min < 90) return t('minutes', { n: Math.max(1, Math.round(min)) });
  return min < 48 * 60 ? t('hours', { n: Math.round(min / 60) }) : t('days', { n: Math.round(min / 1440) });
}

/** What is wrong with another device, or with belonging to the shop. */
export function troubleText(x: Trouble): string {
  const name = 'from' in x && x.from !== '?' ? x.from : t('someone');
  switch (x.kind) {
    case 'refused':
      return t('troubleRefused', { name, count: x.count, what: x.what });
    case 'strange':
      return t('troubleStrange');
    case 'garbled':
      return t('troubleGarbled', { name });
    case 'clock':
      return t('troubleClock', { name, by: differenceText(x.byMs) });
    case 'settings':
      return t('troubleSettings', { name, what: x.what });
    case 'over':
      return t('troubleOver');
  }
}
