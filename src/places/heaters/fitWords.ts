import type { Calibration } from '@/core/heat/calibrate';
import type { ContactHeater } from '@/core/heat/heater';
import type { Sourced } from '@/core/source';
import type { Settings } from '@/model/settings';
import { clock, dial, kelvin, temp } from '@/words/units';

type Units = Pick<Settings, 'temperature' | 'length'>;

/** The correlation of conductance and offset in words. */
export function correlationWords(c: number): string {
  const strong =
    Math.abs(c) > 0.97 ? 'almost inseparable' : Math.abs(c) > 0.9 ? 'hard to tell apart' : 'fairly separate';
  return `Conductance and offset are ${strong} in this log (correlation ${c.toFixed(2)}): a hotter plate with a worse contact looks nearly the same. The temperature of the line is known far better than either figure.`;
}

/** "Reads 110, the line reaches 96 ± 3 at 2:00." */
export const reachesWords = (setC: number, tS: number, p: { meanC: number; seK: number }, units: Units) =>
  `Reads ${dial(setC)}, the line reaches ${temp(p.meanC, units)} ± ${kelvin(2 * p.seK, units)} at ${clock(tS)}.`;

/** Where calibrated figures usually lie (judgement): outside it something else is wrong more often than the heater. */
const usual = { low: 60, high: 900, offsetK: 15 };

/** What would make the log better. */
export function fitAdvice(fit: Calibration, durationS: number): string | null {
  if (fit.atEnd.length)
    return 'A figure stands at the end of what is possible: the thermocouple may not sit at the bond line, or the setpoint is not the one typed here.';
  const { conductanceWm2K: h, offsetK } = fit.value;
  if (h < usual.low || h > usual.high || Math.abs(offsetK) > usual.offsetK)
    return `Unusual figures: most contacts lie between ${usual.low} and ${usual.high} W/m²K and most dials within ${usual.offsetK} K. Are setpoint, device and place of the thermocouple as said?`;
  if (fit.se.conductanceWm2K > 0.15 * fit.value.conductanceWm2K)
    return durationS < 420
      ? 'The log is short: eight minutes or more tell conductance and offset apart. A surface probe laid on the plate does too.'
      : 'A surface probe laid on the plate would tell conductance and offset apart.';
  if (fit.residualSdK > 2)
    return 'The curve misses the points by more than noise: was the device lifted, or the setpoint changed?';
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
