import { goTo } from '@/bench-kit/goTo';
import { boxOf } from '@/core/device/shapes';
import { pressS } from '@/core/lens/lensSet';
import type { JobState } from '@/model/fold';
import { camerasTested, lacking } from '@/work/lift/lensCovers';
import { wetStop } from '@/bench-kit/wet';
import { capital } from '@/words/capital';
import { type ReadingItem } from '@/ui/Readings';
import { lengthNumber, tempNumber } from '@/words/units';
import { lensText } from './lensText';
import { useLensNow } from './useLensNow';
import { t } from '@/words/lift';

export const caution = () => t('splintersOfLensGlassAreSmall');

/** What is done now, in words. */
function useLensCall(p: { job: JobState }) {
  const so = useLensNow(p);
  const { job, chosen, shown, plan, log, air, settings, warm, workLeftS } = so;
  const missing = {
    tapped: lacking(job, chosen, 'tapped').length > 0,
    inspected: lacking(job, chosen, 'inspected').length > 0,
  };
  const tested = camerasTested(job);
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
  const text = lensText({ ...so, soft, missing, tested });
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
      label: t('bladeInPastTheTapeShort', { n: units.length }),
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
