import { published, type Sourced } from '../source';

export const stefanBoltzmannWm2K4 = 5.67e-8;
export const zeroCelsiusK = 273.15;

/** Surroundings of the bench. True radiation uses the last surface temperature; the reduced model needs it linear. */
export interface Environment {
  ambientC: number;
  /** convection at the heated face */
  hConvWm2K: number;
  /** convection at the other face, when a fan or a draught makes it another one */
  frontConvWm2K?: number | undefined;
  emissivity: number;
  radiation: 'true' | 'linearised';
}

export const hConv: Sourced = published(
  8,
  'free convection, Nu = 0.54 Ra^1/4 (McAdams; Incropera & DeWitt eq. 9.30) gives 7-8.5 W/m2K here',
  1,
);
export const emissivity: Sourced = published(0.9, 'glass 0.90-0.95, Incropera & DeWitt Table A.11');

/** Air and walls of a room at one temperature, °C, with still air at every face. */
export const benchEnvironment = (ambientC: number, radiation: Environment['radiation']): Environment => ({
  ambientC,
  hConvWm2K: hConv.value,
  emissivity: emissivity.value,
  radiation,
});

/**
 * Draught of a fan over a bench: laminar flow along a flat plate of 0.1 m at 2 m/s, Nu = 0.664 Re^1/2 Pr^1/3 (Incropera &
 * DeWitt eq. 7.30): Re 12,600, Nu 66, h 17 W/m²K.
 */
export const fanConv: Sourced = published(17, 'flat plate 0.1 m, air at 2 m/s, Incropera & DeWitt eq. 7.30', 5);

/** Mean absolute temperature at which radiation was made linear when the modes were built: heated face, other face. */
export const linearAtK = { back: 330, front: 310 };

const sigmaE = (emissivity: number) => emissivity * stefanBoltzmannWm2K4;

/** Linearised film coefficients: back at 330 K (it was on the plate), front at 310 K. W/m2K. */
export const linearBackWm2K = (e: Environment) => e.hConvWm2K + sigmaE(e.emissivity) * 4 * linearAtK.back ** 3;
/** Film coefficient of the face that looks up, W/m²K, made linear at the temperature of the room. */
export const linearFrontWm2K = (e: Environment) =>
  (e.frontConvWm2K ?? e.hConvWm2K) + sigmaE(e.emissivity) * 4 * linearAtK.front ** 3;

/** The part of a linearised film that is radiation, W/m²K. */
export const linearRadiationWm2K = (side: 'back' | 'front', e = emissivity.value) =>
  sigmaE(e) * 4 * linearAtK[side] ** 3;

/** Film coefficient of true radiation from a surface to its surroundings, W/m²K. */
export function radiationWm2K(surfaceC: number, ambientC: number, e = emissivity.value): number {
  const s = surfaceC + zeroCelsiusK;
  const a = ambientC + zeroCelsiusK;
  return sigmaE(e) * (s * s + a * a) * (s + a);
}

/** Film coefficient of convection and true radiation for a surface at `surfaceC`, W/m2K. */
export const trueFilmWm2K = (e: Environment, surfaceC: number, side: 'back' | 'front' = 'back'): number =>
  (side === 'front' ? (e.frontConvWm2K ?? e.hConvWm2K) : e.hConvWm2K) +
  radiationWm2K(surfaceC, e.ambientC, e.emissivity);
