import { judgement } from '../source';
import { loopPerimeter, loopSegments, type AirPath } from './airPath';
import type { Outline } from '../device/types';

/**
 * What a nozzle that passes leaves as a swing on the bond line. The energy of one pass goes with 1/speed, and a place that
 * is passed again before it has cooled swings less. Fitted to the own moving model on 0.8 mm glass, 20 mm nozzle, 200 °C:
 * a round of 420 mm swings by ± 2.2 K in 4 s and by ± 4.3 K in 8 s, and is ready 5 and 8 % later than its mean says.
 */
export const swing = {
  bondK: judgement(2.2, '± K of the bond line at 105 mm/s under 200 °C air, from the own moving model'),
  atMmS: judgement(105, 'speed at which that was found'),
  partK: judgement(0.5, '± K of parts inside at that speed, from the own moving model'),
  coverK: judgement(6, '± K of the outer surface at that speed, from the own moving model'),
  lostShare: judgement(0.042, 'share of the heat that a moving jet brings less than its mean, at that speed'),
};
/** Width over which the jet heats, mm. */
const jetWidthMm = 60;
const roundMm = 420;

/** How much more than in the reference round a place swings. 0: nothing moves. */
export function swingOf(outline: Outline, path: AirPath): number {
  if (path.kind === 'spot') return 0;
  const again = (mm: number) => Math.max(0.2, 1 - jetWidthMm / Math.max(jetWidthMm, mm)) / (1 - jetWidthMm / roundMm);
  if (path.kind === 'strip') {
    const { lengthMm } = loopPerimeter(outline, path.insetMm);
    // at its ends a place is passed once for every way there and back
    return (swing.atMmS.value / path.speedMmS) * again(2 * (path.to - path.from) * lengthMm) * 0.5;
  }
  const { lengthMm } = loopPerimeter(outline, path.insetMm);
  const shares = path.shares ?? new Array<number>(loopSegments).fill(1);
  const total = shares.reduce((m, v) => m + v, 0);
  const slowest = Math.max(...shares) / total;
  const speed = lengthMm / loopSegments / (slowest * path.roundS);
  return (swing.atMmS.value / speed) * again(lengthMm);
}
