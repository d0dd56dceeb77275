import type { Pt } from '../device/types';
import { CoreInputError } from '../errors';
import type { EyeSpot } from './byEye';
import type { GaugePoint } from './gaugePoints';
import type { LensCoverSeat } from './lensCover';

/** Sides of a camera cover, in the plan frame (x to the right, y toward the bottom edge). */
export const coverSides = ['right', 'top', 'left', 'bottom'] as const;
export type CoverSide = (typeof coverSides)[number];
const outward: Record<CoverSide, Pt> = { right: [1, 0], top: [0, -1], left: [-1, 0], bottom: [0, 1] };
const across: Record<CoverSide, CoverSide> = { right: 'left', left: 'right', top: 'bottom', bottom: 'top' };

/** A round camera cover on the plan, mm. */
export interface CoverPlace {
  id: string;
  at: Pt;
  rMm: number;
}

export type CoverPoint = Pick<GaugePoint, 'id' | 'at' | 'normal'> & { cover: string; side: CoverSide };

/** Four places on the rim of each cover, where an eye and a fingertip go. */
export const coverPoints = (covers: readonly CoverPlace[]): CoverPoint[] =>
  covers.flatMap((c) =>
    coverSides.map((side) => {
      const normal = outward[side];
      return {
        id: `${c.id}:${side}`,
        at: [c.at[0] + c.rMm * normal[0], c.at[1] + c.rMm * normal[1]] as const,
        normal,
        cover: c.id,
        side,
      };
    }),
  );

export type CoverAction = 'accept' | 'pressAgain' | 'clearUnder' | 'shift' | 'tooLarge';

export interface CoverSeen {
  cover: string;
  action: CoverAction;
  /** clearUnder: where it stands proud; shift: where to push it; empty otherwise */
  sides: CoverSide[];
}

/**
 * What to do with a camera cover that was judged by eye: proud all round was not pressed down, proud on one side lies on
 * something, touching on one side is pushed the other way, touching on opposite sides is too large (common practice).
 * @param spots high: stands proud; low: touches its ring @throws CoreInputError for a spot at no point of these covers
 */
export function coverByEye(points: readonly CoverPoint[], spots: readonly EyeSpot[]): CoverSeen[] {
  const lost = spots.find((s) => !points.some((p) => p.id === s.point));
  if (lost) throw new CoreInputError('spot', lost.point, 'a place on the rim of a cover');
  return [...new Set(points.map((p) => p.cover))].map((cover): CoverSeen => {
    const sides = (how: EyeSpot['how']) =>
      points.flatMap((p) =>
        p.cover === cover && spots.some((s) => s.point === p.id && s.how === how) ? [p.side] : [],
      );
    const [proud, touching] = [sides('high'), sides('low')];
    if (touching.some((s) => touching.includes(across[s]))) return { cover, action: 'tooLarge', sides: [] };
    if (proud.length >= 3) return { cover, action: 'pressAgain', sides: [] };
    if (proud.length) return { cover, action: 'clearUnder', sides: proud };
    if (touching.length) return { cover, action: 'shift', sides: touching.map((s) => across[s]) };
    return { cover, action: 'accept', sides: [] };
  });
}

/** Step of a measured cover at one of its sides, mm: the plane through its three steps (analytic). */
export function stepAtSide(seat: LensCoverSeat, side: CoverSide): number | null {
  if (seat.stepMm === null || seat.tiltDeg === null || seat.highBearingDeg === null) return null;
  const rise = Math.tan((seat.tiltDeg * Math.PI) / 180) * seat.coverRMm;
  // readings have y toward the top edge
  const deg = (Math.atan2(-outward[side][1], outward[side][0]) * 180) / Math.PI;
  return seat.stepMm + rise * Math.cos(((deg - seat.highBearingDeg) * Math.PI) / 180);
}
