import { useState } from 'react';

import { goTo } from '@/bench-kit/goTo';
import { boxOf, contains } from '@/core/device/shapes';
import { pressS, type LensCover } from '@/core/lens/lensSet';
import type { EventOf, NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { onPlate } from '@/model/stages/heat';
import { useActions } from '@/bench-kit/actions';
import { camerasTested, lacking, lensPlan, lensWork } from '@/work/lift/lensJob';
import { useLensAir } from '@/bench-kit/useLensAir';
import { useGoOn } from '@/bench-kit/useGoOn';
import { isOut } from '@/work/heat/present';
import { wetStop } from '@/bench-kit/wet';
import { useJobs, useSettings } from '@/store/shop';
import { capital } from '@/words/capital';
import { useVoice } from '@/bench-kit/useVoice';
import { airCues } from '@/work/voice/cues';
import { useAlarm, useAwake } from '@/ui/alarm';
import { type ReadingItem } from '@/ui/Readings';
import { length, lengthNumber, spoken, temp, tempNumber } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { t } from '@/words/lift';

export const caution = () => t('splintersOfLensGlassAreSmall');

type Step = EventOf<'lens'>['step'];

/** The cover that is worked on, its heat and its clocks. */
function useLensNow({ job }: { job: JobState }) {
  const settings = useSettings();
  const units = settings;
  const now = useNow(500);
  const { log } = useActions(job);
  const goOn = useGoOn(job, 'lift');
  const jobs = useJobs();
  const { all, chosen, next } = lensWork(job);
  const air = useLensAir(settings);
  const [school, setSchool] = useState<'warm' | 'cold' | null>(null);
  const swollen = job.findings.cellSwollen?.answer === 'yes';
  const shown = next ?? chosen[0] ?? all[0] ?? null;
  const plan = shown ? lensPlan(job, settings, shown, air.heaterId, air.setC) : null;
  const warm = !swollen && (school ?? plan?.choose ?? 'cold') === 'warm';
  const on = onPlate(job);
  const last = job.heat[job.heat.length - 1];
  const forThis = (
    h: { use?: { path?: { kind: string; at?: readonly number[] } | undefined } | undefined } | undefined,
  ) => {
    const at = h?.use?.path?.at;
    return Boolean(at && shown && contains(shown.face.cover.outline, [at[0]!, at[1]!], 1));
  };
  const lastOn = job.heat.findLast((h) => h.setC !== null);
  const dueAt = on?.readyInS == null ? null : on.at + on.readyInS * 1e3;
  const workLeftS =
    !on && last?.setC === null && forThis(lastOn) && last.gripsInS !== null
      ? last.gripsInS - (now - last.at) / 1e3
      : null;
  const alarm = useAlarm(dueAt, now, 'opens', settings.sound && !settings.voice.on);
  useVoice(on && dueAt !== null ? airCues({ onAt: on.at, dueAt }) : []);
  useAwake(on !== null || (workLeftS !== null && workLeftS > 0));

  const name = (l: LensCover) => l.face.name;
  const step = (l: LensCover, s: Step, done = true): NewEvent => ({ type: 'lens', bondId: l.bond.id, step: s, done });
  const toggle = (l: LensCover) => {
    const isChosen = chosen.includes(l);
    // the first choice by hand also writes down what was taken for granted before
    const base = chosen
      .filter((c) => c !== l && job.lenses.get(c.bond.id)?.steps.chosen === undefined)
      .map((c) => step(c, 'chosen'));
    void log([...base, step(l, 'chosen', !isChosen)]);
  };
  return {
    job,
    chosen,
    next,
    shown,
    plan,
    log,
    air,
    settings,
    warm,
    workLeftS,
    swollen,
    on,
    dueAt,
    now,
    name,
    units,
    jobs,
    step,
    goOn,
    setSchool,
    all,
    toggle,
    alarm,
  };
}

/** What is done now, in words. */
function useLensCall(p: { job: JobState }) {
  const so = useLensNow(p);
  const { job, chosen, next, shown, plan, log, air, settings, warm, workLeftS, swollen, on, dueAt, now, name, units } =
    so;
  const missing = {
    tapped: lacking(job, chosen, 'tapped').length > 0,
    inspected: lacking(job, chosen, 'inspected').length > 0,
  };
  const tested = camerasTested(job);
  const cameraOut = isOut(job, 'camera');
  const needsBehind = Boolean(next?.fromBehind);
  const airOn = () => {
    if (!shown || !plan?.heater || !plan.heat?.readyS) return;
    const b = boxOf(shown.face.cover.outline);
    const at: [number, number] = [(b.min[0] + b.max[0]) / 2, (b.min[1] + b.max[1]) / 2];
    const radiusMm = Math.min(b.max[0] - b.min[0], b.max[1] - b.min[1]) / 4;
    const use = { masked: true, path: { kind: 'spot' as const, at, radiusMm } };
    void log([
      {
        type: 'heatOn',
        setC: air.setC,
        preheated: true,
        heater: plan.heater.id,
        use,
        startC: job.ambientC ?? settings.roomC,
        modelRun: 'lens',
        readyInS: plan.heat.readyS.high,
      },
    ]);
  };
  const airOff = () =>
    void log([{ type: 'heatOff', reason: 'ready', easyForS: null, gripsInS: plan?.heat ? plan.heat.workS : null }]);

  const soft = !warm || (workLeftS !== null && workLeftS > 0);
  const text = ((): { sentence: string; reason: string; tone: 'ink' | 'caution' } => {
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
  })();
  return { ...so, airOff, soft, airOn, missing, tested, text };
}

/** How it stands: what LensLift shows and does. */
export function useLensLift(p: { job: JobState }) {
  const so = useLensCall(p);
  const {
    swollen,
    on,
    airOff,
    next,
    warm,
    soft,
    airOn,
    job,
    jobs,
    settings,
    now,
    plan,
    name,
    log,
    step,
    chosen,
    missing,
    goOn,
    tested,
    shown,
    units,
  } = so;

  const main = ((): { label: string; act: () => void; why: string | null } => {
    const why = swollen ? t('theBatteryIsSwollen') : null;
    if (on) return { label: t('airOff'), act: airOff, why: null };
    if (next && warm && !soft)
      return {
        label: t('airOn'),
        act: airOn,
        why: why ?? wetStop(job, jobs, settings, now) ?? (plan?.heat?.readyS ? null : t('thisAirDoesNotGetThere')),
      };
    if (next)
      return { label: t('isOff2', { next: capital(name(next)) }), act: () => void log([step(next, 'off')]), why };
    if (!chosen.length) return { label: t('coverIsOff'), act: () => {}, why: t('chooseTheCoversFirst') };
    if (missing.tapped)
      return {
        label: t('tappedOut'),
        act: () => void log(lacking(job, chosen, 'tapped').map((l) => step(l, 'tapped'))),
        why,
      };
    if (missing.inspected)
      return {
        label: t('openingsAreClear'),
        act: () => void log(lacking(job, chosen, 'inspected').map((l) => step(l, 'inspected'))),
        why,
      };
    return { label: goTo(job, 'lift'), act: () => goOn(), why: tested ? why : t('camerasNotTested') };
  })();
  const readings: ReadingItem[] = [
    {
      id: 'left',
      value: `${chosen.length - lacking(job, chosen, 'off').length} / ${chosen.length}`,
      label: t('coversOff'),
      tone: next ? 'ink' : 'go',
    },
    {
      id: 'depth',
      value: shown ? `${lengthNumber(shown.needMm, units)}–${lengthNumber(shown.limitMm, units)}` : '–',
      label: t('bladeInPastTheTapeShort', { length: units.length }),
      tone: shown && shown.limitMm < shown.needMm ? 'caution' : 'ink',
    },
    {
      id: 'camera',
      value: plan?.heat ? `${tempNumber(plan.heat.cameraC.high, units)}°` : '–',
      label: t('cameraBehindItWhenWarmedAt'),
      tone: plan?.heat?.cameraStops ? 'caution' : 'ink',
    },
    {
      id: 'press',
      value: `${Math.round(pressS.value)} s`,
      label: t('withTheFingerLaterEachUsually'),
    },
  ];
  return { ...so, main, readings };
}
export type LensLiftState = ReturnType<typeof useLensLift>;
