import { objectionsText } from './holdWords';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { cureEnd, type JobCure } from '@/work/cure/cureJob';
import { dayTime, digits, length, percent, spoken } from '@/words/units';
import type { HoldWay } from '@/work/cure/holdWays';
import { t } from '@/words/cure';

export interface CureText {
  sentence: string;
  reason: string;
  tone: 'ink' | 'caution';
}

type Units = Pick<Settings, 'temperature' | 'length'>;

/** How it is to be held, in one sentence and one reason. */
export function holdText(way: HoldWay, units: Units): CureText {
  if (way.clips)
    return {
      sentence: t('sNEachEvery', {
        count: way.count,
        name: way.name,
        forceN: way.forceN,
        spacingMm: length(way.clips.spacingMm, units, 0),
      }),
      reason: t('evenToKpaOnTheJoint', {
        max: percent(Math.max(0, way.clips.evenness)),
        meanKPa: Math.round(way.clips.meanKPa),
        figure: digits(way.clips.displayKPa, 1),
      }),
      tone: way.against.length ? 'caution' : 'ink',
    };
  if (way.spread?.kind === 'weight')
    return {
      sentence: t('kgOnAPaddedBoard', { figure: digits(way.spread.massKg, 1) }),
      reason: t('kpaOnTheJointKpaOver', {
        bondKPa: Math.round(way.spread.bondKPa),
        figure: digits(way.spread.faceKPa, 1),
      }),
      tone: way.against.length ? 'caution' : 'ink',
    };
  if (way.spread)
    return {
      sentence: t('bagAtKpa', { figure: digits(way.spread.bagKPa, 1) }),
      reason: t('evenByItselfKpaOnThe', { bondKPa: Math.round(way.spread.bondKPa) }),
      tone: way.against.length ? 'caution' : 'ink',
    };
  return {
    sentence: t('pressByHandRoundTheEdge'),
    reason: t('noFigureStandsBehindThisNobody'),
    tone: 'caution',
  };
}

export function cureText(job: JobState, cure: JobCure, way: HoldWay, now: number, units: Units): CureText {
  if (!job.bonded) return { sentence: t('bondItFirst'), reason: t('theClockStartsWhenItIs'), tone: 'ink' };
  const start = job.clampOn?.at;
  if (start === undefined) {
    if (way.id === 'hand' || way.against.length === 0) return holdText(way, units);
    return {
      sentence: t('nothingHereHoldsThisEvenly'),
      reason: t('againstIt2', { sentence: holdText(way, units).sentence, list: objectionsText(way.against) }),
      tone: 'caution',
    };
  }
  const full = cureEnd(cure, 'full')!;
  if (job.clampOffAt !== null) {
    const early = job.effective.findLast((e) => e.type === 'clampOff');
    return {
      sentence: t('clampsAreOffFullBond', { full: dayTime(full, now) }),
      reason: `${t('noPressOrHoldTestBefore', { cure: dayTime(cureEnd(cure, 'sealTest')!, now) })}${early?.type === 'clampOff' && early.early ? ` ${t('theyCameOffEarly')}` : ''}`,
      tone: 'ink',
    };
  }
  const due = cureEnd(cure, 'clampOff')!;
  const left = (due - now) / 1e3;
  const since = (now - start) / 1e3;
  if (left > 0)
    return {
      sentence: t('clampsOffIn', { left: spoken(left) }),
      reason:
        cure.unlockS.clampOff === cure.clocks.clampOff.high
          ? t('atTheLatestTimeEarlyFrom', {
              due: dayTime(due, now),
              max: spoken(Math.max(0, cure.clocks.clampOff.low - since)),
              max2: spoken(Math.max(0, cure.clocks.clampOff.high - since)),
            })
          : t('atTheUsualTimeEarlyFrom', {
              due: dayTime(due, now),
              max: spoken(Math.max(0, cure.clocks.clampOff.low - since)),
              max2: spoken(Math.max(0, cure.clocks.clampOff.high - since)),
            }),
      tone: 'ink',
    };
  return {
    sentence: t('clampsMayComeOff2'),
    reason:
      cure.kind === 'tape'
        ? t('readyForNowOfTheFinal', { left: spoken(-left), shareHigh: percent(cure.shareHigh) })
        : cure.kind === 'solvent'
          ? t('readyForNowAtLeastOf', { left: spoken(-left), shareLow: percent(cure.shareLow) })
          : t('readyForNowAtLeastOf2', { left: spoken(-left), shareLow: percent(cure.shareLow) }),
    tone: 'ink',
  };
}
