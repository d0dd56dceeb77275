import { bondPerimeter, coverOf, describePlace, Perimeter } from '../device/perimeter';
import type { Bond, Device, Pt } from '../device/types';

export interface GaugePoint {
  id: string;
  sMm: number;
  /** in the plan frame, mm */
  at: Pt;
  normal: Pt;
  place: ReturnType<typeof describePlace>;
}

/** 12 points miss crumbs: 16 on a phone, 20 on a perimeter over 600 mm. */
export const gaugeCount = (perimeterMm: number) => (perimeterMm > 600 ? 20 : 16);

/** Guided points round the cover's edge in the order of a walk, two at every corner region. */
export function gaugePoints(device: Device, bond: Bond): GaugePoint[] {
  const edge = new Perimeter(coverOf(device, bond).outline);
  const ring = bondPerimeter(device, bond);
  const n = gaugeCount(edge.lengthMm);
  return edge.spread(n, -edge.lengthMm / (2 * n)).map(({ sMm, point }, i) => ({
    id: `g${i + 1}`,
    sMm: ring.locate(point.at),
    at: point.at,
    normal: point.normal,
    place: describePlace(edge, sMm),
  }));
}
