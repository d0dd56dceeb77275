import type { JobState } from '@/model/fold';
import { cureEnd, type JobCure } from '@/work/cure/cureJob';
import { dayTime } from '@/words/units';
import { t } from '@/words/cure';

/**
 * May it be switched on while it cures (judgement): solvent vapour burns, so not before the joint may be handled; a device
 * that runs is warm and is touched; never charged without wire under clamps. A swollen cell is never powered.
 */
export function mayPower(job: JobState, cure: JobCure, now: number): { yes: boolean; short: string; text: string } {
  if (job.findings.cellSwollen?.answer === 'yes')
    return {
      yes: false,
      short: t('doNotSwitchOnTheBattery'),
      text: t('doNotSwitchItOnThe'),
    };
  if (cure.startAt === null)
    return {
      yes: false,
      short: t('notClosedYet2'),
      text: t('notClosedYetSwitchItOn'),
    };
  const until = cureEnd(cure, cure.kind === 'solvent' ? 'handle' : 'clampOff')!;
  if (now < until)
    return {
      yes: false,
      short: t('doNotSwitchOnBefore', { until: dayTime(until, now) }),
      text:
        cure.kind === 'solvent'
          ? t('doNotSwitchItOnBefore', { until: dayTime(until, now) })
          : t('doNotSwitchItOnBefore2', { until: dayTime(until, now) }),
    };
  return {
    yes: true,
    short: t('mayBeSwitchedOnNoWireless'),
    text: t('youMaySwitchItOnNo'),
  };
}
