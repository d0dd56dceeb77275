import { t } from './common';
import { listed } from './units';

/** What is drawn on a face: cracks, the pieces that they make where that was worked out, chips. */
export const crackCounts = (n: { cracks?: number; pieces?: number; chips?: number }): string =>
  listed([
    ...(n.cracks === undefined ? [] : [t('cracksDrawnOn', { count: n.cracks })]),
    ...(n.pieces === undefined ? [] : [t('piecesOfIt', { count: n.pieces })]),
    ...(n.chips === undefined ? [] : [t('chipsOnIt', { count: n.chips })]),
  ]);
