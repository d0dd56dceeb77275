import type { Pt } from '../device/types';
import { eyeFigures, placed, type EyeSpot } from './byEye';
import { dryFit, type DryFit } from './dryFit';
import type { GaugePoint } from './gaugePoints';

/** Where to push a cover that was laid in dry, by where its gap looks tight or wide; how far is not told. */
export interface EyeFit {
  action: 'leave' | 'move' | 'tooTight';
  /** unit direction in the plan frame; null: nothing to slide */
  towards: Pt | null;
  /** null: nothing to turn */
  turn: 'clockwise' | 'counter-clockwise' | null;
}

/**
 * The even fit of what was seen: a tight place has no gap, a wide one twice the usual. Tight on opposite sides is no
 * matter of sliding.
 */
export function fitByEye(points: readonly GaugePoint[], spots: readonly EyeSpot[], centre: Pt): EyeFit {
  const all = placed(points, spots);
  if (!all.length) return { action: 'leave', towards: null, turn: null };
  const usual = eyeFigures.gap.value;
  const gapMm = (p: GaugePoint) => {
    const how = all.find((s) => s.at.id === p.id)?.how;
    return how === 'low' ? 0 : how === 'high' ? 2 * usual : usual;
  };
  const f: DryFit = dryFit(
    points.map((p) => ({ id: p.id, at: p.at, normal: p.normal, gapMm: gapMm(p) })),
    centre,
  );
  const tight = all.some((s) => s.how === 'low');
  if (tight && f.bestLeastGapMm < usual / 4) return { action: 'tooTight', towards: null, turn: null };
  const [dx, dy] = [f.move.towardRightMm, -f.move.towardTopMm];
  const far = Math.hypot(dx, dy);
  const atEdge = (Math.abs(f.move.clockwiseDeg) * Math.PI) / 180;
  const reach = Math.max(...points.map((p) => Math.hypot(p.at[0] - centre[0], p.at[1] - centre[1])));
  const worth = usual / 20;
  const towards: Pt | null = far > worth ? [dx / far, dy / far] : null;
  const turn = atEdge * reach > worth ? (f.move.clockwiseDeg > 0 ? 'clockwise' : 'counter-clockwise') : null;
  return { action: towards || turn ? 'move' : 'leave', towards, turn };
}
