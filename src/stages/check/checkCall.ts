import { noticedMm } from '@/core/fit/byEye';
import { tolHighMm, tolLowMm } from '@/core/fit/flushness';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { functionName, functionState } from '@/work/check/faults';
import { eyeWords } from '@/words/eyeWords';
import { actionWords, flushOf } from '@/work/check/flushJob';
import { testsOf } from '@/work/check/functionTests';
import { notRegistered } from '@/work/check/registering';
import { length } from '@/words/units';
import { releaseWords } from './releaseWords';

interface CallText {
  sentence: string;
  reason: string;
  tone: 'ink' | 'caution';
}

export interface CheckState {
  /** functions tested, and how many there are */
  tested: number;
  tests: number;
  /** what still stands in the way, first first */
  open: string[];
}

/** How far the check is. */
export function checkState(job: JobState): CheckState {
  const { flush, complete, points, taken, eye } = flushOf(job);
  const tests = testsOf(job, false);
  const tested = tests.filter((t) => job.functions.after[t.test.id]).length;
  const open: string[] = [];
  if (eye) {
    if (eye.action !== 'accept') open.push('not flush');
  } else if (!complete)
    open.push(taken.length ? `${points.length - taken.length} steps to go` : 'not judged whether it is flush');
  else if (flush && (flush.verdict !== 'pass' || flush.bumps.length)) open.push('not flush');
  if (tested < tests.length) open.push(`${tests.length - tested} functions to go`);
  else open.push(...functionState(job).release.open.map((o) => releaseWords[o]));
  open.push(...notRegistered(job).map((p) => `${p} not registered`));
  return { tested, tests: tests.length, open };
}

/** One sentence for the check stage, with its reason. */
export function checkCall(
  job: JobState,
  units: Settings,
  placeOf: (pointId: string) => string,
  measuring = false,
): CallText {
  const { flush, complete, points, taken, eye, spots } = flushOf(job);
  const next = points.find((p) => job.steps[p.id] === undefined);
  const unread = !flush || !complete;
  if (eye && eye.action !== 'accept')
    return {
      sentence: actionWords[eye.action],
      reason: `By eye and finger: ${spots.map((s) => `${eyeWords.step[s.how]} at ${placeOf(s.point)}`).join(', ')}.${eye.action === 'clearDebris' ? ' Glass cracks over a trapped crumb.' : ''}`,
      tone: 'caution',
    };
  if (!eye && unread && job.eyes.step)
    return {
      sentence: 'Tap where it stands proud or low.',
      reason: 'Draw a fingertip across the edge, out and in; look along the face at a glancing angle.',
      tone: 'ink',
    };
  if (!eye && unread && !taken.length && !measuring)
    return {
      sentence: 'Is it flush all round?',
      reason: `Draw a fingertip across the edge, all the way round, and look along the face at a glancing angle. A step of ${length(noticedMm('step'), units, 2)} is felt in nine of ten.`,
      tone: 'ink',
    };
  if (!eye && unread)
    return {
      sentence: next ? `Step at ${points.indexOf(next) + 1}: ${placeOf(next.id)}.` : 'Measure the steps.',
      reason:
        'Depth gauge across the edge, glass above frame is plus. Look along the surface at a glancing angle meanwhile.',
      tone: 'ink',
    };
  if (!eye && flush && flush.action !== 'accept')
    return {
      sentence: actionWords[flush.action],
      reason: flush.bumps.length
        ? `${flush.bumps.map((b) => `${length(b.heightMm, units, 2)} at ${placeOf(b.id)}`).join(', ')}. Glass cracks over a trapped crumb.`
        : `Allowed ${length(tolLowMm.value, units, 2)} to ${length(tolHighMm.value, units, 2)}, guard band ${length(flush.guardBandMm, units, 2)}.`,
      tone: 'caution',
    };
  const { newFaults, oldFaults, unclear, release } = functionState(job);
  if (newFaults.length)
    return {
      sentence: `New fault: ${functionName(newFaults[0]!.fn)}.`,
      reason: 'Likely causes stand below, the cheapest check first.',
      tone: 'caution',
    };
  const { tested, tests } = checkState(job);
  if (tested < tests)
    return {
      sentence: `Flush. Now ${tests - tested} functions.`,
      reason: 'By a second person where there is one. What this repair put at risk comes first.',
      tone: 'ink',
    };
  if (unclear.length)
    return {
      sentence: `${functionName(unclear[0]!.fn)} fails, and was not tested before.`,
      reason: 'Look for a cause; what stays is told to the customer.',
      tone: 'caution',
    };
  if (release.open.length)
    return {
      sentence: `Flush, all tested. Still: ${releaseWords[release.open[0]!]}.`,
      reason: 'Whoever repaired it looks past his own slip: another name signs.',
      tone: 'ink',
    };
  const [part] = notRegistered(job);
  if (part)
    return {
      sentence: `Register the ${part}.`,
      reason: 'The device may show a notice or do less until it is told.',
      tone: 'ink',
    };
  const testedBefore = Object.values(job.functions.before).some((r) => r === 'ok' || r === 'fail');
  return {
    sentence: testedBefore
      ? 'Flush, and everything works as before.'
      : 'Flush, and everything tested works. Not tested before the repair.',
    reason: oldFaults.length
      ? `Faults from before stay: ${oldFaults.map((o) => functionName(o.fn)).join(', ')}.`
      : eye
        ? `By eye and finger: a step of ${length(noticedMm('step'), units, 2)} would have been felt in nine of ten. A gauge tells ${length(2 * units.gaugeU.stepMm, units, 2)}.`
        : flush?.foundMm == null
          ? 'These points cannot tell how large a bump they would miss.'
          : `A bump of ${length(flush.foundMm, units, 2)} anywhere at the edge would have shown in nine of ten.`,
    tone: 'ink',
  };
}
