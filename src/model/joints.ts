import type { JobState } from './fold';

const known = new WeakMap<JobState, readonly JobState[]>();

/**
 * The job at each joint that it opens, the one that is looked at first: what is counted over a whole job is counted over
 * these. A job's state is never changed in place, so the list is kept with it.
 */
export function atEachJoint(job: JobState): readonly JobState[] {
  if (!job.elsewhere.length) return [job];
  let list = known.get(job);
  if (!list) known.set(job, (list = [job, ...job.elsewhere.map((j) => ({ ...job, ...j, elsewhere: [] }))]));
  return list;
}
