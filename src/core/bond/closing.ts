import { bondPerimeter, faceOf } from '../device/perimeter';
import { boxOf } from '../device/shapes';
import type { Bond, Device, EdgeId, Pt } from '../device/types';

const opposite: Record<EdgeId, EdgeId> = { bottom: 'top', top: 'bottom', left: 'right', right: 'left' };

export interface Closing {
  /** what is laid on first: the edge that the cable folds over, the camera opening, or a corner */
  first: 'cableEdge' | 'camera' | 'corner';
  edge: EdgeId;
  then: EdgeId;
  /** places to press in their order, along the bond's centre line, mm */
  press: number[];
}

/**
 * Which side goes down first and in which order it is pressed: outward from there on both sides in turn, so that air runs
 * ahead of the press and leaves at the far end.
 */
export function closingOrder(device: Device, bond: Bond, points = 12): Closing {
  const face = faceOf(device, bond);
  const path = bondPerimeter(device, bond);
  const { min, max } = boxOf(face.cover.outline);
  const cable = device.cables.find((c) => (c.onFace ?? 'back') === face.id || (!c.onFace && face.side === 'back'));
  const camera = face.holes.find((h) => h.role === 'camera');
  const toEdge = (p: Pt): EdgeId => path.point(path.locate(p)).edge;
  const centre = (b: { min: Pt; max: Pt }): Pt => [(b.min[0] + b.max[0]) / 2, (b.min[1] + b.max[1]) / 2];
  const first: Closing['first'] = cable ? 'cableEdge' : camera ? 'camera' : 'corner';
  const edge: EdgeId = cable
    ? cable.foldToward
    : camera
      ? centre(boxOf(camera.shape))[1] < (min[1] + max[1]) / 2
        ? 'top'
        : 'bottom'
      : toEdge([max[0], max[1]]);
  const startAt: Pt = camera && !cable ? centre(boxOf(camera.shape)) : middle(edge, min, max);
  const start = first === 'corner' ? path.locate([max[0], max[1]]) : path.locate(startAt);
  const step = path.lengthMm / points;
  const press = Array.from({ length: points }, (_, i) => {
    const k = Math.ceil(i / 2) * (i % 2 ? 1 : -1);
    return path.wrap(start + k * step);
  });
  return { first, edge, then: opposite[edge], press };
}

const middle = (edge: EdgeId, min: Pt, max: Pt): Pt =>
  edge === 'top'
    ? [(min[0] + max[0]) / 2, min[1]]
    : edge === 'bottom'
      ? [(min[0] + max[0]) / 2, max[1]]
      : edge === 'left'
        ? [min[0], (min[1] + max[1]) / 2]
        : [max[0], (min[1] + max[1]) / 2];
