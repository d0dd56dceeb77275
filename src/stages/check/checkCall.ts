import { noticedMm } from '@/core/fit/byEye';
import { tolHighMm, tolLowMm } from '@/core/fit/flushness';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { functionState } from '@/work/check/faults';
import { functionName } from '@/words/functions';
import { eyeWords } from '@/words/eyeWords';
import { flushOf } from '@/work/check/flushJob';
import { actionWords, registerName } from '@/words/checkNames';
import { testsOf } from '@/work/check/functionTests';
import { notRegistered } from '@/work/check/registering';
import { listed, length, whereText } from '@/words/units';
import { releaseWords } from './releaseWords';
import { t as tr } from '@/words/check';

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
    if (eye.action !== 'accept') open.push(tr('notFlush'));
  } else if (!complete)
    open.push(
      taken.length ? tr('stepsToGo', { count: points.length - taken.length }) : tr('notJudgedWhetherItIsFlush'),
    );
  else if (flush && (flush.verdict !== 'pass' || flush.bumps.length)) open.push(tr('notFlush'));
  if (tested < tests.length) open.push(tr('functionsToGo', { count: tests.length - tested }));
  else open.push(...functionState(job).release.open.map((o) => releaseWords[o]));
  open.push(...notRegistered(job).map((p) => tr('notRegistered', { p: registerName(p) })));
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
      reason: `${tr('byEyeAndFinger2', { list: listed(spots.map((s) => whereText(eyeWords.step[s.how], placeOf(s.point)))) })}${eye.action === 'clearDebris' ? ` ${tr('glassCracksOverATrappedCrumb')}` : ''}`,
      tone: 'caution',
    };
  if (!eye && unread && job.eyes.step)
    return {
      sentence: tr('tapWhereItStandsHighOr'),
      reason: tr('drawAFingertipAcrossTheEdge'),
      tone: 'ink',
    };
  if (!eye && unread && !taken.length && !measuring)
    return {
      sentence: tr('isItFlushAllRound'),
      reason: tr('drawAFingertipAcrossTheEdge2', { noticedMm: length(noticedMm('step'), units, 2) }),
      tone: 'ink',
    };
  if (!eye && unread)
    return {
      sentence: next ? tr('stepAt', { next: points.indexOf(next) + 1, id: placeOf(next.id) }) : tr('measureTheSteps'),
      reason: tr('depthGaugeAcrossTheEdgeGlass'),
      tone: 'ink',
    };
  if (!eye && flush && flush.action !== 'accept')
    return {
      sentence: actionWords[flush.action],
      reason: flush.bumps.length
        ? tr('glassCracksOverATrappedCrumb2', {
            list: listed(flush.bumps.map((b) => whereText(length(b.heightMm, units, 2), placeOf(b.id)))),
          })
        : tr('allowedToGuardBand', {
            value: length(tolLowMm.value, units, 2),
            value2: length(tolHighMm.value, units, 2),
            guardBandMm: length(flush.guardBandMm, units, 2),
          }),
      tone: 'caution',
    };
  const { newFaults, oldFaults, unclear, release } = functionState(job);
  if (newFaults.length)
    return {
      sentence: tr('newFault', { fn: functionName(newFaults[0]!.fn) }),
      reason: tr('likelyCausesAreBelowTheCheapest'),
      tone: 'caution',
    };
  const { tested, tests } = checkState(job);
  if (tested < tests)
    return {
      sentence: tr('flushNowFunctions', { tests: tests - tested }),
      reason: tr('byASecondPersonIfThere'),
      tone: 'ink',
    };
  if (unclear.length)
    return {
      sentence: tr('failsAndWasNotTestedBefore2', { fn: functionName(unclear[0]!.fn) }),
      reason: tr('lookForACauseTellThe'),
      tone: 'caution',
    };
  if (release.open.length)
    return {
      sentence: tr('flushAllTestedStill', { open: releaseWords[release.open[0]!] }),
      reason: tr('whoeverRepairedItOverlooksHisOwn'),
      tone: 'ink',
    };
  const [part] = notRegistered(job);
  if (part)
    return {
      sentence: tr('registerThe', { part: registerName(part) }),
      reason: tr('untilThenTheDeviceMayShow'),
      tone: 'ink',
    };
  const testedBefore = Object.values(job.functions.before).some((r) => r === 'ok' || r === 'fail');
  return {
    sentence: testedBefore ? tr('flushAndEverythingWorksAsBefore') : tr('flushAndEverythingTestedWorksNot'),
    reason: oldFaults.length
      ? tr('faultsFromBeforeStay', { list: listed(oldFaults.map((o) => functionName(o.fn))) })
      : eye
        ? tr('byEyeAndFingerAStep', {
            noticedMm: length(noticedMm('step'), units, 2),
            stepMm: length(2 * units.gaugeU.stepMm, units, 2),
          })
        : flush?.foundMm == null
          ? tr('thesePointsCannotTellHowLarge')
          : tr('aBumpOfAnywhereAtThe', { foundMm: length(flush.foundMm, units, 2) }),
    tone: 'ink',
  };
}
