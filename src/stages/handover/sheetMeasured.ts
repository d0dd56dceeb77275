import type { CoverSeen } from '@/core/fit/coverByEye';
import { pauseMin } from '@/core/functions/riskOrder';
import { tolHighMm, tolLowMm } from '@/core/fit/flushness';
import { functionState } from '@/work/check/faults';
import { functionName as nameOf } from '@/words/functions';
import { cameraOf, coverEyeOf, coverPlaces, lensesOf } from '@/work/check/cameraJob';
import { flareWords, limitWords, noticeOf, pressWords, ratioWords, registerName, sharpWords } from '@/words/checkNames';
import { flushOf } from '@/work/check/flushJob';
import { sealOf } from '@/work/check/sealJob';
import type { EventOf } from '@/model/event';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { told } from '@/words/told';
import { capital } from '@/words/capital';
import { listed, digits } from '@/words/units';
import { t } from '@/words/handover';

const outcomeText: Record<EventOf<'registered'>['outcome'], string> = {
  get registered() {
    return t('registeredWithTheDevice');
  },
  get notNeeded() {
    return t('needsNoRegistering');
  },
  get refused() {
    return t('theDeviceRefusesItANotice');
  },
  get notPossible() {
    return t('notRegisteredHereANoticeCan');
  },
};

/** How this joint sits, as a customer reads it: the figures of each point stay in the record. */
function flushLines(job: JobState): string[] {
  const { taken, flush, eye } = flushOf(job);
  if (taken.length) {
    const off = taken.filter((p) => job.steps[p.id]! < tolLowMm.value || job.steps[p.id]! > tolHighMm.value).length;
    const fine = !off && (!flush || (flush.verdict === 'pass' && !flush.bumps.length));
    const bumps = flush?.bumps.length ?? 0;
    return [
      fine
        ? t('flushMeasured', { count: taken.length })
        : t('flushMeasuredOff', { count: taken.length, off: Math.max(off, bumps, 1) }),
    ];
  }
  return eye?.action === 'accept' ? [t('flushByEye')] : [];
}

/** What was measured and tested. */
export function measuredLines(job: JobState, settings: Settings, joints: readonly JobState[]): string[] {
  const out = joints.flatMap(flushLines);
  const tested = Object.values(job.functions.after).filter((r) => r === 'ok' || r === 'fail').length;
  const state = functionState(job);
  const failing = [...state.newFaults, ...state.unclear, ...state.oldFaults].map((c) => nameOf(c.fn));
  if (tested)
    out.push(
      failing.length
        ? t('functionsTestedAfterClosingNotWorking', { count: tested, list: listed(failing) })
        : t('functionsTestedAfterClosingAllOf', { count: tested }),
    );
  const skipped = Object.entries(job.functions.after)
    .filter(([, r]) => r === 'untested')
    .map(([id]) => nameOf(id));
  if (skipped.length) out.push(t('notTested', { list: listed(skipped) }));

  const air = sealOf(job, settings.leakLimit);
  if (air.after?.verdict)
    out.push(
      t('airLeakPaMSAt', {
        toExponential: air.after.leak.toExponential(1),
        figure2: (2 * air.after.uLeak).toExponential(0),
        verdict: limitWords[air.after.verdict],
      }),
    );
  if (air.ratio)
    out.push(
      t('airTestAgainstTheSameDevice', {
        verdict: ratioWords[air.ratio.verdict],
        figure: digits(air.ratio.ratio, 1),
        figure2: digits(air.ratio.low, 1),
        figure3: digits(air.ratio.high, 1),
      }),
    );
  if (air.press.after) out.push(t('pressedOnTheGlassWithThe', { kind: pressWords[air.press.after.kind] }));

  const seen = coverEyeOf(job).seen ?? [];
  const byEye = (s: CoverSeen) => (s.action === 'accept' ? t('coverByEyeLevel') : t('coverByEyeNot'));
  for (const lens of lensesOf(job)) {
    const c = cameraOf(job, lens.id);
    const parts = [
      ...(c.sharp
        ? [
            t('timesTo', {
              verdict: sharpWords[c.sharp.verdict],
              figure: digits(c.sharp.ratio, 2),
              figure2: digits(c.sharp.low, 2),
              figure3: digits(c.sharp.high, 2),
            }),
          ]
        : []),
      ...(c.flare
        ? [`${flareWords[c.flare.verdict]}, ${digits(100 * c.flare.added, 1)} ± ${digits(200 * c.flare.u, 1)} %`]
        : []),
      ...seen.filter((s) => s.cover === lens.id).map(byEye),
      ...(c.seat ? [c.seat.seated && c.seat.concentric ? t('coverIsCentred') : t('coverDoesNotSitAsIt')] : []),
    ];
    if (parts.length) out.push(t('throughItsCover', { name: lens.name, list: parts.join('; ') }));
  }
  // a lens cover of its own stands under its own name
  const covers = coverPlaces(job);
  for (const s of seen.filter((x) => !lensesOf(job).some((l) => l.id === x.cover)))
    out.push(t('coverSits', { cover: capital(told(covers.find((c) => c.id === s.cover)!.name)), seat: byEye(s) }));
  for (const [part, r] of Object.entries(job.registered))
    out.push(
      `${capital(registerName(part))}: ${outcomeText[r.outcome]}${r.outcome === 'refused' || r.outcome === 'notPossible' ? ` (${noticeOf(part)})` : ''}${r.note ? `, ${r.note}` : ''}.`,
    );
  const checker = state.checker;
  if (checker && state.how === 'customer') out.push(t('checkedByCustomer', { checker }));
  else if (checker && state.how === 'afterPause') out.push(t('checkedAlone', { checker, minutes: pauseMin }));
  else if (checker)
    out.push(
      state.repairer ? t('checkedByRepairedBy', { checker, repairer: state.repairer }) : t('checkedBy', { checker }),
    );
  return out;
}
