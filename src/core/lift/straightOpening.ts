import { firstRoot } from '../numeric/roots';
import type { RingOpening } from './ringOpening';
import { planeModulusMPa } from './ringOpening';
import type { CoverStrength } from './strength';

/**
 * A cover glued over its whole area, lifted along a straight front: a strip on an elastic foundation (Hetenyi 1946 and
 * Kanninen 1973 idea, published; re-derived). λ = (k/4D)^(1/4); with the wedge δ at distance a from the front
 * P = 3Dδ/((a+1/λ)³ + 1/(2λ³)), G = P²(a+1/λ)²/2D; the bond opens to where G = Gc, and the largest moment lies inside it.
 */
export function openStraight(
  cover: CoverStrength,
  hMm: number,
  pickMm: number,
  gcJm2: number,
  kNmm3: number,
): RingOpening {
  const d = (planeModulusMPa(cover) * hMm ** 3) / 12;
  const lam = (kNmm3 / (4 * d)) ** 0.25;
  const force = (a: number, delta: number) => (3 * d * delta) / ((a + 1 / lam) ** 3 + 1 / (2 * lam ** 3));
  const release = (a: number) => (force(a, pickMm) ** 2 * (a + 1 / lam) ** 2) / (2 * d);
  const stress = (a: number, delta: number) => {
    const p = force(a, delta);
    const x = Math.atan(1 / (1 + 2 * lam * a));
    const moment = Math.exp(-x) * (p * a * (Math.cos(x) + Math.sin(x)) + (p / lam) * Math.sin(x));
    return (6 * moment) / hMm ** 2;
  };
  const gc = gcJm2 * 1e-3;
  const aheadMm = release(0) <= gc ? 0 : firstRoot((a) => release(a) - gc, 0, 1e3);
  const openLiftMm = pickMm * Math.sqrt(gc / release(0));
  return { ellMm: 1 / lam, aheadMm, stressMPa: stress(aheadMm, pickMm), openLiftMm, onsetMPa: stress(0, openLiftMm) };
}
