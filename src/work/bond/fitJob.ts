import { coverOf } from '@/core/device/perimeter';
import { boxOf } from '@/core/device/shapes';
import type { Outline, Pt } from '@/core/device/types';
import { holeOffsetMm, type HoleReading } from '@/core/fit/dryFit';
import { ringGap, ringGapRect } from '@/core/fit/tolerance';
import { expansionOf, gapLossMm } from '@/core/fit/thermalClearance';
import type { Sourced } from '@/core/source';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';

export const sides = ['left', 'right', 'top', 'bottom'] as const;
export type Side = (typeof sides)[number];

export interface CameraHole {
  id: string;
  at: Pt;
  shape: Outline;
  /** gaps between ring and hole, as measured; keys are those of the log */
  gaps: Record<Side, { key: string; mm: number | null }>;
  /** hole minus ring, x right and y down; null until both gaps of a direction are in */
  offset: Pt | null;
}

/** The camera openings of the cover, with the gaps that were measured round their rings. */
export function cameraHoles(job: JobState): CameraHole[] {
  return job.face.holes
    .filter((h) => h.role === 'camera')
    .map((h) => {
      const b = boxOf(h.shape);
      const gaps = Object.fromEntries(
        sides.map((s) => {
          const key = `hole.${h.id}.${s}`;
          return [s, { key, mm: job.gaps[key] ?? null }];
        }),
      ) as CameraHole['gaps'];
      const { left, right, top, bottom } = gaps;
      const whole = left.mm !== null && right.mm !== null && top.mm !== null && bottom.mm !== null;
      return {
        id: h.id,
        shape: h.shape,
        at: [(b.min[0] + b.max[0]) / 2, (b.min[1] + b.max[1]) / 2],
        gaps,
        offset: whole ? [(right.mm! - left.mm!) / 2, (bottom.mm! - top.mm!) / 2] : null,
      };
    });
}

/** Ring gap of a hole as it sits now: closest and widest place round it, corners too. */
export function ringOf(hole: CameraHole): { minMm: number; maxMm: number; areaMm2: number; touches: boolean } | null {
  if (!hole.offset) return null;
  const { left, right, top, bottom } = hole.gaps;
  const [ex, ey] = hole.offset;
  const wide = (left.mm! + right.mm!) / 2;
  const high = (top.mm! + bottom.mm!) / 2;
  const b = boxOf(hole.shape);
  const [w, h] = [b.max[0] - b.min[0], b.max[1] - b.min[1]];
  if (hole.shape.kind !== 'roundRect') return ringGap(w, w - wide - high, Math.hypot(ex, ey));
  const r = hole.shape.rMm;
  return ringGapRect(
    { widthMm: w, heightMm: h, cornerMm: r },
    { widthMm: w - 2 * wide, heightMm: h - 2 * high, cornerMm: Math.max(0, r - (wide + high) / 2) },
    [ex, -ey],
  );
}

export const readHoles = (holes: readonly CameraHole[]): HoleReading[] =>
  holes.flatMap((h) => (h.offset ? [{ id: h.id, at: h.at, offset: h.offset, allowedMm: holeOffsetMm.value }] : []));

export interface HeatLoss {
  frame: string;
  cover: string;
  frameK: Sourced;
  coverK: Sourced;
  lossMm: number;
}

/** What cold and heat take of the gap: the plate in the middle of the device holds the frame, so its metal counts. */
export function heatLoss(job: JobState, settings: Pick<Settings, 'roomC'>): HeatLoss {
  const cover = coverOf(job.device, job.bond);
  const { min, max } = boxOf(cover.outline);
  const part = (kind: 'midPlate' | 'rim') => job.device.parts.find((p) => p.kind === kind)?.material;
  const frame = part('midPlate') ?? part('rim') ?? 'aluminium';
  const half = Math.max(max[0] - min[0], max[1] - min[1]) / 2;
  const [frameK, coverK] = [expansionOf(frame), expansionOf(cover.material)];
  return {
    frame,
    cover: cover.material,
    frameK,
    coverK,
    lossMm: gapLossMm(frameK, coverK, half, job.ambientC ?? settings.roomC),
  };
}
