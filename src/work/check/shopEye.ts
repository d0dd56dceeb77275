import type { EyeOf, GaugedOf } from '@/core/fit/byEye';
import { coverSides, stepAtSide } from '@/core/fit/coverByEye';
import { learnEye, type EyePair, type LearnedEye } from '@/core/fit/learnEye';
import type { JobState } from '@/model/fold';
import { atEachJoint } from '@/model/joints';
import { cameraOf, lensesOf } from './cameraJob';

const quantities = { gap: 'gapMm', step: 'stepMm', seat: 'seatMm' } as const satisfies Record<GaugedOf, string>;

/** Places of a job that were judged by eye first and gauged after it: a gauge that was read before has told the eye. */
function pairsOf(job: JobState, of: GaugedOf): EyePair[] {
  return atEachJoint(job).flatMap((j): EyePair[] => {
    const eye = j.eyes[of];
    if (!eye) return [];
    const gauged = job.effective.flatMap((e) =>
      e.type === 'reading' &&
      e.quantity === quantities[of] &&
      (e.joint ?? job.joint) === j.joint &&
      e.loggedAt > eye.loggedAt
        ? [e]
        : [],
    );
    const last = new Map(gauged.map((e) => [e.point, e.value]));
    const values = [...last.values()].sort((a, b) => a - b);
    // a gap is off from what the model has, a seat from the middle of its own, a step from nothing
    const even =
      of === 'step' ? 0 : of === 'gap' ? j.face.cover.insetToFrameMm : (values[Math.floor(values.length / 2)] ?? 0);
    return [...last].map(([point, value]) => ({
      offMm: value - even,
      marked: !eye.fine && eye.spots.some((s) => s.point === point),
    }));
  });
}

/** Camera covers that were judged by eye first and measured after it: the step at each side of the rim. */
function coverPairs(job: JobState): EyePair[] {
  return atEachJoint(job).flatMap((j): EyePair[] => {
    const eye = j.eyes.cover;
    if (!eye) return [];
    return lensesOf(j).flatMap(({ id }) => {
      const seat = j.coverSeats[id];
      const measured = seat && seat.loggedAt > eye.loggedAt ? cameraOf(j, id).seat : null;
      if (!measured) return [];
      return coverSides.flatMap((side): EyePair[] => {
        const offMm = stepAtSide(measured, side);
        const marked = !eye.fine && eye.spots.some((s) => s.point === `${id}:${side}` && s.how === 'high');
        return offMm === null ? [] : [{ offMm, marked }];
      });
    });
  });
}

/** An eye changes: what is counted are the last places. */
const mostPlaces = 400;

/** How well this shop's eye tells, from all its jobs; null while too few places were both judged and gauged. */
export const shopEye = (jobs: readonly JobState[], of: EyeOf): LearnedEye | null =>
  learnEye(of, jobs.flatMap((j) => (of === 'cover' ? coverPairs(j) : pairsOf(j, of))).slice(-mostPlaces));
