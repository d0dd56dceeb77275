import { diagnose, type Diagnosis } from '@/core/functions/diagnose';
import { learnTables, type FoundCause } from '@/core/functions/learn';
import { compareFunctions, pauseMin, releaseOf, type FunctionChange, type Release } from '@/core/functions/riskOrder';
import { shippedTables, type FaultTables } from '@/core/functions/tables';
import type { EventOf } from '@/model/event';
import type { JobState } from '@/model/fold';
import { stepsOf } from './functionTests';

/** Who did the work: whoever closed it, or cut it open. */
export const repairerOf = (job: JobState): string | null =>
  job.effective.findLast((e) => e.type === 'bonded' || e.type === 'clampOn')?.by ??
  job.effective.findLast((e) => e.type === 'stage' && e.stage === 'lift' && e.to === 'done')?.by ??
  null;

/** Who signed for the functions as they are now: a result that came later asks for a new signature. */
function signedOf(job: JobState): EventOf<'signed'> | null {
  const tested = job.effective.findLastIndex((e) => e.type === 'function' && e.phase === 'after');
  const at = job.effective.findLastIndex((e) => e.type === 'signed' && e.role === 'checker');
  const signed = job.effective[at];
  return signed?.type === 'signed' && at > tested ? signed : null;
}

export interface FunctionState {
  changes: FunctionChange[];
  newFaults: FunctionChange[];
  oldFaults: FunctionChange[];
  unclear: FunctionChange[];
  release: Release;
  repairer: string | null;
  checker: string | null;
  /** nobody else was there: signed after a pause, or by the customer */
  how: EventOf<'signed'>['how'] | null;
}

/** Difference to intake, and what stands in the way of letting it go. */
export function functionState(job: JobState): FunctionState {
  const changes = compareFunctions(job.functions.before, job.functions.after);
  const of = (c: FunctionChange['change']) => changes.filter((x) => x.change === c);
  const signed = signedOf(job);
  const [repairer, checker] = [repairerOf(job), signed?.mark ?? null];
  // a pause counts from the last function that was tried
  const tested = job.effective.findLast((e) => e.type === 'function' && e.phase === 'after');
  const rested = signed !== null && tested !== undefined && signed.at - tested.at >= pauseMin * 60_000;
  const alone = signed?.how === 'customer' || (signed?.how === 'afterPause' && rested);
  return {
    changes,
    newFaults: of('newFault'),
    oldFaults: of('oldFault'),
    unclear: of('notAttributable'),
    release: releaseOf(changes, { repairer, checker, customerTold: job.prep.has('faultsTold'), alone }),
    repairer,
    checker,
    how: signed?.how ?? null,
  };
}

/** Results that a diagnosis goes by: those of before are left out, they have another cause. */
function observedNow(job: JobState): Record<string, 'ok' | 'fail'> {
  const out: Record<string, 'ok' | 'fail'> = {};
  for (const [fn, r] of Object.entries(job.functions.after))
    if ((r === 'ok' || r === 'fail') && job.functions.before[fn] !== 'fail') out[fn] = r;
  return out;
}

/** What is behind the failures of a job; null when nothing fails that was not so before. */
export function diagnosisOf(job: JobState, tables: FaultTables): Diagnosis | null {
  const observed = observedNow(job);
  if (!Object.values(observed).includes('fail')) return null;
  const out = [...job.causesSeen.values()].filter((c) => !c.found).map((c) => c.causeId);
  return diagnose(stepsOf(job), observed, tables, out);
}

/** The cause that was found on a job, with what failed before it was mended. */
export function foundCause(job: JobState): FoundCause | null {
  const found = job.effective.findLast((e): e is EventOf<'cause'> => e.type === 'cause' && e.found);
  if (!found || !shippedTables.causes.some((c) => c.id === found.causeId)) return null;
  const observed: Record<string, 'ok' | 'fail'> = {};
  for (const e of job.effective) {
    if (e === found) break;
    if (e.type !== 'function' || e.phase !== 'after' || (e.result !== 'ok' && e.result !== 'fail')) continue;
    if (job.functions.before[e.fn] === 'fail') continue;
    // a test that failed once has failed, though it works after the mending
    if (observed[e.fn] !== 'fail') observed[e.fn] = e.result;
  }
  return { causeId: found.causeId, observed, steps: stepsOf(job) };
}

export interface ShopFaults {
  tables: FaultTables;
  found: FoundCause[];
}

/** What the shop's own jobs say about causes. */
export function shopFaults(jobs: readonly JobState[]): ShopFaults {
  const found = jobs.flatMap((j) => foundCause(j) ?? []);
  const checked = jobs.filter((j) => j.stages.check === 'done').map(stepsOf);
  return { tables: learnTables(found, checked), found };
}
