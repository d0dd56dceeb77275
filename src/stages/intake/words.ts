import { coverKindOf } from '@/core/device/coverKinds';
import { noticedMm } from '@/core/fit/byEye';
import type { GaugePoint } from '@/core/fit/gaugePoints';
import type { ByEye } from '@/bench-kit/ByEye';
import { eyeWords } from '@/words/eyeWords';
import type { BentFrame } from '@/core/fit/bentFrame';
import type { HardReason } from '@/core/intake/difficulty';
import type { RouteBlock, RouteOption } from '@/core/intake/route';
import { constructionNames, originNames, workNames } from '@/model/eventLine';
import type { Settings } from '@/model/settings';
import { capital } from '@/words/capital';
import { length, percent } from '@/words/units';

type Units = Pick<Settings, 'temperature' | 'length'>;

export const optionName = (o: Pick<RouteOption, 'work' | 'origin' | 'cover'>) =>
  `${capital(workNames[o.work])}${o.origin ? `, ${originNames[o.origin]}` : ''}`;

export const blockText: Record<RouteBlock, string> = {
  coverCracked: 'the cover is cracked',
  looseLayer: 'the print layer is loose',
  swollen: 'swollen cell: no heat, no prying',
  noPrice: 'no price in the list',
};

export function hardText(r: HardReason, u: Units): string {
  switch (r.why) {
    case 'construction':
      return coverKindOf(r).heldAllOver
        ? 'Glued over the whole area: comes off in pieces, needs far more heat'
        : `${capital(constructionNames[r.construction])}`;
    case 'pieces':
      return `${r.count} pieces, ${r.atCamera} of them at a camera${r.noFreeEdge ? `, ${r.noFreeEdge} without a free edge` : ''}`;
    case 'partsToMove':
      return `${r.count} ${r.count === 1 ? 'piece has' : 'pieces have'} to move to the new part`;
    case 'shortCable':
      return `${capital(r.name)} is taut at ${Math.round(r.maxDeg)}°: unplug it before the cover is turned`;
    case 'saveChipped':
      return 'A cover with chips, or perhaps with chips, is to be saved';
    case 'bent':
      return r.maxGapMm === null
        ? 'The frame is bent: measure the seat'
        : `The frame is bent: up to ${length(r.maxGapMm, u, 2)} under the glass`;
    case 'twoLeaves':
      return 'Two leaves and a hinge: support both, never bend it open';
    case 'largeGlass':
      return `A ring of ${length(r.perimeterMm, u, 0)} cools faster than it is cut: several heats`;
    case 'internalsOut':
      return 'The inside comes out and goes back in';
  }
}

export function seatByEye(
  by: ByEye,
  placeOf: (p: GaugePoint) => string,
  points: readonly GaugePoint[],
  u: Units,
): { sentence: string; reason: string; bad: boolean } {
  const noticed = length(noticedMm('seat'), u, 2);
  if (!by.eye)
    return {
      sentence: 'Is the seat straight all round?',
      reason: `A straight edge over the frame, against the light. A bend of ${noticed} is seen in nine of ten.`,
      bad: false,
    };
  if (by.eye.fine)
    return {
      sentence: 'Straight by eye.',
      reason: `A bend of ${noticed} would have been seen in nine of ten.`,
      bad: false,
    };
  if (!by.eye.spots.length)
    return { sentence: 'Tap where it is high or low.', reason: 'On the plan, by what you see.', bad: false };
  return {
    sentence: 'Bent: measure it before it is bonded.',
    reason: `By eye ${by.eye.spots.map((s) => `${eyeWords.seat[s.how]} at ${placeOf(points.find((p) => p.id === s.point)!)}`).join(', ')}. How far decides between thicker tape, a bead and declining.`,
    bad: true,
  };
}

export function frameText(f: BentFrame, u: Units): { sentence: string; reason: string; bad: boolean } {
  const bad = 100 * (1 - f.contactShare);
  const gap = `Largest gap under a flat glass ${length(f.maxGapMm, u, 2)}.`;
  switch (f.action) {
    case 'tapeAsPlanned':
      return { sentence: 'The ring bonds all round.', reason: gap, bad: false };
    case 'thickerTape':
      return {
        sentence: `Tape of ${length(f.tapePickMm!, u, 2)} bridges the bend.`,
        reason: `${gap} The planned tape would not bond on ${bad.toFixed(0)} % of the ring.`,
        bad: false,
      };
    case 'beadTopUp':
      return {
        sentence: `${bad.toFixed(0)} % of the ring will not bond: add a bead there.`,
        reason: `${gap} ${f.beadVolumeMm3.toFixed(1)} mm³, up to ${length(f.beadHeightMm, u, 2)} high, of an adhesive that keeps its volume: one that dries does not fill.`,
        bad: true,
      };
    case 'declineOrStraighten':
      return {
        sentence: 'Decline, or straighten the frame first.',
        reason: `${gap} ${bad.toFixed(0)} % of the ring would not bond, and no tape or bead bridges that.`,
        bad: true,
      };
  }
}

/** Consent wordings: plain, and never a promise. */
export const consentText = {
  bent: (gapMm: number | null, u: Units) =>
    `The frame of the device is bent${gapMm === null ? '' : ` by up to ${length(gapMm, u, 2)} under the glass`}. New glass on a bent frame is under stress and can crack again or lift at the edge, even without a fall. Straightening may not succeed and can damage the device.`,
  water:
    'After opening, this device is no longer to be regarded as protected against water. A check made in the shop finds leaks; it does not restore or prove the maker’s rating. Keep it away from water.',
  choice: (name: string, priceText: string, risk: { mean: number; low: number; high: number }, upTo: string | null) =>
    `Chosen: ${name}, ${priceText}. Estimated chance of further damage ${percent(risk.mean)} (range ${percent(risk.low)} to ${percent(risk.high)}). In that case: ${upTo ? `go on up to ${upTo}` : 'stop and ask'}.`,
};
