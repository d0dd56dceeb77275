import type { JobState } from '@/model/fold';
import { jointsOfWay } from '@/model/way';
import { foldAt } from '@/store/folded';

/** The job at each joint that it opens, in the order of opening; one joint: the job as it is. */
export function jointsSeen(job: JobState): JobState[] {
  const joints = jointsOfWay(job.way);
  if (joints.length < 2) return [job];
  return joints.flatMap((j) => (j === job.joint ? [job] : (foldAt(job.log, j) ?? [])));
}
