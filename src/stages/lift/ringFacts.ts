import { cablesUnknown } from '@/core/device/known';
import { foldOver } from '@/core/lift/foldOver';
import { arcVerdict, cutSpeed, safeWedge, slowShare, thickestWedgeMm, wedgeVerdict } from '@/core/lift/verdict';
import { pickPaceMmS } from '@/core/lift/pickPace';
import { hotOf } from '@/core/heat/run';
import type { JobState } from '@/model/fold';
import { heatCount } from '@/model/stages/heat';
import type { Settings } from '@/model/settings';
import { heaterWords } from '@/words/heaterWords';
import { batteryMarks } from '@/work/heat/watchMarks';
import { placeName } from '@/words/placeNames';
import type { ReadingItem } from '@/ui/Readings';
import { clock, length, tempNumber } from '@/words/units';
import { liftCall } from './liftCall';
import type { RingNow } from './useRing';
import { t } from '@/words/lift';

/** What follows from a ring as it stands: the call, the readings, and what they are made of. */
export function ringFacts(job: JobState, settings: Settings, ring: RingNow) {
  const units = settings;
  const { thermal, lift, on, heated, nowS, look, doseS, rest } = ring;
  const { windows } = ring.geometry;
  const marks = batteryMarks(job.device);
  const arcsC = thermal.run.arcsC(nowS, thermal.arcs);
  const arc = lift.order.length ? lift.order[0]! : null;
  const arcC = arc === null ? arcsC[0]! : arcsC[arc]!;
  const battery = hotOf(thermal.run, 'battery', nowS);
  const verdict = arcVerdict(arcC, lift, lift.upperC);
  const window = windows.find((w) => w.edge === lift.nextEdge) ?? null;
  const lineC = Math.max(15, arcC.mean);
  const state = wedgeVerdict(lift.case, lineC);
  const speed = pickPaceMmS(lift.case, lift, lineC) || cutSpeed.value * slowShare;
  const pace = Number(speed.toFixed(1));
  const safe = safeWedge(lift.case, lineC, speed);
  const folds = job.device.cables.map((c) => foldOver(job.device, job.bond, c));
  const text = liftCall({
    lift,
    words: heaterWords(thermal.heater),
    verdict,
    wedge: state,
    arcUsualC: arcC.mean,
    arcHighC: arcC.high,
    onPlate: on,
    everHeated: heated,
    cold: ring.cold,
    swollen: job.findings.cellSwollen?.answer === 'yes',
    batteryHighC: battery?.hotC ?? null,
    stopC: marks.stopC,
    easyForS: Math.max(0, (look?.easyUntilS ?? nowS) - nowS),
    gripsForS: Math.max(0, (look?.gripsAtS ?? nowS) - nowS),
    reheatS: look?.reheatS ?? null,
    window,
    breakChance: state.breakChance,
    fold: folds[0] ?? null,
    cablesUnknown: cablesUnknown(job.device),
    edgesLeft: lift.steps.filter((s) => !job.freeEdges.has(s.edge)).length,
    units,
  });
  const heldMm = thermal.path.lengthMm - job.cut.freeMm;
  const readings: ReadingItem[] =
    arc === null
      ? [{ id: 'done', value: `${heatCount(job)}`, label: t('heatsInAll'), tone: 'go' }, dose()]
      : [
          {
            id: 'arc',
            value: `${tempNumber(arcC.mean, units)}°`,
            label:
              lift.easyC === null
                ? lift.workC === null
                  ? t('usuallyNeverEasyNeverWorks', {
                      path: placeName(thermal.path, (thermal.arcs[arc]!.fromMm + thermal.arcs[arc]!.toMm) / 2),
                    })
                  : t('usuallyNeverEasyWorksFrom', {
                      path: placeName(thermal.path, (thermal.arcs[arc]!.fromMm + thermal.arcs[arc]!.toMm) / 2),
                      workC: tempNumber(lift.workC, units),
                    })
                : lift.workC === null
                  ? t('usuallyEasyFromNeverWorks', {
                      path: placeName(thermal.path, (thermal.arcs[arc]!.fromMm + thermal.arcs[arc]!.toMm) / 2),
                      easyC: tempNumber(lift.easyC, units),
                    })
                  : t('usuallyEasyFromWorksFrom', {
                      path: placeName(thermal.path, (thermal.arcs[arc]!.fromMm + thermal.arcs[arc]!.toMm) / 2),
                      easyC: tempNumber(lift.easyC, units),
                      workC: tempNumber(lift.workC, units),
                    }),
            tone: verdict === 'go' ? 'go' : verdict === 'slow' ? 'ink' : 'caution',
          },
          {
            id: 'wedge',
            value: length(safe.pickHolds || !job.keepCover ? lift.pickMm : safe.highestMm, units, 2),
            label: !job.keepCover
              ? t('pickMmSItMayBreak', { pace })
              : safe.pickHolds
                ? t('pickMmSUpToHolds', {
                    pace,
                    thickestWedgeMm:
                      safe.highestMm >= thickestWedgeMm
                        ? t('over', { thickestWedgeMm: length(thickestWedgeMm, units, 0) })
                        : length(safe.highestMm, units, 2),
                  })
                : t('thickestWedgeNowYourPickIs', { pickMm: length(lift.pickMm, units) }),
            tone: job.keepCover && !safe.pickHolds ? 'caution' : 'ink',
          },
          {
            id: 'mm',
            value: length(rest ? (rest.windowsMm[0] ?? 0) : heldMm, units, 0),
            label: rest
              ? rest.finished
                ? t('ofFitInThisWindowReheats', { heldMm: length(heldMm, units, 0), reheats: rest.reheats })
                : rest.stoppedBy === 'battery'
                  ? t('ofFitInThisWindowThen', { heldMm: length(heldMm, units, 0) })
                  : t('ofFitInThisWindowThen2', { heldMm: length(heldMm, units, 0) })
              : t('stillToCut'),
          },
          dose(),
        ];
  function dose(): ReadingItem {
    return {
      id: 'battery',
      value: `${tempNumber(battery?.hotC ?? thermal.ambientC, units)}°`,
      label: t('batteryAtMostAboveInAll', { doseS: clock(doseS), cautionC: tempNumber(marks.cautionC, units) }),
      tone: (battery?.hotC ?? 0) >= marks.cautionC ? 'caution' : 'ink',
    };
  }
  return { arcsC, arc, arcC, battery, marks, verdict, window, lineC, state, pace, safe, folds, text, readings };
}

export type RingFacts = ReturnType<typeof ringFacts>;
