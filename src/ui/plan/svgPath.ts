import { inset } from '@/core/device/shapes';
import type { Outline, Pt, Shape } from '@/core/device/types';
import type { Perimeter } from '@/core/device/perimeter';

const n = (v: number) => v.toFixed(2);

/** SVG path of an outline or a band (as an even-odd ring). */
export function shapePath(s: Shape): string {
  if (s.kind === 'band') return `${outlinePath(inset(s.of, s.fromMm))} ${outlinePath(inset(s.of, s.toMm))}`;
  return outlinePath(s);
}

function outlinePath(o: Outline): string {
  if (o.kind === 'disc') {
    const [x, y] = o.c;
    const r = n(o.rMm);
    return `M${n(x - o.rMm)} ${n(y)} a${r} ${r} 0 1 0 ${n(2 * o.rMm)} 0 a${r} ${r} 0 1 0 ${n(-2 * o.rMm)} 0 Z`;
  }
  if (o.kind === 'polygon') return polyline(o.pts) + ' Z';
  const [x0, y0] = o.min;
  const [x1, y1] = o.max;
  const r = o.rMm;
  const a = `A${n(r)} ${n(r)} 0 0 1`;
  return `M${n(x0 + r)} ${n(y0)} H${n(x1 - r)} ${a} ${n(x1)} ${n(y0 + r)} V${n(y1 - r)} ${a} ${n(x1 - r)} ${n(y1)} H${n(x0 + r)} ${a} ${n(x0)} ${n(y1 - r)} V${n(y0 + r)} ${a} ${n(x0 + r)} ${n(y0)} Z`;
}

export const polyline = (pts: readonly Pt[]) => pts.map((p, i) => `${i ? 'L' : 'M'}${n(p[0])} ${n(p[1])}`).join(' ');

/** A stretch of the ring, moved inward from its centre line by `inMm`. */
export function arcPath(path: Perimeter, fromMm: number, toMm: number, inMm = 0): string {
  const steps = Math.max(2, Math.ceil((toMm - fromMm) / 2));
  const pts: Pt[] = [];
  for (let i = 0; i <= steps; i++) {
    const p = path.point(fromMm + ((toMm - fromMm) * i) / steps);
    pts.push([p.at[0] - p.normal[0] * inMm, p.at[1] - p.normal[1] * inMm]);
  }
  return polyline(pts);
}
