import { requireIn } from '../errors';
import { alcohol, diffusionAt, saturatedKgM3 } from './liquid';
import { judgement } from '../source';

export const filmUm = judgement(20, 'what a nearly dry wipe leaves behind, µm', 8);
export const airFilmMm = judgement(4, 'still air over the bench that vapour has to cross, mm', 2);
export const dryMargin = judgement(2, 'evaporation cools what it leaves; twice the computed time');

/**
 * Seconds until a wiped film is gone: diffusion through still air (Fick, published), doubled for the cooling.
 * @throws CoreInputError that names temperature when out of range
 */
export function filmDryS(tC: number, film = filmUm.value): number {
  requireIn('temperature', tC, -20, 80, '°C');
  const massKgM2 = film * 1e-6 * alcohol.densityGMl.value * 1e3;
  const flux = (diffusionAt(tC) * saturatedKgM3(tC)) / (airFilmMm.value * 1e-3);
  return (massKgM2 / flux) * dryMargin.value;
}

/**
 * Seconds until alcohol that ran into a slot has dried out of it: the front recedes and its vapour leaves through the open
 * length (Stefan 1889, published): t = ρ L²/(2 D c). @param depthMm how far it had run in
 * @throws CoreInputError that names temperature, depth when out of range
 */
export function slotDryS(tC: number, depthMm: number): number {
  requireIn('temperature', tC, -20, 80, '°C');
  requireIn('depth', depthMm, 0, 200, 'mm');
  const l = depthMm * 1e-3;
  return (alcohol.densityGMl.value * 1e3 * l * l) / (2 * diffusionAt(tC) * saturatedKgM3(tC));
}
