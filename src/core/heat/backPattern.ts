import { contains } from '../device/shapes';
import type { Outline, Pt, Shape } from '../device/types';
import { judgement } from '../source';
import { pathPoints, type AirPath, type PathPoint } from './airPath';
import { makeJet, type Jet, type JetInput } from './jet';

/** Tape or foil over a place: it multiplies the jet's film coefficient there. */
export interface Mask {
  shape: Shape;
  factor: number;
}
export const maskFoil = judgement(0.3, 'aluminium tape over a layer of heat-resistant tape, assumed');

/** What is over the back face, everything constant in time: a contact everywhere but in some places, a jet going round, or rays. */
export type BackSpec =
  | { kind: 'free' }
  /** a flux over the whole face, told as a film times what drives it above ambient; the face's own losses are beside it */
  | { kind: 'rays'; filmWm2K: number }
  | { kind: 'contact'; hWm2K: number; lifted: readonly Mask[] }
  | { kind: 'jet'; jet: JetInput; path: AirPath; masks: readonly Mask[] };

/** The spec on the columns of a grid: contact (0: none), film added by a jet, and the share of its excess that arrives. */
export interface BackPattern {
  contact: Float64Array;
  jet: Float64Array;
  share: Float64Array;
}

/** The jet's law is tabulated every 25 mm² up to 450 mm. */
const tableMm2 = 25;
const tableSize = 8100;

/** A jet averaged over its path: film coefficients add up by time, and so does what they carry. */
export function jetOnColumns(
  jet: Jet,
  points: readonly PathPoint[],
  centers: readonly Pt[],
  masks: readonly Mask[],
): Pick<BackPattern, 'jet' | 'share'> {
  const h = new Float64Array(centers.length);
  const share = new Float64Array(centers.length);
  // by the square of the distance, so that neither a root nor the law itself is taken for every pair
  const film = new Float64Array(tableSize + 2);
  const carry = new Float64Array(tableSize + 2);
  for (let k = 0; k < film.length; k++) {
    const r = Math.sqrt(k * tableMm2);
    film[k] = jet.hAt(r);
    carry[k] = film[k]! * jet.shareAt(r);
  }
  centers.forEach((c, i) => {
    let sum = 0;
    let carried = 0;
    for (const p of points) {
      const dx = c[0] - p.at[0];
      const dy = c[1] - p.at[1];
      const q = Math.min(tableSize, (dx * dx + dy * dy) / tableMm2);
      const k = q | 0;
      const u = q - k;
      sum += p.weight * (film[k]! + u * (film[k + 1]! - film[k]!));
      carried += p.weight * (carry[k]! + u * (carry[k + 1]! - carry[k]!));
    }
    share[i] = sum > 0 ? carried / sum : 0;
    const mask = masks.find((m) => contains(m.shape, c));
    h[i] = sum * (mask?.factor ?? 1);
  });
  return { jet: h, share };
}

/** @param outline the face's outline, round which loops go */
export function backPattern(spec: BackSpec, outline: Outline, centers: readonly Pt[], ambientC: number): BackPattern {
  const n = centers.length;
  const none: BackPattern = {
    contact: new Float64Array(n),
    jet: new Float64Array(n),
    share: new Float64Array(n),
  };
  if (spec.kind === 'free' || spec.kind === 'rays') return none;
  if (spec.kind === 'contact') {
    centers.forEach((c, i) => {
      none.contact[i] = spec.hWm2K * (spec.lifted.find((m) => contains(m.shape, c))?.factor ?? 1);
    });
    return none;
  }
  return { ...none, ...jetOnColumns(makeJet(spec.jet, ambientC), pathPoints(outline, spec.path), centers, spec.masks) };
}
