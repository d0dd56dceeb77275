import type { JobWay } from '@/model/fold';
import type { WholeJobSlice } from '@/model/stages/wholeJob';
import type { IntakeSlice } from '@/model/stages/intake';
import type { CoverSlice } from '@/model/stages/cover';
import { dayTime, span } from '@/words/units';

export interface IntakeCall {
  sentence: string;
  reason: string;
  tone: 'ink' | 'caution';
}

/** What still has to be known before heat; in the order in which it is asked. */
export function missingAtIntake(job: Pick<JobWay, 'effective'> & IntakeSlice & CoverSlice): string[] {
  const out: string[] = [];
  // asked first, decided first: heat, route and price follow from it (law 22)
  if (!job.findings.crack && !job.cracks.size) out.push('where it is cracked');
  if (!job.findings.cellSwollen) out.push('is the cell swollen');
  if (!job.findings.chip) out.push('chips at the edge');
  if (!job.findings.bent) out.push('is the frame bent');
  if (job.chargePercent === null) out.push('state of charge');
  if (!job.prep.has('powerOff')) out.push('power off');
  if (!job.prep.has('trayOut')) out.push('card tray out');
  if (!job.route && !job.effective.some((e) => e.type === 'route')) out.push('the route');
  return out;
}

/** Earliest pick-up by the plan of the whole bench; null while the queue is not counted yet. */
export interface Honest {
  at: number;
  /** it was told otherwise before, and that is why it changed */
  was: number | null;
}

export function intakeCall(
  job: Pick<JobWay, 'effective' | 'stages'> & Pick<WholeJobSlice, 'promiseAt'> & IntakeSlice & CoverSlice,
  honest: Honest | null,
  now: number,
): IntakeCall {
  if (job.findings.cellSwollen?.answer === 'yes')
    return {
      sentence: 'Stop: swollen cell. No heat, no prying.',
      reason: 'Into the fire-proof bag, away from people; follow the maker and local rules for damaged cells.',
      tone: 'caution',
    };
  const missing = missingAtIntake(job);
  const until = honest
    ? `Earliest pick-up ${dayTime(honest.at, now)}, kept in four of five cases with all else on the bench.${honest.was === null ? '' : ` It was ${dayTime(honest.was, now)}: the bench has changed.`}`
    : 'Earliest pick-up: working it out, with all else on the bench.';
  if (job.promiseAt !== null && honest && job.promiseAt < honest.at)
    return {
      sentence: `${dayTime(job.promiseAt, now)} cannot be kept: ${dayTime(honest.at, now)} at the earliest.`,
      reason: `Short by ${span((honest.at - job.promiseAt) / 1e3)}. Say so now, or agree on another time.`,
      tone: 'caution',
    };
  if (missing.length)
    return {
      sentence: `${missing.length} ${missing.length === 1 ? 'answer' : 'answers'} to go: ${missing[0]}.`,
      reason: until,
      tone: 'ink',
    };
  if (job.findings.bent?.answer === 'yes')
    return {
      sentence: 'Agree on the bent frame first, then heat.',
      reason: `New glass may not sit flush and can lift again. ${until}`,
      tone: 'caution',
    };
  return { sentence: job.stages.heat === 'skipped' ? 'Ready to lift.' : 'Ready to heat.', reason: until, tone: 'ink' };
}
