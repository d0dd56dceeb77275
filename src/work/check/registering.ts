import { workDefs, worksAt } from '@/core/intake/works';
import type { JobState } from '@/model/fold';

/** Parts of this job that a device may have to be told about: those with a chip of their own. */
export function partsToRegister(job: JobState): string[] {
  const out: string[] = [];
  for (const w of job.route ? worksAt(job.route) : []) if (workDefs[w].registers) out.push(workDefs[w].registers);
  if (job.cellChoice?.fit === 'new') out.push('battery');
  // whatever else was noted stays in the list
  return [...new Set([...out, ...Object.keys(job.registered)])];
}

export const notRegistered = (job: JobState) => partsToRegister(job).filter((p) => !job.registered[p]);
