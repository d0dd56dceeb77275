import { jStat } from 'jstat';

import { CoreInputError } from '../errors';
import { figureKey, judgement } from '../source';
import { eyeFigures, type EyeOf } from './byEye';

/** A place that was judged by eye or finger and gauged after it: how far off it really was, and whether it had been marked. */
export interface EyePair {
  offMm: number;
  marked: boolean;
}

export interface LearnedEye {
  /** standard uncertainty of this shop's eye, mm, with its 95 % interval */
  u: number;
  low: number;
  high: number;
  /** places that it rests on */
  places: number;
}

/** How far one bench's eye may be from what is usual, as a factor (standard deviation of its logarithm). */
const spreadLn = judgement(0.5, 'trained and untrained fingertips differ by half to twice').value;
/** What is marked where there is nothing to see: one in twenty (law 23). */
const falseZ = 1.645;
/** Fewer places say nothing. */
export const leastPlaces = 12;
const steps = 121;
const reach = 3;

/**
 * The standard uncertainty of an eye from places that were gauged as well: a place that is off by x is marked with the chance
 * Φ(x/u − 1.645) (probit; published: Finney, Probit Analysis, 1971), u log-normal round what is usual before (Bayes on a grid).
 * @returns null for fewer than 12 places
 * @throws CoreInputError that names a place that is no number
 */
export function learnEye(of: EyeOf, pairs: readonly EyePair[]): LearnedEye | null {
  const bad = pairs.find((p) => !Number.isFinite(p.offMm));
  if (bad) throw new CoreInputError('place', String(bad.offMm), 'a deviation in mm');
  if (pairs.length < leastPlaces) return null;
  const u0 = eyeFigures[of].value;
  const grid = Array.from({ length: steps }, (_, i) => {
    const z = -reach + (2 * reach * i) / (steps - 1);
    const u = u0 * Math.exp(z * spreadLn);
    const ln = pairs.reduce(
      (s, p) => {
        const seen = Math.min(1 - 1e-9, Math.max(1e-9, jStat.normal.cdf(Math.abs(p.offMm) / u - falseZ, 0, 1)));
        return s + Math.log(p.marked ? seen : 1 - seen);
      },
      -(z ** 2) / 2,
    );
    return { u, ln };
  });
  const most = Math.max(...grid.map((g) => g.ln));
  const all = grid.reduce((s, g) => s + Math.exp(g.ln - most), 0);
  let sum = 0;
  const at = (share: number) => {
    sum = 0;
    return grid.find((g) => (sum += Math.exp(g.ln - most) / all) >= share)!.u;
  };
  return { u: at(0.5), low: at(0.025), high: at(0.975), places: pairs.length };
}

/** Under which a shop's own figure for its eye is kept: as shipped. */
export const eyeFigureKey: Record<EyeOf, string> = {
  gap: figureKey('judgement', 0.15, 'eye on a gap between glass and frame'),
  step: figureKey('judgement', 0.1, 'fingertip drawn across an edge'),
  seat: figureKey('judgement', 0.15, 'glancing light over a face, or a straight edge against the light'),
  cover: figureKey('judgement', 0.1, 'fingertip drawn across the rim of a camera cover'),
};
