import { boxOf } from '@/core/device/shapes';
import { coverOf } from '@/core/device/perimeter';
import { flushByEye, knownSpots, type EyeSpot } from '@/core/fit/byEye';
import { gaugePoints, type GaugePoint } from '@/core/fit/gaugePoints';
import type { JobState } from '@/model/fold';

export interface FlushEye {
  points: GaugePoint[];
  /** middle of the cover and half its sides, plan frame, mm */
  centre: readonly [number, number];
  half: readonly [number, number];
  /** judged by eye and finger, where the gauge was not used to the end; null: neither */
  eye: ReturnType<typeof flushByEye> | null;
  /** where it was seen or felt to be off */
  spots: EyeSpot[];
}

/** What an eye and a fingertip said of the edge of the cover: without the arithmetic of a gauge. */
export function flushEyeOf(job: JobState): FlushEye {
  const points = gaugePoints(job.device, job.bond);
  const { min, max } = boxOf(coverOf(job.device, job.bond).outline);
  const centre = [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2] as const;
  const half = [(max[0] - min[0]) / 2, (max[1] - min[1]) / 2] as const;
  const gauged = points.every((p) => job.steps[p.id] !== undefined);
  // clamped once more since: what was felt before says nothing of how it lies now
  const felt = job.eyes.step;
  const counts = felt && !gauged && felt.at >= (job.clampOn?.at ?? -Infinity) ? felt : null;
  const spots = counts ? knownSpots(points, counts.spots) : [];
  return {
    points,
    centre,
    half,
    spots,
    eye: counts && (counts.fine || spots.length) ? flushByEye(points, spots, centre) : null,
  };
}
