import { published, type Sourced } from '../source';

export const stefanBoltzmannWm2K4 = 5.67e-8;
export const zeroCelsiusK = 273.15;

/** Surroundings of the bench. True radiation uses the last surface temperature; the reduced model needs it linear. */
export interface Environment {
  ambientC: number;
  hConvWm2K: number;
  emissivity: number;
  radiation: 'true' | 'linearised';
}

export const hConv: Sourced = published(
  8,
  'free convection, Nu = 0.54 Ra^1/4 (McAdams; Incropera & DeWitt eq. 9.30) gives 7-8.5 W/m2K here',
  1,
);
export const emissivity: Sourced = published(0.9, 'glass 0.90-0.95, Incropera & DeWitt Table A.11');

export const benchEnvironment = (ambientC: number, radiation: Environment['radiation']): Environment => ({
  ambientC,
  hConvWm2K: hConv.value,
  emissivity: emissivity.value,
  radiation,
});

/** Linearised film coefficients: back at 330 K (it was on the plate), front at 310 K. W/m2K. */
export const linearBackWm2K = (e: Environment) => e.hConvWm2K + e.emissivity * stefanBoltzmannWm2K4 * 4 * 330 ** 3;
export const linearFrontWm2K = (e: Environment) => e.hConvWm2K + e.emissivity * stefanBoltzmannWm2K4 * 4 * 310 ** 3;

/** Film coefficient of convection and true radiation for a surface at `surfaceC`, W/m2K. */
export function trueFilmWm2K(e: Environment, surfaceC: number): number {
  const s = surfaceC + zeroCelsiusK;
  const a = e.ambientC + zeroCelsiusK;
  return e.hConvWm2K + e.emissivity * stefanBoltzmannWm2K4 * (s * s + a * a) * (s + a);
}
