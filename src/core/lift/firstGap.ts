import { bondPerimeter } from '../device/perimeter';
import { boxOf, contains, insideDistanceMm } from '../device/shapes';
import type { Bond, Device, EdgeId, Pt } from '../device/types';
import { nearSegment } from '../device/polygon';
import { judgement } from '../source';
import { depthLimitAt, overMm, type KeepOut } from './depth';

export const cupRadiusMm = judgement(14, 'radius of a small suction cup');
/** A cup holds with its rim this far from any crack, hole or edge, mm. */
export const cupRimMm = judgement(2, 'room round the cup so that it seals');
export const bladeWidthMm = judgement(10, 'width of the blade that makes the first gap');

export interface FirstGap {
  /** middle of the suction cup; null: no place where it would hold */
  cup: { at: Pt; fromEdgeMm: number } | null;
  /** what keeps the cup off, when there is no place */
  cupStoppedBy: 'cracks' | 'room' | null;
  blade: { sMm: number; at: Pt; edge: EdgeId; limitMm: number; limitedBy: string | null };
  reasons: ('nearPort' | 'awayFromPart' | 'awayFromChip' | 'awayFromVent' | 'shattered')[];
}

/**
 * Where the first gap is made: the blade on the first edge of the order, as far from parts, chips and vents as it gets and
 * otherwise near the middle; the suction cup as near to it as it seals.
 * @param edge the edge that is opened first
 * @param cracks polylines on the cover @param chips places of chips, both in the plan frame
 */
export function firstGap(
  device: Device,
  bond: Bond,
  outs: readonly KeepOut[],
  edge: EdgeId,
  cracks: readonly (readonly Pt[])[],
  chips: readonly Pt[],
): FirstGap {
  const path = bondPerimeter(device, bond);
  const span = path.edgeSpan(edge);
  const mid = (span.fromMm + span.toMm) / 2;
  const half = bladeWidthMm.value / 2;
  const need = bond.insetMm + bond.widthMm + overMm.value;
  const vents = bond.gaps;
  let best: { sMm: number; cost: number; limitMm: number; by: KeepOut | null; f: ReturnType<typeof facts> } | null =
    null;
  const limits = new Map<number, ReturnType<typeof depthLimitAt>>();
  const limitAt = (s: number) => {
    const key = Math.round(s * 1e6);
    let found = limits.get(key);
    if (!found) limits.set(key, (found = depthLimitAt(path, bond, outs, s)));
    return found;
  };
  function facts(s: number) {
    const p = path.point(s).at;
    const { limitMm, by } = [-half, 0, half]
      .map((d) => limitAt(s + d))
      .reduce((a, b) => (b.limitMm < a.limitMm ? b : a));
    const chipMm = chips.reduce((m, c) => Math.min(m, Math.hypot(c[0] - p[0], c[1] - p[1])), Infinity);
    const ventMm = vents.reduce((m, v) => {
      const d = [v.fromMm, v.toMm].map((x) => {
        const t = path.wrap(x - s);
        return Math.min(t, path.lengthMm - t);
      });
      const inside = path.wrap(s - v.fromMm) <= v.toMm - v.fromMm;
      return Math.min(m, inside ? 0 : Math.min(...d));
    }, Infinity);
    return { limitMm, by, chipMm, ventMm, corner: path.point(s).corner };
  }
  for (let s = span.fromMm + half; s <= span.toMm - half; s += 1) {
    const f = facts(s);
    // a part in the way weighs most, then a chip, then a vent; the way from the middle of the edge decides among equals
    const cost =
      (f.limitMm < need ? 1e4 : Math.max(0, 10 - f.limitMm) * 10) +
      Math.max(0, 12 - f.chipMm) * 20 +
      Math.max(0, half + 2 - f.ventMm) * 8 +
      (f.corner ? 200 : 0) +
      Math.abs(s - mid) / 10;
    if (!best || cost < best.cost - 1e-9) best = { sMm: s, cost, limitMm: f.limitMm, by: f.by, f };
  }
  const at = best ?? { sMm: mid, cost: 0, limitMm: 30, by: null, f: facts(mid) };
  const p = path.point(at.sMm);
  const shattered = cracks.length > 0;
  const cup = cupPlace(device, bond, p.at, p.normal, cracks);
  const reasons: FirstGap['reasons'] = [];
  if (edge === 'bottom') reasons.push('nearPort');
  if (chips.length && at.f.chipMm >= 12) reasons.push('awayFromChip');
  if (vents.length && at.f.ventMm >= half) reasons.push('awayFromVent');
  if (outs.length && at.limitMm >= 10) reasons.push('awayFromPart');
  if (!cup && shattered) reasons.push('shattered');
  return {
    cup,
    cupStoppedBy: cup ? null : shattered ? 'cracks' : 'room',
    blade: { sMm: path.wrap(at.sMm), at: p.at, edge, limitMm: at.limitMm, limitedBy: at.by?.name ?? null },
    reasons,
  };
}

/** Nearest place to the blade, straight in from the edge, where the cup lies on whole glass. */
function cupPlace(
  device: Device,
  bond: Bond,
  from: Pt,
  normal: Pt,
  cracks: readonly (readonly Pt[])[],
): FirstGap['cup'] {
  const face = device.faces.find((f) => f.id === bond.onFace)!;
  const r = cupRadiusMm.value + cupRimMm.value;
  const box = boxOf(face.cover.outline);
  const reach = Math.min(box.max[0] - box.min[0], box.max[1] - box.min[1]) / 2;
  for (let d = r; d <= reach + 40; d += 1)
    for (const along of [0, 6, -6, 12, -12, 18, -18]) {
      const c: Pt = [from[0] - normal[0] * d - normal[1] * along, from[1] - normal[1] * d + normal[0] * along];
      if (insideDistanceMm(face.cover.outline, c) < r) continue;
      if (face.holes.some((h) => contains(h.shape, c, r))) continue;
      const crossed = cracks.some((pts) => pts.slice(1).some((q, i) => nearSegment(c, pts[i]!, q).d < r));
      if (!crossed) return { at: c, fromEdgeMm: d };
    }
  return null;
}
