import { needOf, timeWhen, type ClimateStep, type CureKind } from '../cure/laws';
import { equivalentTimeS } from '../cure/tapeDwell';
import { judgement } from '../source';

export const againFigures = {
  tapeEasy: judgement(0.35, 'tape below this share of its bond comes off by hand without harm'),
  beadEasy: judgement(0.25, 'a bead at this share of its way to clamps off still parts in the wet glue'),
};

/** Until when a closed joint opens without heat, and until when with a little, s after closing. */
export function openAgain(
  kind: CureKind,
  bondMm: number,
  steps: readonly ClimateStep[],
): { easyS: number; heatS: number } {
  const clamp = needOf(kind, 'clampOff');
  // the short end: whoever waits for the long one pulls at a joint that holds
  const easy = kind === 'tape' ? equivalentTimeS(againFigures.tapeEasy.value) : clamp * againFigures.beadEasy.value;
  return { easyS: timeWhen(kind, bondMm, steps, easy), heatS: timeWhen(kind, bondMm, steps, clamp) };
}
