import { faceOf } from '@/core/device/perimeter';
import type { Part } from '@/core/device/types';
import type { JobState } from '@/model/fold';

/** Parts that are recorded as out neither conduct nor limit anything (law 6); in the new shell they count again. */
export const isOut = (job: Pick<JobState, 'parts'>, partId: string): boolean => {
  const state = job.parts[partId];
  return state === 'out' || state === 'missing';
};

/** What is asked of a job for that. */
export type Covering = Pick<JobState, 'way' | 'progress' | 'model' | 'joint' | 'device' | 'parts'>;

/** The front is off and the inside still in: it is covered with a film before the back gets heat and splinters. */
export const needsCovering = (job: Covering): boolean =>
  frontOff(job) && job.device.parts.some((p) => p.limitC !== undefined && p.kind !== 'display' && !isOut(job, p.id));

/** The front is off: lifted in this job and not bonded again. Its display is not in the device while the back is heated. */
function frontOff(job: Pick<JobState, 'way' | 'progress' | 'model' | 'joint'>): boolean {
  return job.way.some((s) => {
    if (s.stage !== 'lift' || s.joint === null || s.joint === job.joint || job.progress[s.key] !== 'done') return false;
    const bond = job.model.bonds.find((b) => b.id === s.joint);
    const closed = job.way.some((o) => o.stage === 'bond' && o.joint === s.joint && job.progress[o.key] === 'done');
    return bond !== undefined && faceOf(job.model, bond).side === 'front' && !closed;
  });
}

/** The job with the device as it is on the bench now: without the parts that are out. The same object when all are in. */
export function presentJob(job: JobState): JobState {
  const off = frontOff(job);
  const gone = (p: Part) => isOut(job, p.id) || (off && p.kind === 'display');
  if (!job.device.parts.some(gone)) return job;
  const { device } = job;
  return {
    ...job,
    device: { ...device, parts: device.parts.filter((p) => !gone(p)), out: device.parts.filter(gone) },
  };
}
