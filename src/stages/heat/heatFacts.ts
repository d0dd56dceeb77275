import { jointOf } from '@/core/device/jointKinds';
import { restUnderK } from '@/core/lift/plan';
import { cutSpeed, wedgeState } from '@/core/lift/verdict';
import type { Range } from '@/core/source';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { hotNow } from '@/work/heat/heatForecast';
import { refuses } from '@/work/heat/heatPlan';
import { strengthOf, batteryMarks, watchMarks } from '@/work/heat/watchMarks';
import { edgeName, placeName } from '@/words/placeNames';
import type { ReadingItem } from '@/ui/Readings';
import { clock, listed, temp, tempNumber } from '@/words/units';
import { watchedNames } from '@/words/watchedNames';
import { awayCall, heatCall } from './heatCall';
import { isSwollen } from './heatPage';
import type { HeatView } from './useHeatForecast';
import type { HeatPlanNow } from './useHeatPlan';
import { t } from '@/words/heat';
import { told } from '@/words/told';

export interface HeatFacts {
  arcsC: Range[];
  text: ReturnType<typeof heatCall>;
  readings: ReadingItem[];
  refused: ReturnType<typeof refuses>;
}

/** The call of the heat and its readings at the instant that is shown. */
export function heatFacts(
  job: JobState,
  settings: Settings,
  now: HeatPlanNow,
  view: HeatView,
  at: number,
  autoOffAt: number | null,
): HeatFacts {
  const { on, plan, heater, words } = now;
  const { f, lift, thermal, away, liveS, shownS } = view;
  const units = settings;
  const marks = batteryMarks(job.device);
  const watched = watchMarks(job);
  const refused = refuses(heater, plan.setC, job);
  const arcsC = f.run.arcsC(shownS, thermal.arcs);
  const coldest = arcsC.reduce((m, r, i) => (r.mean < arcsC[m]!.mean ? i : m), 0);
  const firstC = f.run.arcC(shownS, f.first);
  const hot = (['battery', 'camera', 'display', 'cover'] as const).flatMap((id) => {
    const h = hotNow(f, id, shownS);
    return h ? [[id, h.hotC] as const] : [];
  });
  const hotC = Object.fromEntries(hot) as Partial<Record<(typeof hot)[number][0], number>>;
  const plastic = strengthOf(job).yieldMPa !== undefined;
  const offSince = job.heat[job.heat.length - 1];
  const text = away
    ? awayCall({
        offForS: offSince ? (at - offSince.at) / 1e3 : 0,
        words,
        where: lift.nextEdge ? edgeName(lift.nextEdge) : 'line',
        lineC: thermal.run.arcC(liveS, f.first).mean,
        easyForS: away.easyUntilS - liveS,
        gripsInS: away.gripsAtS - liveS,
        reheatS: away.reheatS,
        units,
      })
    : heatCall({
        f,
        lift,
        nowS: liveS,
        on: on !== null,
        swollen: isSwollen(job),
        hotC: on ? hotC : {},
        marks: watched,
        units,
        words,
        breakChance:
          job.keepCover && lift.easyC !== null ? wedgeState(lift.case, lift.easyC, cutSpeed.value).breakChance : null,
        breakLimit: settings.breakLimit,
        plastic,
        pieces: jointOf(job.bond).wholeFace && job.device.parts.some((p) => p.limitC),
        refused: on
          ? null
          : refused &&
            t('partsStillInside', { parts: listed(refused.inside.map(told)), maxC: temp(refused.maxC, units) }),
        autoOffInS: autoOffAt === null ? null : (autoOffAt - at) / 1e3,
        againBelowC: marks.cautionC - restUnderK.value,
      });
  const doseS = on || job.heat.length ? view.aboveS : (f.parts.battery?.aboveCautionS.mean ?? 0);
  const soFar = on ? ` ${t('soFar')}` : '';
  const caution = tempNumber(marks.cautionC, units);
  const dose = doseS > 0 ? t('over', { doseS: clock(doseS), caution, soFar }) : t('neverOver', { caution, soFar });
  const tileOf = (id: 'battery' | 'camera' | 'cover'): ReadingItem => {
    const m = watched[id];
    const c = hotC[id];
    return {
      id,
      value: c === undefined ? '–' : `${tempNumber(c, units)}°`,
      label: `${on ? t('atMost', { id: watchedNames[id] }) : t('thenAtMost', { id: watchedNames[id] })}${m ? ` ${t('warningLimit', { cautionC: tempNumber(m.cautionC, units), stopC: tempNumber(m.stopC, units) })}` : ''}${`${id === 'battery' ? `. ${dose}` : ''}`}`,
      tone: m && c !== undefined && c >= m.cautionC ? 'caution' : 'ink',
    };
  };
  const coldArc = thermal.arcs[coldest]!;
  const readings: ReadingItem[] = [
    {
      id: 'first',
      value: `${tempNumber(firstC.mean, units)}°`,
      label: `${on ? t('nowUsually', { nextEdge: lift.nextEdge ? edgeName(lift.nextEdge) : t('firstEdge2') }) : t('thenUsually', { nextEdge: lift.nextEdge ? edgeName(lift.nextEdge) : t('firstEdge2') })}${lift.workC === null ? '' : ` ${t('worksFrom', { workC: tempNumber(lift.workC, units) })}`}${lift.easyC === null ? '' : t('easyFrom2', { easyC: tempNumber(lift.easyC, units) })}`,
      tone: lift.easyC !== null && firstC.mean >= lift.easyC ? 'go' : 'ink',
    },
    plastic
      ? tileOf('cover')
      : {
          id: 'cold',
          value: `${tempNumber(arcsC[coldest]!.mean, units)}°`,
          label: t('coldest', { path: placeName(thermal.path, (coldArc.fromMm + coldArc.toMm) / 2) }),
        },
    tileOf('battery'),
    tileOf('camera'),
  ];
  return { arcsC, text, readings, refused };
}
