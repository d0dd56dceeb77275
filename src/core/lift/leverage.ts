import { requireIn } from '../errors';
import { planeModulusMPa } from './ringOpening';
import type { CoverStrength } from './strength';
import { coverStrengthMPa } from './strength';

/**
 * How high the free edge of an opened strip may be levered while the rest holds: δ = 2 σ L²/(3 E' h), a cantilever strip
 * (beam theory, published). On one opened length thicker glass bears less lift; in equilibrium with the bond it bears more
 * bond (see strength and ring opening).
 * @param freeMm opened length from the levered edge to where it still holds @returns mm
 * @throws CoreInputError that names opened length when out of range
 */
export function leverMm(cover: CoverStrength, hMm: number, flawUm: number, freeMm: number): number {
  requireIn('opened length', freeMm, 0, 300, 'mm');
  const { designMPa } = coverStrengthMPa(cover, hMm, flawUm);
  return (2 * designMPa * freeMm ** 2) / (3 * planeModulusMPa(cover) * hMm);
}
