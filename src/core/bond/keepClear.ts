import { bondPerimeter, faceOf } from '../device/perimeter';
import { insideDistanceMm } from '../device/shapes';
import type { Arc, Bond, Device, Outline, Pt } from '../device/types';
import { judgement } from '../source';

/** What glue must not reach: light, sound and air go through here. */
export interface Opening {
  id: string;
  kind: 'camera' | 'flash' | 'mic' | 'reader' | 'port' | 'speaker';
  shape: Outline;
}

export const openingClearMm = judgement(0.5, 'between adhesive and a camera, microphone or speaker, mm');

/** Openings of the cover, and microphones and speakers under it. */
export function openings(device: Device, bond: Bond): Opening[] {
  const face = faceOf(device, bond);
  const holes = face.holes.map((h): Opening => ({ id: h.id, kind: h.role, shape: h.shape }));
  const under = device.parts.flatMap((p): Opening[] =>
    (p.kind === 'speaker' || p.kind === 'mic') && p.shape.kind !== 'band'
      ? [{ id: p.id, kind: p.kind, shape: p.shape }]
      : [],
  );
  return [...holes, ...under];
}

/** Stretches of the bond's centre line where a band of this width would come too near to an opening. */
export function nearOpenings(device: Device, bond: Bond, widthMm: number, list = openings(device, bond)): Arc[] {
  const path = bondPerimeter(device, bond);
  const reach = widthMm / 2 + openingClearMm.value;
  const step = 0.5;
  const n = Math.floor(path.lengthMm / step);
  const out: Arc[] = [];
  for (let i = 0; i <= n; i++) {
    const s = i * step;
    const { at } = path.point(s);
    if (!list.some((o) => insideDistanceMm(o.shape, at) > -reach)) continue;
    const last = out[out.length - 1];
    if (last && s - last.toMm <= step + 1e-9) last.toMm = s + step;
    else out.push({ fromMm: s - step, toMm: s + step });
  }
  return out;
}

/** Vents of the model and whatever else has to stay open, as one list. */
export const openStretches = (device: Device, bond: Bond, widthMm: number): Arc[] => [
  ...bond.gaps,
  ...nearOpenings(device, bond, widthMm),
];

export interface Distance {
  id: string;
  kind: Opening['kind'];
  /** from the middle of the bead to the opening's edge, mm */
  mm: number;
}

/** Nearest camera and nearest speaker or microphone to a path. */
export function distances(points: readonly Pt[], list: readonly Opening[]): Distance[] {
  return list
    .map((o) => ({ id: o.id, kind: o.kind, mm: Math.min(...points.map((p) => -insideDistanceMm(o.shape, p))) }))
    .sort((a, b) => a.mm - b.mm);
}

/** Where a closed bead starts and ends, where its blob does least harm: farthest from every opening. */
export function startFarFrom(device: Device, bond: Bond, list = openings(device, bond)): number {
  const path = bondPerimeter(device, bond);
  if (!list.length) return 0;
  let best = { s: 0, mm: -Infinity };
  for (let s = 0; s < path.lengthMm; s += 2) {
    const { at, corner } = path.point(s);
    if (corner) continue;
    const mm = Math.min(...list.map((o) => -insideDistanceMm(o.shape, at)));
    if (mm > best.mm + 1e-9) best = { s, mm };
  }
  return best.s;
}
