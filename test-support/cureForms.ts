import { beadMarks, diffusionM2S, foOfShare } from '../src/core/cure/solventCure';
import { tapeMarks, timeToShareS, type TapeMark } from '../src/core/cure/tapeDwell';
import type { Range } from '../src/core/source';

// Closed forms of the cure at one temperature: what the clocks of the app, which follow the air that was, are held against.

/**
 * Time until a mark of a solvent-borne bead, s. The inner edge faces a nearly closed housing, so the cure lies between two
 * open edges and one (four times as long, law 13): low is two edges, high is one, the mean their geometric mean.
 * @param bondMm width of the bond, 0.5 to 10
 */
export function beadTimeS(mark: keyof typeof beadMarks, bondMm: number, roomC: number): Range {
  const two = (foOfShare(beadMarks[mark].value) * (bondMm * 1e-3) ** 2) / diffusionM2S(roomC);
  return { low: two, mean: 2 * two, high: 4 * two };
}

/** All marks at a room temperature, s after pressing. Clocks are released on the long end. */
export const tapeClocks = (roomC: number): Record<TapeMark, Range> =>
  Object.fromEntries(
    (Object.keys(tapeMarks) as TapeMark[]).map((m) => [m, timeToShareS(tapeMarks[m].value, roomC)]),
  ) as Record<TapeMark, Range>;
