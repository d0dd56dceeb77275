import { judgement } from '../source';
import { bondPerimeter } from './perimeter';
import { boxOf } from './shapes';
import type { Bond, Cable, Device, Pt } from './types';

/** A cover is set aside when it can be opened this far, degrees. */
export const openEnoughDeg = judgement(90, 'a cover that stands upright can be held while its cable is unplugged');

export interface CableFold {
  cable: Cable;
  /** where the cable is fixed to the cover */
  at: Pt;
  /** from the hinge line to that place, mm */
  leverMm: number;
  /** opening angle at which the cable is straight, degrees; 180: it never is */
  maxDeg: number;
  /** slack for opening the cover right over, mm */
  neededMm: number;
}

/**
 * How far a cover may be turned about an edge before its cable is taut. The anchor moves on a circle round the hinge:
 * the straight way between its two ends is 2 l sin(θ/2) (chord of a circle, geometry).
 */
export function cableFold(device: Device, bond: Bond, cable: Cable): CableFold {
  const path = bondPerimeter(device, bond);
  const p = path.point((cable.at.fromMm + cable.at.toMm) / 2);
  const at: Pt = [p.at[0] - p.normal[0] * cable.reachMm, p.at[1] - p.normal[1] * cable.reachMm];
  const box = boxOf(device.leaves[0]!.outline);
  const lever = {
    left: at[0] - box.min[0],
    right: box.max[0] - at[0],
    top: at[1] - box.min[1],
    bottom: box.max[1] - at[1],
  }[cable.foldToward];
  const leverMm = Math.max(0, lever);
  const share = leverMm > 0 ? cable.slackMm / (2 * leverMm) : 1;
  return {
    cable,
    at,
    leverMm,
    maxDeg: share >= 1 ? 180 : (2 * Math.asin(share) * 180) / Math.PI,
    neededMm: 2 * leverMm,
  };
}
