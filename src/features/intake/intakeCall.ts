import type { JobState } from '@/model/fold';
import { dayTime, span } from '@/ui/units';

export interface IntakeCall {
  sentence: string;
  reason: string;
  tone: 'ink' | 'caution';
}

/** What still has to be known before heat; in the order in which it is asked. */
export function missingAtIntake(job: JobState): string[] {
  const out: string[] = [];
  if (!job.findings.cellSwollen) out.push('is the cell swollen');
  if (!job.findings.chip) out.push('chips at the edge');
  if (!job.findings.bent) out.push('is the frame bent');
  if (job.chargePercent === null) out.push('state of charge');
  if (!job.prep.has('powerOff')) out.push('power off');
  if (!job.prep.has('trayOut')) out.push('card tray out');
  if (!job.route && !job.effective.some((e) => e.type === 'route')) out.push('the route');
  return out;
}

/** Earliest instant that can be said honestly, and whether the plan of the whole bench stands behind it. */
export interface Honest {
  at: number;
  planned: boolean;
}

export function intakeCall(job: JobState, { at: honest, planned }: Honest, now: number): IntakeCall {
  if (job.findings.cellSwollen?.answer === 'yes')
    return {
      sentence: 'Stop: swollen cell. No heat, no prying.',
      reason: 'Into the fire-proof bag, away from people; follow the maker and local rules for damaged cells.',
      tone: 'caution',
    };
  const missing = missingAtIntake(job);
  const until = `Earliest pick-up ${dayTime(honest, now)}, kept in four of five cases with all else on the bench.`;
  if (job.promiseAt !== null && job.promiseAt < honest)
    return {
      sentence: `${dayTime(job.promiseAt, now)} cannot be kept: ${dayTime(honest, now)} at the earliest.`,
      reason: `Short by ${span((honest - job.promiseAt) / 1e3)}. Say so now, or agree on another time.`,
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
