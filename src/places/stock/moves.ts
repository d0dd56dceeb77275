import type { Settings, StockMove } from '@/model/settings';
import { newId } from '@/store/ids';
import { nowMs } from '@/store/clock';

const most = 1000;

/** Notes a change of stock beside the change itself. */
export const withMove = (s: Settings, m: Omit<StockMove, 'id' | 'at' | 'who'>, at = nowMs()): StockMove[] =>
  [...s.stockMoves, { ...m, id: newId().slice(0, 16), at, who: s.person }].slice(-most);

export const moveWords: Record<StockMove['what'], string> = {
  counted: 'counted',
  ordered: 'ordered',
  arrived: 'arrived',
  scrapped: 'thrown away',
  imported: 'read in from a file',
};
