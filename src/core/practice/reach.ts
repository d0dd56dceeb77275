import { depthLimitAt, type KeepOut } from '../lift/depth';
import type { Advance } from '../lift/advance';
import type { Perimeter } from '../device/perimeter';
import { practiceFigures, type Happened, type PracticeCase } from './happened';

type Laid = Pick<PracticeCase, 'path' | 'bond'>;

/** What a tool this deep hits at a place; null: nothing. */
export function hitAt(
  { path, bond }: Laid,
  outs: readonly KeepOut[],
  sMm: number,
  depthMm: number,
  atS: number,
): Extract<Happened, { what: 'hurt' }> | null {
  const { limitMm, by } = depthLimitAt(path, bond, outs, sMm);
  if (!by || depthMm <= limitMm + 0.05 || !reallyHit({ path, bond }, outs, by, sMm, depthMm)) return null;
  return { what: 'hurt', atS, sMm, depthMm, limitMm, part: by.id, name: by.name, why: by.why };
}

/** What is marked round a cable is a millimetre wider than the cable is: beside it nothing is cut. */
function reallyHit({ path, bond }: Laid, outs: readonly KeepOut[], by: KeepOut, sMm: number, depthMm: number): boolean {
  if (by.why !== 'cable') return true;
  return [-1, 1].every((d) => depthLimitAt(path, bond, outs, path.wrap(sMm + d)).limitMm < depthMm);
}

/**
 * Nothing holds but what no tool may enter: those stretches come with the cover as it is lifted off.
 * @param needMm how deep a pick has to be to cut
 */
export function isOff({ path, bond, outs }: Laid & Pick<PracticeCase, 'outs'>, needMm: number, cut: Advance): boolean {
  const held = cut.heldWithin({ fromMm: 0, toMm: path.lengthMm });
  // what is left of a millimetre or two beside such a place comes with it
  const tools = practiceFigures.restMm.value;
  return held.every((h) => {
    let holds = 0;
    for (let x = h.fromMm + 0.5; x < h.toMm; x += 1)
      if (depthLimitAt(path, bond, outs, path.wrap(x)).limitMm >= needMm) holds++;
    return holds <= tools;
  });
}

/** A place lies in a stretch that may go over the beginning of the path. */
export function within(path: Perimeter, sMm: number, w: { fromMm: number; toMm: number }): boolean {
  return path.wrap(sMm - w.fromMm) <= w.toMm - w.fromMm + 1e-9;
}
