import { coverKindOf } from '@/core/device/coverKinds';
import type { JobState } from '@/model/fold';
import { JointBond } from './JointBond';
import { LensBond } from './LensBond';

export const isLens = (job: JobState) => coverKindOf(job.face).lens;

export function BondStage({ job }: { job: JobState }) {
  return isLens(job) ? <LensBond job={job} /> : <JointBond job={job} />;
}
