import { noticedMm } from '@/core/fit/byEye';
import type { GaugePoint } from '@/core/fit/gaugePoints';
import type { ByEye } from '@/bench-kit/ByEye';
import { eyeWords } from '@/words/eyeWords';
import type { BentFrame } from '@/core/fit/bentFrame';
import type { RouteBlock } from '@/core/intake/route';
import type { Settings } from '@/model/settings';
import { digits, length, percent, whereText } from '@/words/units';
import { t } from '@/words/intake';

type Units = Pick<Settings, 'temperature' | 'length'>;

export const blockText: Record<RouteBlock, string> = {
  get coverCracked() {
    return t('theBackIsCracked');
  },
  get looseLayer() {
    return t('thePrintedLayerIsLoose');
  },
  get swollen() {
    return t('swollenBatteryNoHeatNoPrying');
  },
  get noPrice() {
    return t('noPriceInTheList');
  },
};

export function seatByEye(
  by: ByEye,
  placeOf: (p: GaugePoint) => string,
  points: readonly GaugePoint[],
  u: Units,
): { sentence: string; reason: string; bad: boolean } {
  const noticed = length(noticedMm('seat'), u, 2);
  if (!by.eye)
    return {
      sentence: t('isTheSeatStraightAllRound'),
      reason: t('aStraightEdgeOverTheFrame2', { noticed }),
      bad: false,
    };
  if (by.eye.fine)
    return {
      sentence: t('straightByEye'),
      reason: t('youWouldHaveSeenABend', { noticed }),
      bad: false,
    };
  if (!by.eye.spots.length) return { sentence: t('tapWhereItIsHighOr'), reason: t('onThePlanByWhatYou'), bad: false };
  return {
    sentence: t('bentMeasureItBeforeYouBond'),
    reason: t('byEyeHowFarDecidesBetween', {
      list: by.eye.spots
        .map((s) => whereText(eyeWords.seat[s.how], placeOf(points.find((p) => p.id === s.point)!)))
        .join(', '),
    }),
    bad: true,
  };
}

export function frameText(f: BentFrame, u: Units): { sentence: string; reason: string; bad: boolean } {
  const bad = 100 * (1 - f.contactShare);
  const gap = t('largestGapUnderFlatGlass2', { maxGapMm: length(f.maxGapMm, u, 2) });
  switch (f.action) {
    case 'tapeAsPlanned':
      return { sentence: t('theRingBondsAllRound'), reason: gap, bad: false };
    case 'thickerTape':
      return {
        sentence: t('tapeOfBridgesTheBend', { tapePickMm: length(f.tapePickMm!, u, 2) }),
        reason: t('thePlannedTapeWouldNotBond', { gap, figure: digits(bad) }),
        bad: false,
      };
    case 'beadTopUp':
      return {
        sentence: t('ofTheRingWillNotBond', { figure: digits(bad) }),
        reason: t('mmUpToHighOfAn', {
          gap,
          figure: digits(f.beadVolumeMm3, 1),
          beadHeightMm: length(f.beadHeightMm, u, 2),
        }),
        bad: true,
      };
    case 'declineOrStraighten':
      return {
        sentence: t('sayNoOrStraightenTheFrame'),
        reason: t('ofTheRingWouldNotBond', { gap, figure: digits(bad) }),
        bad: true,
      };
  }
}

/** Consent wordings: plain, and never a promise. */
export const consentText = {
  bent: (gapMm: number | null, u: Units) =>
    gapMm === null ? t('theFrameOfTheDeviceIs') : t('theFrameOfTheDeviceIs2', { gapMm: length(gapMm, u, 2) }),
  get water() {
    return t('afterOpeningThisDeviceIsNo');
  },
  choice: (name: string, priceText: string, risk: { mean: number; low: number; high: number }, upTo: string | null) =>
    upTo
      ? t('chosenEstimatedChanceOfFurtherDamage', {
          name,
          priceText,
          mean: percent(risk.mean),
          low: percent(risk.low),
          high: percent(risk.high),
          upTo,
        })
      : t('chosenEstimatedChanceOfFurtherDamage2', {
          name,
          priceText,
          mean: percent(risk.mean),
          low: percent(risk.low),
          high: percent(risk.high),
        }),
};
