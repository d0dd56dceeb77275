import type { Settings, StockMove } from '@/model/settings';
import { newId } from '@/store/ids';
import { nowMs } from '@/store/clock';
import { t } from '@/words/stock';

const most = 1000;

/** Notes a change of stock beside the change itself. */
export const withMove = (s: Settings, m: Omit<StockMove, 'id' | 'at' | 'who'>, at = nowMs()): StockMove[] =>
  [...s.stockMoves, { ...m, id: newId().slice(0, 16), at, who: s.person }].slice(-most);

export const moveWords: Record<StockMove['what'], string> = {
  counted: 'counted',
  ordered: 'ordered',
  arrived: 'arrived',
  get scrapped() {
    return t('thrownAway2');
  },
  get imported() {
    return t('readInFromAFile');
  },
};
