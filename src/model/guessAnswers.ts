import { CoreInputError, requireIn } from '../core/errors';
import type { Construction, EdgeId, Pt } from '../core/device/types';
import { judgement } from '../core/source';

/** A key as it is felt along an edge: where it begins and ends, mm from the top for the sides, from the left for the others. */
export interface KeyAnswer {
  edge: EdgeId;
  fromMm: number;
  toMm: number;
}

/** Cameras as they are seen from behind: the block that they stand in, and how many. */
export interface CameraAnswer {
  min: Pt;
  max: Pt;
  lenses: number;
}

export const insideKinds = ['boardTop', 'boardSide', 'twoCells'] as const;
/** Board over the cell, board beside the cell, two cells. */
export type InsideKind = (typeof insideKinds)[number];

/** What is known of a device after a look at it: the five answers. */
export interface ModelAnswers {
  id: string;
  name: string;
  construction: Construction;
  opensFrom: 'back' | 'front';
  lengthMm: number;
  widthMm: number;
  thicknessMm: number;
  /** was a ruler held to it */
  sizeMeasured: boolean;
  thicknessMeasured: boolean;
  camera: CameraAnswer | null;
  cameraSeen: boolean;
  keys: readonly KeyAnswer[];
  keysSeen: boolean;
  inside: InsideKind;
  /** charged through its back; null: not known, the usual for its construction */
  coil: boolean | null;
}

/** Sizes that a phone or tablet has, mm. */
export const sizeLimits = { lengthMm: [80, 330], widthMm: [45, 240], thicknessMm: [4, 20] } as const;
/** From this width on it is a tablet, mm. */
export const tabletFromMm = 110;
export const keyMaxMm = 60;
export const lensMax = 6;

export const round = (v: number) => Math.round(v * 10) / 10;

/** What is usual for a construction: thickness of the cover, the gap under it, its ring, mm, and its glue. */
export interface Usual {
  glassMm: number;
  gapMm: number;
  ringMm: number;
  insetMm: number;
  adhesive: string;
  coil: boolean;
}
export const usualOf = (construction: Construction, tablet: boolean): Usual => {
  const ring: Usual = {
    glassMm: judgement(0.7, 'glass backs are 0.6 to 0.8 mm thick').value,
    gapMm: 0.2,
    ringMm: judgement(2, 'rings of phones are 1.6 to 2.6 mm wide').value,
    insetMm: 0.1,
    adhesive: 'foamRing',
    coil: true,
  };
  const of: Record<Construction, Usual> = {
    ringGlass: ring,
    lensInRing: ring,
    frameLens: ring,
    ringPlastic: {
      ...ring,
      glassMm: judgement(1, 'plastic backs are 0.9 to 1.2 mm thick').value,
      gapMm: 0.25,
      ringMm: judgement(2.5, 'rings under plastic are 2 to 3 mm wide').value,
      coil: false,
    },
    fullGlass: { ...ring, glassMm: 0.65, gapMm: 0.1, ringMm: 3, adhesive: 'fullAreaPu' },
    clipped: { ...ring, glassMm: 1.2, gapMm: 0.3, coil: false },
  };
  const u = of[construction];
  return tablet
    ? { ...u, glassMm: u.glassMm + 0.4, gapMm: 0.3, ringMm: Math.max(u.ringMm, 7), adhesive: 'strongRing', coil: false }
    : u;
};

/** @throws CoreInputError that names length, width, thickness, lenses, a key or the camera when they cannot be */
export function checkAnswers(a: ModelAnswers): void {
  requireIn('length', a.lengthMm, ...sizeLimits.lengthMm, 'mm');
  requireIn('width', a.widthMm, ...sizeLimits.widthMm, 'mm');
  requireIn('thickness', a.thicknessMm, ...sizeLimits.thicknessMm, 'mm');
  const u = usualOf(a.construction, a.widthMm >= tabletFromMm);
  for (const k of a.keys) {
    const along = k.edge === 'left' || k.edge === 'right' ? a.lengthMm : a.widthMm;
    requireIn('key: from', k.fromMm, 0, along, 'mm');
    requireIn('key: to', k.toMm, k.fromMm + 1, Math.min(along, k.fromMm + keyMaxMm), 'mm');
  }
  if (a.camera) {
    requireIn('lenses', a.camera.lenses, 1, lensMax, '');
    const keep = u.insetMm + u.ringMm;
    const { min, max } = a.camera;
    const inside = min[0] >= 0 && min[1] >= 0 && max[0] <= a.widthMm && max[1] <= a.lengthMm;
    if (!inside || max[0] - min[0] < 4 || max[1] - min[1] < 4)
      throw new CoreInputError(
        'camera',
        `${round(max[0] - min[0])} × ${round(max[1] - min[1])} mm`,
        `a block of 4 mm and more inside the outline, ${round(keep)} mm from its edge`,
      );
  }
}

/** The block moved so that the ring passes outside it, and made smaller where it is too large for that. */
export function clearOfRing(
  c: CameraAnswer,
  a: Pick<ModelAnswers, 'widthMm' | 'lengthMm'>,
  keepMm: number,
): CameraAnswer {
  const fit = (lo: number, hi: number, end: number): [number, number] => {
    const size = Math.min(hi - lo, end - 2 * keepMm);
    const from = Math.min(Math.max(lo, keepMm), end - keepMm - size);
    return [round(from), round(from + size)];
  };
  const [x0, x1] = fit(c.min[0], c.max[0], a.widthMm);
  const [y0, y1] = fit(c.min[1], c.max[1], a.lengthMm);
  return { ...c, min: [x0, y0], max: [x1, y1] };
}

/** Lenses of a block: in as many columns and rows as fit it best, all alike. */
export function lensesIn(c: CameraAnswer): { at: Pt; rMm: number }[] {
  const [w, h] = [c.max[0] - c.min[0], c.max[1] - c.min[1]];
  const n = Math.max(1, Math.round(c.lenses));
  let best = { cols: 1, rows: n, size: 0 };
  for (let cols = 1; cols <= n; cols++) {
    const rows = Math.ceil(n / cols);
    const size = Math.min(w / cols, h / rows);
    if (size > best.size + 1e-9) best = { cols, rows, size };
  }
  const rMm = Math.max(1.5, Math.min(6, best.size * 0.36));
  return Array.from({ length: n }, (_, i) => ({
    at: [
      round(c.min[0] + (w * ((i % best.cols) + 0.5)) / best.cols),
      round(c.min[1] + (h * (Math.floor(i / best.cols) + 0.5)) / best.rows),
    ] as Pt,
    rMm: round(rMm),
  }));
}
