import { describePlace, type Perimeter } from '@/core/device/perimeter';
import type { EdgeId } from '@/core/device/types';

const edgeNames: Record<EdgeId, string> = {
  bottom: 'bottom edge',
  left: 'left edge',
  top: 'top edge',
  right: 'right edge',
};

export const edgeName = (e: EdgeId) => edgeNames[e];

/** "right edge, upper" in the words of the bench. */
export function placeName(path: Perimeter, sMm: number): string {
  const p = describePlace(path, sMm);
  if (p.corner) {
    const next: Record<EdgeId, string> = {
      bottom: 'lower left',
      left: 'upper left',
      top: 'upper right',
      right: 'lower right',
    };
    return `${next[p.edge]} corner`;
  }
  return `${edgeNames[p.edge]}, ${p.third}`;
}
