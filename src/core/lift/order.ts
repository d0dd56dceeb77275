import { bondPerimeter } from '../device/perimeter';
import { boxOf } from '../device/shapes';
import type { Bond, Device, EdgeId } from '../device/types';
import { judgement } from '../source';
import type { KeepOut } from './depth';

export type EdgeReason = 'loose' | 'farFromCamera' | 'camera' | 'cable' | 'buttons' | 'warmest' | 'joinsOpen';

export interface EdgeStep {
  edge: EdgeId;
  fromMm: number;
  toMm: number;
  reasons: EdgeReason[];
}

/** An edge this much warmer than the mean is cut as if it were the bottom edge, K. */
export const kPerPoint = judgement(20, 'warmth that outweighs the start at the bottom edge');

const neighbours: Record<EdgeId, EdgeId[]> = {
  bottom: ['left', 'right'],
  left: ['bottom', 'top'],
  top: ['left', 'right'],
  right: ['bottom', 'top'],
};

/**
 * Order of the edges: start farthest from camera and cables, go on only next to what is open, the camera edge last
 * (common practice); an edge that is 20 K warmer than the mean is as good as the bottom edge. Weights are judgement.
 * An edge that gives already comes before all of this.
 * @param meanC mean bond-line temperature of each edge, or null before heating
 */
export function edgeOrder(
  device: Device,
  bond: Bond,
  outs: readonly KeepOut[],
  meanC: Partial<Record<EdgeId, number>> = {},
  /** where somebody found it loose: nothing is easier than that */
  loose: EdgeId | null = null,
): EdgeStep[] {
  const path = bondPerimeter(device, bond);
  const edges: EdgeId[] = ['bottom', 'left', 'top', 'right'];
  const warmest = edges.reduce((a, b) => ((meanC[b] ?? -1) > (meanC[a] ?? -1) ? b : a), 'bottom');
  const about = (edge: EdgeId) => {
    const span = path.edgeSpan(edge);
    const near = (k: KeepOut, withinMm: number) => {
      const box = boxOf(k.shape);
      const c = [(box.min[0] + box.max[0]) / 2, (box.min[1] + box.max[1]) / 2] as const;
      const half = Math.max(box.max[0] - box.min[0], box.max[1] - box.min[1]) / 2;
      for (let s = span.fromMm; s <= span.toMm; s += 4) {
        const p = path.point(s).at;
        if (Math.hypot(p[0] - c[0], p[1] - c[1]) < half + withinMm) return true;
      }
      return false;
    };
    const camera = outs.some((k) => k.why === 'camera' && near(k, 8));
    const cable = outs.some((k) => k.why === 'cable' && path.point(path.locate(centre(k))).edge === edge);
    const buttons = outs.some((k) => k.why === 'button' && near(k, 6));
    return { camera, cable, buttons };
  };
  const facts = new Map(edges.map((e) => [e, about(e)]));
  const known = edges.flatMap((e) => (meanC[e] === undefined ? [] : [meanC[e]!]));
  const mean = known.reduce((m, v) => m + v, 0) / Math.max(1, known.length);
  const warmth = (e: EdgeId) => Math.min(2, Math.max(-2, ((meanC[e] ?? mean) - mean) / kPerPoint.value));
  const cost = (e: EdgeId) => {
    const f = facts.get(e)!;
    const length = path.edgeSpan(e).toMm - path.edgeSpan(e).fromMm;
    // the top edge waits for the end where a camera sits at it; a cable edge is the hinge
    if (e === loose) return -Infinity;
    return (
      (f.camera ? (e === 'top' ? 6 : 1.5) : 0) +
      (f.cable ? 3 : 0) +
      (f.buttons ? 1 : 0) +
      (e === 'bottom' ? -1 : 0) +
      length / 1e3 -
      warmth(e)
    );
  };
  const order: EdgeStep[] = [];
  const left = new Set(edges);
  while (left.size) {
    const open = order.map((o) => o.edge);
    const candidates = [...left].filter((e) => !open.length || neighbours[e].some((x) => open.includes(x)));
    const next = candidates.reduce((a, b) => (cost(b) < cost(a) ? b : a));
    left.delete(next);
    const f = facts.get(next)!;
    const reasons: EdgeReason[] = [];
    if (next === loose) reasons.push('loose');
    else if (!open.length) reasons.push('farFromCamera');
    else reasons.push('joinsOpen');
    if (f.camera) reasons.push('camera');
    if (f.cable) reasons.push('cable');
    if (f.buttons) reasons.push('buttons');
    if (next === warmest && warmth(next) > 0.25) reasons.push('warmest');
    const span = path.edgeSpan(next);
    order.push({ edge: next, fromMm: span.fromMm, toMm: span.toMm, reasons });
  }
  return order;
}

function centre(k: KeepOut): readonly [number, number] {
  const box = boxOf(k.shape);
  return [(box.min[0] + box.max[0]) / 2, (box.min[1] + box.max[1]) / 2];
}
