import type { Learned } from '@/core/device/types';
import type { JobState } from '@/model/fold';

/** What was learned on a job, at all its joints, in the order in which it was noted. */
export const learnedOf = (job: Pick<JobState, 'learned' | 'bond'>): Learned[] =>
  [...job.learned.values()].map((e) => ({
    itemId: e.itemId,
    what: e.what,
    at: e.place,
    text: e.text,
    joint: e.joint ?? job.bond.id,
    ...(e.thing ? { thing: e.thing } : {}),
    ...(e.photo ? { photo: e.photo } : {}),
  }));

/** What nobody has decided on: is it kept for the model. */
export const undecided = (job: Pick<JobState, 'learned' | 'learnedKept' | 'bond'>): Learned[] =>
  learnedOf(job).filter((l) => !job.learnedKept.has(l.itemId));
