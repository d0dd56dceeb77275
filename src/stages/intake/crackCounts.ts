import { t } from '@/words/intake';
import { listed } from '@/words/units';

/** What is drawn on a face: cracks, the pieces that they make, chips. */
export const crackCounts = (n: { cracks?: number; pieces: number; chips: number }): string =>
  listed([
    ...(n.cracks === undefined ? [] : [t('cracksDrawnOn', { count: n.cracks })]),
    t('piecesOfIt', { count: n.pieces }),
    t('chipsOnIt', { count: n.chips }),
  ]);
