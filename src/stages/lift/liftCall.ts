import { capital } from '@/words/capital';
import type { HeaterWords } from '@/words/heaterWords';
import type { FoldOver } from '@/core/lift/foldOver';
import { pickPaceMmS } from '@/core/lift/pickPace';
import { cutSpeed, type ArcVerdict, type WedgeVerdict } from '@/core/lift/verdict';
import { type LiftState } from '@/work/heat/thermalJob';
import { edgeName } from '@/words/placeNames';
import type { Settings } from '@/model/settings';
import type { EdgeWindow } from '@/core/lift/depth';
import { chance, length, spoken, temp } from '@/words/units';
import { t } from '@/words/lift';

export interface LiftCallInput {
  /** how the heater in use is spoken of */
  words: HeaterWords;
  lift: LiftState;
  verdict: ArcVerdict;
  /** the wedge at that arc's usual temperature: what it would take */
  wedge: Pick<WedgeVerdict, 'verdict' | 'goC' | 'goPickMm'>;
  /** usual value and high bound of the arc that is cut next, °C */
  arcUsualC: number;
  arcHighC: number;
  onPlate: boolean;
  everHeated: boolean;
  /** it is pried off without heat */
  cold: boolean;
  swollen: boolean;
  batteryHighC: number | null;
  stopC: number;
  easyForS: number;
  gripsForS: number;
  reheatS: number | null;
  window: EdgeWindow | null;
  breakChance: number;
  fold: FoldOver | null;
  /** nobody knows yet whether a cable crosses to the cover */
  cablesUnknown: boolean;
  /** edges that are not free yet */
  edgesLeft: number;
  units: Pick<Settings, 'temperature' | 'length'>;
}

export interface CallText {
  sentence: string;
  reason: string;
  tone: 'ink' | 'caution';
}

/** How much slower a hand goes, in shares that it can feel. */
function paceWords(mmS: number): string {
  const share = mmS / cutSpeed.value;
  if (share > 0.7) return t('aLittleUnderFullSpeed');
  if (share > 0.35) return t('halfTheSpeed');
  if (share > 0.15) return t('aQuarterOfTheSpeed');
  return t('aTenthOfTheSpeed');
}

/** The call of the lift stage. A wedge "go" never overrides a limit (law 2). */
export function liftCall(i: LiftCallInput): CallText {
  const { lift, units } = i;
  const edge = lift.nextEdge ? edgeName(lift.nextEdge) : '';
  if (i.swollen)
    return {
      sentence: t('stopTheBatteryIsSwollen'),
      reason: t('noHeatAndNoPryingOver'),
      tone: 'caution',
    };
  if (!lift.nextEdge)
    return {
      sentence: t('allEdgesAreFree'),
      reason: i.fold
        ? i.fold.unplugFirst
          ? t('tipTheBackTowardTheNo', {
              edge: edgeName(i.fold.edge),
              openDeg: Math.round(Math.min(i.fold.openDeg, 90)),
              name: i.fold.cable.name,
            })
          : t('turnItOverTheUpTo4', {
              edge: edgeName(i.fold.edge),
              openDeg: Math.round(i.fold.openDeg),
              name: i.fold.cable.name,
              slackMm: length(i.fold.cable.slackMm, units, 0),
            })
        : i.cablesUnknown
          ? t('lookForACableFirst')
          : t('noCableCrossesToTheBack'),
      tone: 'ink',
    };
  if (i.onPlate)
    return {
      sentence: i.words.of === 'of hot air' ? t('theAirIsOnIt') : t('itIs', { of: i.words.of }),
      reason: t('theClockRunsOnHeatGo'),
      tone: 'ink',
    };
  if (!i.everHeated && i.cold)
    return {
      sentence: t('coldPryFromThePort', { edge }),
      reason: t('coldItStringsLeavePicksIn'),
      tone: 'ink',
    };
  if (!i.everHeated)
    return {
      sentence: t('heatFirstTheIsAt', { edge, arcUsualC: temp(i.arcUsualC, units) }),
      reason:
        lift.easyC === null
          ? t('noTemperatureOpensItWithThis')
          : t('itOpensEasilyFromColdGlue', { easyC: temp(lift.easyC, units) }),
      tone: 'ink',
    };
  if (i.batteryHighC !== null && i.batteryHighC >= i.stopC)
    return {
      sentence: t('handsOffLetTheBatteryCool'),
      reason: t('itMayBeAtLimit', { batteryHighC: temp(i.batteryHighC, units), stopC: temp(i.stopC, units) }),
      tone: 'caution',
    };
  if (i.verdict === 'stop') {
    const never = lift.easyC === null && lift.workC === null;
    const other = i.wedge.goPickMm !== null && i.wedge.goC !== null && i.wedge.goPickMm !== lift.pickMm;
    return {
      sentence: !never
        ? t('waitTooHotToPry')
        : other
          ? t('otherPickGoesFrom', { goPickMm: length(i.wedge.goPickMm!, units), goC: temp(i.wedge.goC!, units) })
          : t('stopNoPickOpensThisWithout'),
      reason: !never
        ? t('theGlueMayBeAtBack', { arcHighC: temp(i.arcHighC, units), upperC: temp(lift.upperC, units) })
        : other
          ? t('thePickWorksAtNoAllowed', { pickMm: length(lift.pickMm, units) })
          : t('writeTheBackOffOrLeave'),
      tone: 'caution',
    };
  }
  const deep = i.window
    ? i.window.limitMm >= 30
      ? t('deepCutsTheRingNothingIs', { needMm: length(i.window.needMm, units) })
      : t('toDeepBehind', {
          needMm: length(i.window.needMm, units),
          limitMm: length(i.window.limitMm, units),
          name: i.window.limitedBy?.name ?? t('aPart'),
        })
    : '';
  // until one edge is open nobody can look in
  const depth = i.cablesUnknown && lift.steps.length === i.edgesLeft ? `${deep} ${t('aCableMayCross')}`.trim() : deep;
  if (i.verdict === 'go')
    return {
      sentence: t('cutTheNowEasyFor', { edge, easyForS: spoken(i.easyForS) }),
      reason: lift.case.keepCover
        ? t('chanceOfBreakingForTheWhole', { depth, breakChance: chance(i.breakChance) })
        : t('tapeOverTheShardsItMay', { depth }),
      tone: 'ink',
    };
  if (i.verdict === 'slow')
    return {
      sentence: t('slowly', {
        edge: capital(edge),
        arcUsualC: paceWords(pickPaceMmS(lift.case, lift, i.arcUsualC)),
      }),
      reason: (i.reheatS === null
        ? `${t('itGripsIn', { gripsForS: spoken(i.gripsForS), depth })} `
        : t('itGripsInReheatingTakesAbout', { gripsForS: spoken(i.gripsForS), depth, reheatS: spoken(i.reheatS) })
      ).trim(),
      tone: 'ink',
    };
  return {
    sentence:
      i.wedge.goC !== null && i.wedge.goPickMm === lift.pickMm
        ? t('theHasGrippedTo', { again: i.words.again, edge, goC: temp(i.wedge.goC, units) })
        : t('theHasGripped', { again: i.words.again, edge }),
    reason: `${t('nowItWorksFromNeverForce', { arcUsualC: temp(i.arcUsualC, units), workC: lift.workC === null ? t('noTemperature') : temp(lift.workC, units) })}${i.reheatS === null ? '' : ` ${t('about', { reheatS: spoken(i.reheatS), of: i.words.of })}`}`,
    tone: 'caution',
  };
}
