import type { JobState } from '@/model/fold';
import { cureEnd, type JobCure } from '@/work/cure/cureJob';
import { dayTime } from '@/words/units';

/**
 * May it be switched on while it cures (judgement): solvent vapour burns, so not before the joint may be handled; a device
 * that runs is warm and is touched; never charged without wire under clamps. A swollen cell is never powered.
 */
export function mayPower(job: JobState, cure: JobCure, now: number): { yes: boolean; short: string; text: string } {
  if (job.findings.cellSwollen?.answer === 'yes')
    return {
      yes: false,
      short: 'Do not switch on: the cell',
      text: 'Do not switch it on: the cell is swollen or smells.',
    };
  if (cure.startAt === null)
    return {
      yes: false,
      short: 'Not closed yet',
      text: 'Not closed yet: switch it on for tests only, before closing.',
    };
  const until = cureEnd(cure, cure.kind === 'solvent' ? 'handle' : 'clampOff')!;
  if (now < until)
    return {
      yes: false,
      short: `Do not switch on before ${dayTime(until, now)}`,
      text: `Do not switch it on before ${dayTime(until, now)}: ${
        cure.kind === 'solvent' ? 'solvent vapour is still coming out, and ' : ''
      }a hand on it moves the joint.`,
    };
  return {
    yes: true,
    short: 'May be switched on; no charging without wire',
    text: 'It may be switched on. No charging without wire before the full bond: the coil warms the joint.',
  };
}
