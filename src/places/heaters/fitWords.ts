import type { Calibration } from '@/core/heat/calibrate';
import type { ContactHeater } from '@/core/heat/heater';
import type { Sourced } from '@/core/source';
import type { Settings } from '@/model/settings';
import { dial, digits, kelvin, spoken, temp } from '@/words/units';
import { t } from '@/words/heaters';

type Units = Pick<Settings, 'temperature' | 'length'>;

/** The correlation of conductance and offset in words. */
export function correlationWords(c: number): string {
  const strong =
    Math.abs(c) > 0.97 ? t('almostInseparable') : Math.abs(c) > 0.9 ? t('hardToTellApart') : t('fairlySeparate');
  return t('inThisLogContactAndOffset', { strong, figure: digits(c, 2) });
}

/** "Reads 110, the line reaches 96 ± 3 at 2:00." */
export const reachesWords = (setC: number, tS: number, p: { meanC: number; seK: number }, units: Units) =>
  t('readsTheGlueReachesAt', {
    setC: dial(setC),
    meanC: temp(p.meanC, units),
    seK: kelvin(2 * p.seK, units),
    tS: spoken(tS),
  });

/** Where calibrated figures usually lie (judgement): outside it something else is wrong more often than the heater. */
const usual = { low: 60, high: 900, offsetK: 15 };

/** What would make the log better. */
export function fitAdvice(fit: Calibration, durationS: number): string | null {
  if (fit.atEnd.length) return t('aFigureIsAtTheEnd');
  const { conductanceWm2K: h, offsetK } = fit.value;
  if (h < usual.low || h > usual.high || Math.abs(offsetK) > usual.offsetK)
    return t('unusualFiguresMostContactsLieBetween', { low: usual.low, high: usual.high, offsetK: usual.offsetK });
  if (fit.se.conductanceWm2K > 0.15 * fit.value.conductanceWm2K)
    return durationS < 420 ? t('theLogIsShortEightMinutes') : t('aSurfaceProbeLaidOnThe');
  if (fit.residualSdK > 2) return t('theCurveMissesThePointsBy');
  return null;
}

/** The heater with the fitted figures, their standard errors and the date. */
export function calibrated(
  h: ContactHeater,
  fit: Calibration,
  of: { at: number; device: string; setC: number; count: number; durationS: number; preheated: boolean },
): ContactHeater {
  const as = (value: number, u: number): Sourced => ({
    value,
    u,
    source: {
      kind: 'calibrated',
      note: `thermocouple log on ${of.device}, ${of.count} readings; residuals correlate, so the uncertainty is a lower bound`,
    },
  });
  return {
    ...h,
    conductanceWm2K: as(fit.value.conductanceWm2K, fit.se.conductanceWm2K),
    offsetK: as(fit.value.offsetK, fit.se.offsetK),
    lagS: of.preheated ? h.lagS : as(fit.value.lagS, fit.se.lagS),
    calibration: {
      at: of.at,
      device: of.device,
      setC: of.setC,
      count: of.count,
      durationS: of.durationS,
      residualSdK: fit.residualSdK,
      covariance: fit.covariance,
    },
  };
}
