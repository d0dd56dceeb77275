import { worksAt } from '@/core/intake/works';
import type { JobState } from '@/model/fold';
import { atEachJoint } from '@/model/joints';
import { workNames } from './eventLine';
import { listed } from './units';

/** What is done on this job, at all its joints; what is opened only to get at the rest is not named. Null: no route yet. */
export function worksText(job: JobState): string | null {
  const all = [...new Set(atEachJoint(job).flatMap((j) => (j.route ? worksAt(j.route) : [])))];
  const named = all.filter((w) => w !== 'openClose');
  const works = named.length ? named : all;
  return works.length ? listed(works.map((w) => workNames[w])) : null;
}
