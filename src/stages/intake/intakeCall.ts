import { boundOf, outsideOf } from '@/core/device/beforeOpening';
import type { Device } from '@/core/device/types';
import { faceName } from '@/bench-kit/faceName';
import { coverKindOf } from '@/core/device/coverKinds';
import type { JobWay, JointSeen } from '@/model/fold';
import type { WholeJobSlice } from '@/model/stages/wholeJob';
import type { IntakeSlice } from '@/model/stages/intake';
import type { CoverSlice } from '@/model/stages/cover';
import { dayTime, span } from '@/words/units';
import { t } from '@/words/intake';
import { outsideText } from '@/words/outside';

export interface IntakeCall {
  sentence: string;
  reason: string;
  tone: 'ink' | 'caution';
}

/** What still has to be known before heat; in the order in which it is asked. */
type CoverSeen = Pick<JointSeen, 'face' | 'model' | 'joint'>;
type Taken = Pick<JobWay, 'effective'> & IntakeSlice & CoverSlice & { device: Pick<Device, 'outside' | 'parts'> };

/** @param joints the job at each joint that it opens, where it has several */
export function missingAtIntake(job: Taken, joints: readonly (Taken & CoverSeen)[] = []): string[] {
  const out: string[] = [];
  // asked first, decided first: heat, route and price follow from it (law 22)
  if (joints.length > 1)
    for (const j of joints.filter((x) => !coverKindOf(x.face).lens && !x.findings.crack && !x.cracks.size))
      out.push(t('whereItIsCrackedAt', { face: faceName(j.model, j.joint) }));
  else if (!job.findings.crack && !job.cracks.size) out.push(t('whereItIsCracked'));
  if (!job.findings.cellSwollen) out.push(t('isTheBatterySwollen'));
  if (!job.findings.chip) out.push(t('chipsAtTheEdge2'));
  if (!job.findings.bent) out.push(t('isTheFrameBent'));
  if (job.chargePercent === null) out.push(t('batteryLevel2'));
  if (!job.prep.has('powerOff')) out.push(t('powerOff'));
  if (!job.prep.has('trayOut')) out.push(t('cardTrayOut'));
  if (outsideOf(job.device).length && !job.prep.has('outerScrews'))
    out.push(t('outsideOut', { what: outsideText(job.device) }));
  if (boundOf(job.device).length && !job.prep.has('boundMarked')) out.push(t('boundMarked'));
  if (!job.route && !job.effective.some((e) => e.type === 'route')) out.push(t('theRoute'));
  return out;
}

/** Earliest pick-up by the plan of the whole bench; null while the queue is not counted yet. */
export interface Honest {
  at: number;
  /** it was told otherwise before, and that is why it changed */
  was: number | null;
}

export function intakeCall(
  job: Taken & Pick<JobWay, 'stages'> & Pick<WholeJobSlice, 'promiseAt'>,
  honest: Honest | null,
  now: number,
  joints: readonly (Taken & CoverSeen)[] = [],
): IntakeCall {
  if (job.findings.cellSwollen?.answer === 'yes')
    return {
      sentence: t('stopSwollenBatteryNoHeatNo'),
      reason: t('intoTheFireProofBagAway'),
      tone: 'caution',
    };
  const missing = missingAtIntake(job, joints);
  const until = honest
    ? `${t('earliestPickUp4In5', { at: dayTime(honest.at, now) })}${honest.was === null ? '' : ` ${t('itWasTheBenchHasChanged', { was: dayTime(honest.was, now) })}`}`
    : t('earliestPickUpWorkingItOut2');
  if (job.promiseAt !== null && honest && job.promiseAt < honest.at)
    return {
      sentence: t('cannotBeKeptAtTheEarliest', { promiseAt: dayTime(job.promiseAt, now), at: dayTime(honest.at, now) }),
      reason: t('shortBySaySoNowOr', { at: span((honest.at - job.promiseAt) / 1e3) }),
      tone: 'caution',
    };
  if (missing.length)
    return {
      sentence:
        missing.length === 1
          ? t('answerToGo', { n: missing.length, missing: missing[0] })
          : t('answersToGo', { count: missing.length, missing: missing[0] }),
      reason: until,
      tone: 'ink',
    };
  if (job.findings.bent?.answer === 'yes')
    return {
      sentence: t('agreeOnTheBentFrameFirst'),
      reason: t('newGlassMayNotSitFlush', { until }),
      tone: 'caution',
    };
  return { sentence: job.stages.heat === 'skipped' ? t('readyToLift') : t('readyToHeat'), reason: until, tone: 'ink' };
}
