import type { JobState } from '@/model/fold';

/** Parts that are recorded as out neither conduct nor limit anything (law 6); in the new shell they count again. */
export const isOut = (job: Pick<JobState, 'parts'>, partId: string): boolean => {
  const state = job.parts[partId];
  return state === 'out' || state === 'missing';
};

/** The job with the device as it is on the bench now: without the parts that are out. The same object when all are in. */
export function presentJob(job: JobState): JobState {
  if (!job.device.parts.some((p) => isOut(job, p.id))) return job;
  const { device } = job;
  return {
    ...job,
    device: {
      ...device,
      parts: device.parts.filter((p) => !isOut(job, p.id)),
      out: device.parts.filter((p) => isOut(job, p.id)),
    },
  };
}
