import { boxOf } from '@/core/device/shapes';
import { coverOf } from '@/core/device/perimeter';
import { flushByEye, knownSpots, type EyeSpot } from '@/core/fit/byEye';
import { uStepMm } from '@/core/fit/gaugeFigures';
import { flushness, tolHighMm, tolLowMm, type Flushness } from '@/core/fit/flushness';
import { gaugePoints, type GaugePoint } from '@/core/fit/gaugePoints';
import type { JobState } from '@/model/fold';

export interface FlushView {
  points: GaugePoint[];
  /** points that were read, in the order of the walk: `flush` has its lists in this order */
  taken: GaugePoint[];
  complete: boolean;
  /** from nine points on */
  flush: Flushness | null;
  /** judged by eye and finger, where the gauge was not used to the end; null: neither */
  eye: ReturnType<typeof flushByEye> | null;
  /** where it was seen or felt to be off */
  spots: EyeSpot[];
}

const known = new WeakMap<JobState, FlushView>();

/** Step readings of a job and what they say. A job's state never changes, so it is computed once. */
export function flushOf(job: JobState): FlushView {
  const had = known.get(job);
  if (had) return had;
  const points = gaugePoints(job.device, job.bond);
  const taken = points.filter((p) => job.steps[p.id] !== undefined);
  const { min, max } = boxOf(coverOf(job.device, job.bond).outline);
  const centre = [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2] as const;
  const complete = taken.length === points.length;
  // clamped once more since: what was felt before says nothing of how it lies now
  const felt = job.eyes.step;
  const eye = complete || !felt || felt.at < (job.clampOn?.at ?? -Infinity) ? undefined : felt;
  const spots = eye ? knownSpots(points, eye.spots) : [];
  const view: FlushView = {
    points,
    taken,
    complete,
    spots,
    eye: eye && (eye.fine || spots.length) ? flushByEye(points, spots, centre) : null,
    flush:
      taken.length < 9
        ? null
        : flushness(
            taken.map((p) => ({ id: p.id, at: p.at, stepMm: job.steps[p.id]! })),
            centre,
            (max[0] - min[0]) / 2,
            (max[1] - min[1]) / 2,
            { uMm: job.gaugeU.stepMm || uStepMm.value, lowMm: tolLowMm.value, highMm: tolHighMm.value },
          ),
  };
  known.set(job, view);
  return view;
}
