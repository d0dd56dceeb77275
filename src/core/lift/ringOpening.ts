import { firstRoot } from '../numeric/roots';
import type { CoverStrength } from './strength';

/**
 * `slide`: already open behind the pick; `insert`: bonded on both sides; `corner`: open up to a corner whose other edge
 * still holds, the opened length is then the way from the pick to the corner.
 */
export type OpeningMode = 'slide' | 'insert' | 'corner';

const fits = {
  slide: { p: [0.963, 0.504, -0.218], s: [1.12, 0.989, 0.867, 2.305] },
  insert: { p: [0.98, 0.524, -0.491], s: [0.837, 4.562, 0.2, 1.522] },
} as const;

/** Half length of contact of the pick, mm (judgement). */
export const contactHalfMm = 3;

/** Modulus of a wide plate in bending, E / (1 − ν²), MPa (Timoshenko). */
export const planeModulusMPa = (c: CoverStrength) => (c.eGPa.value * 1e3) / (1 - c.nu.value ** 2);

/**
 * Dimensionless energy release over the opened length α; numerical fit to plate finite elements (largest error 15 %; at a
 * corner up to 1.9 times too much on stiff bonds, about 20 % of the way).
 */
export function releaseG(mode: OpeningMode, alpha: number): number {
  if (mode === 'corner') return Math.min(0.5 / (0.5 + 1.14 * alpha) ** 3, releaseG('slide', alpha));
  const [a, b, c] = fits[mode].p;
  return 0.5 / (a + b * alpha + c * (1 - Math.exp(-alpha))) ** 3;
}

/** Dimensionless stress of the cover over α; numerical fit (largest error 23 %). */
export function stressS(mode: OpeningMode, alpha: number, ellMm: number): number {
  if (mode === 'corner') return 0.7 * stressS('slide', alpha, ellMm);
  const [a, b, c, d] = fits[mode].s;
  return (a * Math.log(1 + (b * (alpha + c) * ellMm) / contactHalfMm)) / (alpha + d) ** 2;
}

export interface RingOpening {
  /** decay length of the cover on the ring, mm */
  ellMm: number;
  /** how far the bond opens ahead of the pick, mm */
  aheadMm: number;
  stressMPa: number;
  /** lift at which the bond starts to give and the stress then: decides whether a cold line costs the cover */
  openLiftMm: number;
  onsetMPa: number;
}

/**
 * A cover edge on a narrow ring, lifted by a pick: the ring is a line spring, the only length is ell = (D/Kr)^(1/3), the
 * bond opens to where k δ² g(α) = Gc. Own derivation with a numerical fit; the screen says "numerical estimate".
 */
export function openRing(
  mode: OpeningMode,
  cover: CoverStrength,
  hMm: number,
  pickMm: number,
  gcJm2: number,
  kNmm3: number,
  ringMm: number,
): RingOpening {
  const e = planeModulusMPa(cover);
  const ellMm = ((e * hMm ** 3) / 12 / (kNmm3 * ringMm)) ** (1 / 3);
  const unit = kNmm3 * pickMm ** 2 * 1e3;
  const need = gcJm2 / unit;
  const alpha = releaseG(mode, 0) <= need ? 0 : firstRoot((x) => releaseG(mode, x) - need, 0, 1e3);
  const stress = (d: number, al: number) => (stressS(mode, al, ellMm) * e * hMm * d) / ellMm ** 2;
  const openLiftMm = Math.sqrt(gcJm2 / (releaseG(mode, 0) * kNmm3 * 1e3));
  return {
    ellMm,
    aheadMm: alpha * ellMm,
    stressMPa: stress(pickMm, alpha),
    openLiftMm,
    onsetMPa: stress(openLiftMm, 0),
  };
}
