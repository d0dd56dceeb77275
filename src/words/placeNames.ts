import { describePlace, type Perimeter } from '@/core/device/perimeter';
import type { EdgeId } from '@/core/device/types';
import { said } from './codes';
import { t } from './log';

const edgeNames: Record<EdgeId, string> = {
  get bottom() {
    return t('bottomEdge');
  },
  get left() {
    return t('leftEdge');
  },
  get top() {
    return t('topEdge');
  },
  get right() {
    return t('rightEdge');
  },
};

export const edgeName = (e: EdgeId) => edgeNames[e];

/** "right edge, upper" in the words of the bench. */
export function placeName(path: Perimeter, sMm: number): string {
  const p = describePlace(path, sMm);
  if (p.corner) {
    const next: Record<EdgeId, string> = {
      bottom: t('lowerLeft'),
      left: t('upperLeft'),
      top: t('upperRight'),
      right: t('lowerRight'),
    };
    return t('corner', { edge: next[p.edge] });
  }
  return `${edgeNames[p.edge]}, ${said(p.third)}`;
}
