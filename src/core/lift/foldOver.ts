import { bondPerimeter } from '../device/perimeter';
import { boxOf } from '../device/shapes';
import type { Bond, Cable, Device, EdgeId } from '../device/types';
import { judgement } from '../source';

export const slackShare = judgement(
  0.8,
  'share of the slack that may be used up, so that nothing pulls at the connector',
);

export interface FoldOver {
  cable: Cable;
  /** how far the cover may be turned over each edge before the cable is taut, degrees; 180: it lies beside the device */
  byEdgeDeg: Record<EdgeId, number>;
  /** the recorded way */
  edge: EdgeId;
  openDeg: number;
  /** the way that gives most room, when it is better than the recorded one */
  betterEdge: EdgeId | null;
  /** how high the cover may be lifted off flat, mm */
  flatMm: number;
  unplugFirst: boolean;
}

const edges: EdgeId[] = ['bottom', 'left', 'top', 'right'];

/**
 * How far a cover may be turned over an edge before it hangs on its cable: the cable's ends, on the body and on the cover,
 * lie at the distance d from the hinge line and part by the chord 2 d sin(θ/2) (geometry). The connector is taken where the
 * cable's reach ends.
 */
export function foldOver(device: Device, bond: Bond, cable: Cable): FoldOver {
  const path = bondPerimeter(device, bond);
  const p = path.point((cable.at.fromMm + cable.at.toMm) / 2);
  const out = bond.insetMm + bond.widthMm / 2 - cable.reachMm;
  const x = p.at[0] + p.normal[0] * out;
  const y = p.at[1] + p.normal[1] * out;
  const face = device.faces.find((f) => f.id === bond.onFace)!;
  const { min, max } = boxOf(face.cover.outline);
  const d: Record<EdgeId, number> = { bottom: max[1] - y, top: y - min[1], left: x - min[0], right: max[0] - x };
  const usable = cable.slackMm * slackShare.value;
  const angle = (mm: number) => (usable >= 2 * mm ? 180 : (2 * Math.asin(usable / (2 * mm)) * 180) / Math.PI);
  const byEdgeDeg = Object.fromEntries(edges.map((e) => [e, angle(Math.max(0.1, d[e]))])) as FoldOver['byEdgeDeg'];
  const best = edges.reduce((a, b) => (byEdgeDeg[b] > byEdgeDeg[a] + 1 ? b : a), cable.foldToward);
  return {
    cable,
    byEdgeDeg,
    edge: cable.foldToward,
    openDeg: byEdgeDeg[cable.foldToward],
    betterEdge: best === cable.foldToward ? null : best,
    flatMm: usable,
    unplugFirst: cable.unplugFirst || byEdgeDeg[cable.foldToward] < 90,
  };
}
