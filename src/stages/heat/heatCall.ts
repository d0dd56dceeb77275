import { said } from '@/words/codes';
import type { Marks } from '@/core/heat/opening';
import type { Watched } from '@/core/heat/member';
import type { HeaterWords } from '@/words/heaterWords';
import type { LiftState } from '@/work/heat/thermalJob';
import { edgeName } from '@/words/placeNames';
import { listed, chance as sayChance, length, spoken, temp } from '@/words/units';
import type { Settings } from '@/model/settings';
import type { HeatForecast } from '@/work/heat/heatForecast';
import { watchedNames } from '@/words/watchedNames';
import { t } from '@/words/heat';

export interface CallText {
  sentence: string;
  reason: string;
  tone: 'ink' | 'caution';
}

type Units = Pick<Settings, 'temperature' | 'length'>;

export interface HeatCallInput {
  f: HeatForecast;
  lift: LiftState;
  nowS: number;
  on: boolean;
  swollen: boolean;
  /** temperatures now, by the hot end, °C */
  hotC: Partial<Record<Watched, number>>;
  marks: Partial<Record<Watched, Marks>>;
  units: Units;
  words: HeaterWords;
  /** chance of breaking a cover that is to be saved, over the whole bond; null: it is not to be saved */
  breakChance?: number | null;
  breakLimit?: number;
  /** plastic: it can be pried cold as well */
  plastic?: boolean;
  /** glued all over, with the parts in: it comes off piece by piece */
  pieces?: boolean;
  /** what a part that is still inside forbids */
  refused?: string | null;
  /** seconds until the heater switches itself off; negative: since then */
  autoOffInS?: number | null;
  /** where the battery may be heated again after a rest, °C */
  againBelowC?: number;
}

const coldWay = () => t('orPryItColdStartingAt');

const whereOf = (lift: LiftState) => (lift.nextEdge ? edgeName(lift.nextEdge) : t('firstEdge'));

/** What forbids the heat or ends it, whatever the bond does; null: nothing. */
function hazardCall(input: HeatCallInput): CallText | null {
  const { lift, on, units, words, marks, hotC } = input;
  if (input.swollen)
    return {
      sentence: t('doNotHeatThisOne'),
      reason: t('theBatteryIsSwollenAwayFrom'),
      tone: 'caution',
    };
  const stopped = on
    ? (['battery', 'camera', 'display', 'cover'] as const).find((id) => {
        const m = marks[id];
        return m !== undefined && (hotC[id] ?? -Infinity) >= m.stopC;
      })
    : undefined;
  if (stopped)
    return {
      sentence: t('nowTheIsAt', {
        off: words.off,
        stopped: watchedNames[stopped],
        stopped2: temp(hotC[stopped]!, units),
      }),
      reason:
        input.againBelowC === undefined || stopped !== 'battery'
          ? t('itsLimitIsLetItCool', { stopC: temp(marks[stopped]!.stopC, units) })
          : t('itsLimitIsLetItCool2', {
              stopC: temp(marks[stopped]!.stopC, units),
              againBelowC: temp(input.againBelowC, units),
            }),
      tone: 'caution',
    };
  if (input.refused) return { sentence: t('notWithThePartsInside'), reason: input.refused, tone: 'caution' };
  if (on && input.autoOffInS != null && input.autoOffInS <= 0)
    return {
      sentence: t('theSwitchedItselfOffAgo', {
        name: words.name,
        autoOffInS: spoken(-input.autoOffInS),
      }),
      reason: t('theDeviceIsCoolingOnIt'),
      tone: 'caution',
    };
  if (lift.easyC === null)
    return {
      sentence: t('noHeatOpensThisWithA', { pickMm: length(lift.pickMm, units) }),
      reason: t('takeAThickerPick'),
      tone: 'caution',
    };
  return null;
}

/** A heat that never gets to where it is easy. */
function neverEasyCall(input: HeatCallInput, easyC: number): CallText {
  const { f, lift, units, words } = input;
  const where = whereOf(lift);
  if (input.pieces)
    return {
      sentence: t('notInOnePieceTakeIt'),
      reason: t('theGlueCoversTheWholeBack', { easyC: temp(easyC, units) }),
      tone: 'ink',
    };
  return f.tryFromS
    ? {
        sentence: t('hardWorkFromNeverEasyAt', {
          mean: spoken(f.tryFromS.mean - f.heatStartS),
          setC: temp(f.setC, units),
        }),
        reason: t('getsToWhereItWorksSlowly', {
          where,
          workC: temp(lift.workC ?? easyC, units),
          easyC: temp(easyC, units),
          coldWay: input.plastic ? coldWay() : t('setTheHigher', { name: words.name }),
        }),
        tone: 'ink',
      }
    : {
        sentence: t('isNotEnoughForAPick', { setC: temp(f.setC, units), pickMm: length(lift.pickMm, units) }),
        reason: t('theHasToGetToAnd', {
          where,
          easyC: temp(easyC, units),
          coldWay: input.plastic ? coldWay() : t('setTheHigherOrTakeA', { name: words.name }),
        }),
        tone: 'caution',
      };
}

type Ready = HeatForecast & { readyS: NonNullable<HeatForecast['readyS']> };

