import type { JobState } from '@/model/fold';
import { JointBond } from './JointBond';
import { LensBond } from './LensBond';

export const isLens = (job: JobState) => ['lensInRing', 'frameLens'].includes(job.face.construction);

export function BondStage({ job }: { job: JobState }) {
  return isLens(job) ? <LensBond job={job} /> : <JointBond job={job} />;
}
