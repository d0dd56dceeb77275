import { dot } from '../numeric/dot';
import { linearRadiationWm2K, radiationWm2K } from './environment';
import type { Patches, Spectrum } from './spectrum';

/** What radiation needs of a spectrum. */
type Radiating = Pick<Spectrum, 'face' | 'back' | 'front' | 'hBack' | 'hFront'>;

const linear = { back: linearRadiationWm2K('back'), front: linearRadiationWm2K('front') };

/** Half cells between the surfaces and the cells behind them, and the front film that the modes were built with, W/m²K. */
export interface Surfaces {
  firstHalfCellWm2K: number;
  frontHalfCellWm2K: number;
  hFrontWm2K: number;
}

/**
 * What true radiation takes from a patch of the heated face beyond the linearised film, W. The surface is found from its
 * cell and the half cell between.
 * @param cellK of the patch, @param driveK of what heats; both above ambient
 */
export function backGainW(
  s: Radiating,
  at: Surfaces,
  patch: number,
  cellK: number,
  driveK: number,
  ambientC: number,
): number {
  const { free, jet, carried, patches } = s.face;
  const share = free[patch]!;
  const g = at.firstHalfCellWm2K;
  const film = s.hBack + jet[patch]! / share;
  const pull = (carried[patch]! / share) * driveK;
  const surfaceK = (pull + g * cellK) / (film + g);
  const trueFilm = film - linear.back + radiationWm2K(ambientC + surfaceK, ambientC);
  return (
    patches.areaM2[patch]! *
    share *
    ((pull - trueFilm * cellK) / (1 + trueFilm / g) - (pull - film * cellK) / (1 + film / g))
  );
}

/** The same for the other face, which nothing heats. */
export function frontGainW(
  s: Radiating,
  at: Surfaces,
  front: Patches,
  patch: number,
  cellK: number,
  ambientC: number,
): number {
  const g = at.frontHalfCellWm2K;
  const surfaceK = (g * cellK) / (s.hFront + g);
  const trueFilm = s.hFront - linear.front + radiationWm2K(ambientC + surfaceK, ambientC);
  // areas are weighted with (u/h)² of the film that the modes were built with
  return ((-front.areaM2[patch]! * (trueFilm - s.hFront) * cellK) / (1 + trueFilm / g)) * (1 + at.hFrontWm2K / g);
}

/** Is there something of the heated face in this patch that lies open. */
export const radiates = (s: Radiating, patch: number): boolean =>
  s.face.free[patch]! !== 0 && s.face.patches.areaM2[patch]! !== 0;

/**
 * Radiation beyond the linearised films as a forcing of the modes: dz/dt gains it, patch by patch.
 * @param z state in the spectrum's eigenvectors, @param driveK temperature of what heats, above ambient
 */
export function radiationForcing(
  s: Radiating,
  at: Surfaces,
  front: Patches,
  z: Float64Array,
  driveK: number,
  ambientC: number,
  out: Float64Array,
): void {
  const r = z.length;
  out.fill(0);
  const add = (rows: Float64Array, patch: number, gainW: (cellK: number) => number) => {
    const from = patch * r;
    const gain = gainW(dot(rows, from, z, r));
    for (let m = 0; m < r; m++) out[m] = out[m]! + gain * rows[from + m]!;
  };
  for (let p = 0; p < s.face.patches.areaM2.length; p++)
    if (radiates(s, p)) add(s.back, p, (cellK) => backGainW(s, at, p, cellK, driveK, ambientC));
  for (let p = 0; p < front.areaM2.length; p++)
    if (front.areaM2[p] !== 0) add(s.front, p, (cellK) => frontGainW(s, at, front, p, cellK, ambientC));
}
