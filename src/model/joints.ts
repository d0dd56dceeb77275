import type { JobState } from './fold';
import { jointsOfWay } from './way';

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

/** The inside is reached through this joint, or through none that the job opens: what goes in is in before it is closed. */
export function leadsInside(job: Pick<JobState, 'way' | 'model' | 'bond'>): boolean {
  const faceOf = (id: string) => job.model.bonds.find((b) => b.id === id)?.onFace;
  const some = jointsOfWay(job.way).some((id) => faceOf(id) === job.model.insideThrough);
  return !some || job.bond.onFace === job.model.insideThrough;
}