/** Something gets too hot before the bond opens; null: it does not, or there is nothing to wait for any more. */
function tooHotCall(input: HeatCallInput, f: Ready): CallText | null {
  const { lift, nowS, on, units, marks } = input;
  // a limit outranks the bond; once the line is soft there is nothing to wait for any more
  // of plastic the back itself comes first
  const over = input.plastic && f.over.includes('cover') ? 'cover' : f.over[0];
  if (over && !(on && nowS >= f.readyS.mean)) {
    const peak = over === 'glue' ? f.opening.glueC?.high : f.parts[over]?.peakC.high;
    const stopC = over === 'glue' ? lift.upperC : (marks[over]?.stopC ?? lift.upperC);
    const what =
      over === 'cover' && input.plastic
        ? { s: t('tooHotForThisBackIt'), r: coldWay() }
        : {
            s: t('theGetsTooHotBeforeThe', { over: watchedNames[over] }),
            r: input.pieces ? t('pieceByPieceWithAirOr') : t('heatAnotherWayOneEdgeAt'),
          };
    return {
      sentence: what.s,
      reason: `${t('upToLimit', { peak: peak === undefined ? '–' : temp(peak, units), stopC: temp(stopC, units), r: what.r })}${on ? ` ${t('softIn', { mean: spoken(f.readyS.mean - nowS) })}` : ''}`,
      tone: 'caution',
    };
  }
  return null;
}

/** The chance that the glass breaks, where it is more than the shop accepts. */
function breakText({ breakChance, breakLimit, lift, units }: HeatCallInput): string {
  if (breakChance == null || breakLimit === undefined || breakChance <= breakLimit) return '';
  return lift.safeC === null
    ? ` ${t('theGlassMayBreakOnA', { breakChance: sayChance(breakChance) })}`
    : ` ${t('theGlassMayBreakOnA2', { breakChance: sayChance(breakChance), safeC: temp(lift.safeC, units) })}`;
}

/** It has been on for longer than it needs. */
function tooLongCall({ nowS, words, hotC, marks, units }: HeatCallInput, f: Ready): CallText {
  const hottest = (['camera', 'battery', 'display', 'cover'] as const)
    .filter((id) => (hotC[id] ?? -Infinity) >= (marks[id]?.cautionC ?? Infinity))
    .map((id) => `${watchedNames[id]} ${temp(hotC[id]!, units)}`);
  return {
    sentence: hottest.length
      ? t('tooLong', { nowS: spoken(nowS - f.readyS.high), off: words.off, list: listed(hottest) })
      : t('tooLong2', { nowS: spoken(nowS - f.readyS.high), off: words.off }),
    reason: hottest.length
      ? t('itHasBeenSoftForLift', { nowS: spoken(nowS - f.readyS.mean) })
      : t('itHasBeenSoftForLift2', { nowS: spoken(nowS - f.readyS.mean) }),
    tone: 'caution',
  };
}

/** The call of the heat stage, from the forecast. Order of authority: hazards, limits, breakage, bond (law 2). */
export function heatCall(input: HeatCallInput): CallText {
  const { lift, nowS, on } = input;
  const hazard = hazardCall(input);
  if (hazard) return hazard;
  const { readyS } = input.f;
  if (!readyS) return neverEasyCall(input, lift.easyC!);
  const f: Ready = { ...input.f, readyS };
  const where = whereOf(lift);
  const easyFor = Math.max(0, (f.easyUntilS?.mean ?? 0) - f.readyS.mean);
  const gripsFor = Math.max(0, (f.gripsAtS?.mean ?? 0) - f.readyS.mean);
  const window = t('thenYouHaveEasyInAll', { easyFor: spoken(easyFor), gripsFor: spoken(gripsFor) });
  const tryS = f.tryFromS?.mean ?? f.readyS.mean;
  const tooHot = tooHotCall(input, f);
  if (tooHot) return tooHot;
  if (!on)
    return {
      sentence: t('tryFromEasyByAtThe2', {
        tryS: spoken(tryS - f.heatStartS),
        mean: spoken(f.readyS.mean - f.heatStartS),
        high: spoken(f.readyS.high - f.heatStartS),
      }),
      reason: t('startAtThe', { where, window, chance: breakText(input) }),
      tone: 'ink',
    };
  if (nowS < tryS)
    return {
      sentence: t('tryInEasyIn', { tryS: spoken(tryS - nowS), mean: spoken(f.readyS.mean - nowS) }),
      reason: t('startAtThe2', { where, window }),
      tone: 'ink',
    };
  if (nowS < f.readyS.mean)
    return {
      sentence: t('tryTheNowEasyIn', { where, mean: spoken(f.readyS.mean - nowS) }),
      reason: t('fromHereItWorksSlowlyIf'),
      tone: 'ink',
    };
  if (nowS <= f.readyS.high)
    return {
      sentence: t('liftNowStartAtThe', { where }),
      reason: t('easyForNowMoreHeatOnly', { nowS: spoken(nowS - f.readyS.mean), window }),
      tone: 'ink',
    };
  return tooLongCall(input, f);
}

/** Somebody was called away: what is safe comes first, then how long there is. */
export function awayCall(i: {
  offForS: number;
  words: HeaterWords;
  where: string;
  lineC: number;
  easyForS: number;
  gripsInS: number;
  reheatS: number | null;
  units: Units;
}): CallText {
  const left =
    i.easyForS > 0
      ? t('easyForMoreInAll', { easyForS: spoken(i.easyForS), max: spoken(Math.max(0, i.gripsInS)) })
      : i.gripsInS > 0
        ? t('itWorksSlowlyForMore', { gripsInS: spoken(i.gripsInS) })
        : t('itHasGrippedAgain');
  return {
    sentence: t('safeFor', { off: i.words.off, offForS: spoken(i.offForS) }),
    reason:
      i.reheatS === null
        ? t('theIsAtThisSettingDoes', { where: i.where, lineC: temp(i.lineC, i.units), left })
        : t('theIsAtOfHeatGet', { where: i.where, lineC: temp(i.lineC, i.units), left, reheatS: spoken(i.reheatS) }),
    tone: 'ink',
  };
}

export const chanceText = (chance: number | null, keepCover: boolean) =>
  chance === null ? said('none') : keepCover ? sayChance(chance) : t('writtenOff');
