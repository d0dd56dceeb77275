import * as flow from '@/work/stock/partFlow';
import type { Settings, StockMove } from '@/model/settings';
import { newId } from '@/store/ids';
import { nowMs } from '@/store/clock';
import { t } from '@/words/stock';

/** Notes a change of stock beside the change itself. */
export const withMove = (s: Settings, m: Omit<StockMove, 'id' | 'at' | 'who'>, at = nowMs()): StockMove[] =>
  flow.withMove(s, m, { at, newId });

export const moveWords: Record<StockMove['what'], string> = {
  get counted() {
    return t('wasCounted');
  },
  get ordered() {
    return t('wasOrdered');
  },
  get arrived() {
    return t('hasArrived');
  },
  get scrapped() {
    return t('thrownAway2');
  },
  get imported() {
    return t('readInFromAFile');
  },
};

/** What of it changed, in words. Entries of before codes hold it as text, in the language of that day. */
export function noteOf(m: StockMove): string {
  if (m.note) return m.note;
  if (m.what === 'imported') return t('lines', { count: m.after });
  if (m.count !== undefined) return t('pieces', { count: m.count });
  if (!m.lot) return '';
  const { id } = m.lot;
  switch (m.lot.change) {
    case 'qty':
      return t('counted', { id });
    case 'date':
      return t('date', { id });
    case 'openLife':
      return t('openLife', { id });
    case 'open':
      return t('open', { id });
    case 'gone':
      return t('thrownAway', { id });
    case 'new':
      return t('aNewLot');
  }
}
