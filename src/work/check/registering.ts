import { workDefs, worksAt } from '@/core/intake/works';
import type { JobState } from '@/model/fold';

/** A part that the maker may want to know about. */
export interface ToRegister {
  part: string;
  /** it commonly leaves a notice when nobody did: asked before the job is checked */
  asked: boolean;
}

/** Parts of this job that a device may have to be told about, the back included; whatever else was noted stays in the list. */
export function partsToRegister(job: JobState): ToRegister[] {
  const out = new Map<string, boolean>();
  for (const w of job.route ? worksAt(job.route) : []) {
    const { registers } = workDefs[w];
    if (registers) out.set(registers.part, registers.asked || (out.get(registers.part) ?? false));
  }
  if (job.cellChoice?.fit === 'new') out.set('battery', true);
  for (const part of Object.keys(job.registered)) if (!out.has(part)) out.set(part, false);
  // what commonly leaves a notice first
  return [...out].map(([part, asked]) => ({ part, asked })).sort((a, b) => Number(b.asked) - Number(a.asked));
}

export const notRegistered = (job: JobState): string[] =>
  partsToRegister(job)
    .filter((p) => p.asked && !job.registered[p.part])
    .map((p) => p.part);
