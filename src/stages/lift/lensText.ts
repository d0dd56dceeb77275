import { isOut } from '@/work/heat/present';
import { capital } from '@/words/capital';
import { t } from '@/words/lift';
import { length, spoken, temp } from '@/words/units';
import type { LensNow } from './useLensNow';

type Text = { sentence: string; reason: string; tone: 'ink' | 'caution' };

interface Lens extends LensNow {
  /** the tape is soft, or no warmth is needed */
  soft: boolean;
  missing: { tapped: boolean; inspected: boolean };
  tested: boolean;
}

/** What is done now on a set of lens covers, in words. */
export function lensText(so: Lens): Text {
  const { job, chosen, next, plan, air, warm, workLeftS, swollen, on, dueAt, now, name, units, soft, missing, tested } =
    so;
  const cameraOut = isOut(job, 'camera');
  const needsBehind = Boolean(next?.fromBehind);
  if (swollen)
    return {
      sentence: t('stopTheBatteryIsSwollen'),
      reason: t('noHeatOnThisDeviceInto'),
      tone: 'caution',
    };
  if (!chosen.length) return { sentence: t('whichLensCovers'), reason: t('tapThemOnThePlanOr'), tone: 'ink' };
  if (on) {
    const left = dueAt === null ? 0 : (dueAt - now) / 1e3;
    return left > 0
      ? {
          sentence: t('airOffIn', { left: spoken(left) }),
          reason: t('circleOverThisOneCoverNever'),
          tone: 'ink',
        }
      : {
          sentence: t('airOffNowAndLift'),
          reason: t('softForNowEverySecondMore', { left: spoken(-left) }),
          tone: -left > 10 ? 'caution' : 'ink',
        };
  }
  if (next && plan) {
    if (needsBehind && !cameraOut)
      return {
        sentence: t('fromTheFrontInPieces', { next: capital(name(next)) }),
        reason: t('fromBehindOnlyWithTheCamera'),
        tone: 'ink',
      };
    if (warm && !soft)
      return plan.heat?.readyS
        ? {
            sentence:
              workLeftS === null
                ? t('warmForAtTheLatest', {
                    next: name(next),
                    mean: spoken(plan.heat.readyS.mean),
                    high: spoken(plan.heat.readyS.high),
                  })
                : t('itGripsWarmForAtThe', {
                    next: name(next),
                    mean: spoken(plan.heat.readyS.mean),
                    high: spoken(plan.heat.readyS.high),
                  }),
            reason: t('airOfTheCameraIsAt', {
              setC: temp(air.setC, units),
              high: temp(plan.heat.cameraC.high, units),
              workS: spoken(plan.heat.workS),
            }),
            tone: plan.heat.cameraStops ? 'caution' : 'ink',
          }
        : {
            sentence: t('thisAirDoesNotWarmEnough', { next: name(next) }),
            reason: t('theTapeGoesFromHotterAir', {
              targetC: plan.targetC === null ? t('noTemperature') : temp(plan.targetC, units),
            }),
            tone: 'caution',
          };
    return {
      sentence: needsBehind
        ? workLeftS !== null && workLeftS > 0
          ? t('pushItOutFromBehindLeft', { next: capital(name(next)), workLeftS: spoken(workLeftS) })
          : t('pushItOutFromBehind', { next: capital(name(next)) })
        : workLeftS !== null && workLeftS > 0
          ? t('bladeUnderTheTapeLeft', { next: capital(name(next)), workLeftS: spoken(workLeftS) })
          : t('bladeUnderTheTape2', { next: capital(name(next)) }),
      reason: needsBehind
        ? t('aSoftToolOnTheMiddle')
        : t('underItsFaceToInAll', {
            bladeUnderMm: length(next.bladeUnderMm, units, 2),
            needMm: length(next.needMm, units),
            limitMm: length(next.limitMm, units),
          }),
      tone: 'ink',
    };
  }
  if (missing.tapped)
    return {
      sentence: t('tapTheSplintersOut'),
      reason: t('faceDownSoThatTheyFall'),
      tone: 'ink',
    };
  if (missing.inspected)
    return {
      sentence: t('lookIntoEveryOpening'),
      reason: t('lightFromTheSideNoSplinter'),
      tone: 'ink',
    };
  if (!tested)
    return {
      sentence: t('testTheCamerasNow'),
      reason: t('beforeNewCoversGoOnA'),
      tone: 'ink',
    };
  return {
    sentence: t('lensCoversAreOffCamerasWork'),
    reason: t('cleanTheSeatsNextThenSizes'),
    tone: 'ink',
  };
}
