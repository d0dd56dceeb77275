import { uStepMm } from '@/core/fit/gaugeFigures';
import { flushness, tolHighMm, tolLowMm, type Flushness } from '@/core/fit/flushness';
import type { GaugePoint } from '@/core/fit/gaugePoints';
import type { JobState } from '@/model/fold';
import { flushEyeOf, type FlushEye } from './flushEye';

export interface FlushView extends Pick<FlushEye, 'points' | 'eye' | 'spots'> {
  /** points that were read, in the order of the walk: `flush` has its lists in this order */
  taken: GaugePoint[];
  complete: boolean;
  /** from nine points on */
  flush: Flushness | null;
}

const known = new WeakMap<JobState, FlushView>();

/** Step readings of a job and what they say. A job's state never changes, so it is computed once. */
export function flushOf(job: JobState): FlushView {
  const had = known.get(job);
  if (had) return had;
  const { points, centre, half, eye, spots } = flushEyeOf(job);
  const taken = points.filter((p) => job.steps[p.id] !== undefined);
  const view: FlushView = {
    points,
    taken,
    complete: taken.length === points.length,
    spots,
    eye,
    flush:
      taken.length < 9
        ? null
        : flushness(
            taken.map((p) => ({ id: p.id, at: p.at, stepMm: job.steps[p.id]! })),
            centre,
            half[0],
            half[1],
            { uMm: job.gaugeU.stepMm || uStepMm.value, lowMm: tolLowMm.value, highMm: tolHighMm.value },
          ),
  };
  known.set(job, view);
  return view;
}
