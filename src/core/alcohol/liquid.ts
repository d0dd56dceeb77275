import { requireIn } from '../errors';
import { memory, published, type Sourced } from '../source';

const gas = 8.314462618;
const kelvin = 273.15;

/** 2-propanol. Sources quoted from memory. */
export const alcohol = {
  molarG: published(60.1, 'molar mass, g/mol'),
  densityGMl: published(0.785, '20 °C, g/ml; CRC Handbook, quoted from memory'),
  boilC: published(82.3, 'normal boiling point; CRC Handbook, quoted from memory'),
  flashC: published(12, 'closed cup; pocket guide to chemical hazards, quoted from memory'),
  lowerVol: published(0.02, 'lower flammable limit 2.0 vol %; pocket guide to chemical hazards, quoted from memory'),
  upperVol: published(0.127, 'upper flammable limit 12.7 vol %, quoted from memory'),
  igniteC: published(399, 'self-ignition temperature, quoted from memory'),
  dayPpm: published(400, '8 h mean at work (permissible and recommended limit), quoted from memory'),
  shortPpm: published(500, '15 min mean at work, quoted from memory'),
  /** diffusion in air at 25 °C, grows with T^1.75 */
  diffusionM2s: memory(1.0e-5, '2-propanol in air at 25 °C, m²/s'),
} satisfies Record<string, Sourced>;

const viscosity: readonly [tC: number, mPas: number][] = [
  [0, 4.619],
  [25, 2.038],
  [50, 1.028],
  [75, 0.576],
];
export const viscositySource = published(2.038, '25 °C; table at 0, 25, 50, 75 °C, CRC Handbook, quoted from memory');

/** Viscosity, mPa s: ln μ is linear in 1/T between the table's points, end segments extended. */
export function viscosityMPas(tC: number): number {
  const x = (t: number) => 1 / (t + kelvin);
  let i = 0;
  while (i < viscosity.length - 2 && tC > viscosity[i + 1]![0]) i++;
  const [a, b] = [viscosity[i]!, viscosity[i + 1]!];
  const u = (x(tC) - x(a[0])) / (x(b[0]) - x(a[0]));
  return Math.exp(Math.log(a[1]) + u * (Math.log(b[1]) - Math.log(a[1])));
}

/** Surface tension, mN/m (CRC Handbook, quoted from memory). */
export const surfaceTensionMNm = (tC: number): number => 20.93 - 0.0789 * (tC - 25);

/** Vapour pressure, kPa (Antoine, published). */
export const vapourKPa = (tC: number): number => 10 ** (8.11778 - 1580.92 / (tC + 219.61)) * 0.133322;

/** Above this it boils away before it wicks, °C. */
export const wickBelowC = alcohol.boilC.value - 5;

export interface Wicked {
  /** how deep it has run after the time, or the time it takes to the depth */
  depthMm: number;
  timeS: number;
  volumeMl: number;
}

/**
 * How far alcohol runs into a slot by itself: L² = γ g cosθ t/(3 μ), Washburn (1921, published) in its slot form (own
 * derivation). Give the time or the depth. @param edgeMm length of the open edge
 * @throws CoreInputError when it is so hot that it boils away
 */
export function wick(
  tC: number,
  gapMm: number,
  edgeMm: number,
  to: { timeS: number } | { depthMm: number },
  wettingDeg = 0,
): Wicked {
  requireIn('temperature', tC, -20, wickBelowC, '°C');
  requireIn('gap', gapMm, 0.005, 2, 'mm');
  const k =
    (surfaceTensionMNm(tC) * 1e-3 * gapMm * 1e-3 * Math.cos((wettingDeg * Math.PI) / 180)) /
    (3 * viscosityMPas(tC) * 1e-3);
  const depthMm = 'depthMm' in to ? to.depthMm : Math.sqrt(k * to.timeS) * 1e3;
  const timeS = 'depthMm' in to ? (to.depthMm / 1e3) ** 2 / k : to.timeS;
  return { depthMm, timeS, volumeMl: edgeMm * depthMm * gapMm * 1e-3 };
}

/** Vapour volume of a liquid volume as an ideal gas at 1 atm, m³. */
export const vapourM3 = (ml: number, tC: number): number =>
  (((ml * alcohol.densityGMl.value) / alcohol.molarG.value) * gas * (tC + kelvin)) / 101325;

/** Vapour density where it is saturated, kg/m³. */
export const saturatedKgM3 = (tC: number): number =>
  (vapourKPa(tC) * 1e3 * alcohol.molarG.value * 1e-3) / (gas * (tC + kelvin));

/** Diffusion of its vapour in air, m²/s, at a temperature in °C: grows with the power 1.75 of the absolute one (Fuller 1966). */
export const diffusionAt = (tC: number): number => alcohol.diffusionM2s.value * ((tC + kelvin) / (25 + kelvin)) ** 1.75;
