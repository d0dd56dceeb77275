import { requireIn } from '../errors';
import { memory, published } from '../source';

const gas = 8.314462618;
const gamma = 1.4;
const figures = {
  viscosityPaS: memory(1.813e-5, 'air at 20 °C, CRC handbook'),
  molarKgMol: published(0.0289647, 'molar mass of dry air, standard atmosphere'),
};
const roomK = 293.15;

/** Mean free path of air, m (kinetic theory, published). */
export const freePathM = (pPa: number, tK = roomK) =>
  (figures.viscosityPaS.value / pPa) * Math.sqrt((Math.PI * gas * tK) / (2 * figures.molarKgMol.value));

/** Throughput of a straight round channel, Pa m³/s: Hagen-Poiseuille, isothermal, with first-order slip (published). */
export const channelThroughput = (dM: number, lengthM: number, p1: number, p2: number, tK = roomK) =>
  ((Math.PI * dM ** 4 * (p1 * p1 - p2 * p2)) / (256 * figures.viscosityPaS.value * lengthM)) *
  (1 + (8 * freePathM((p1 + p2) / 2, tK)) / dM);

/** Fastest that air leaves an opening per area, m³/s per m² at the pressure before it. */
export const chokedSpeed = (tK = roomK) =>
  Math.sqrt((gas * tK) / figures.molarKgMol.value) *
  Math.sqrt(gamma) *
  (2 / (gamma + 1)) ** ((gamma + 1) / (2 * (gamma - 1)));

export interface Channel {
  diameterM: number;
  /** why the picture of one round channel does not hold */
  flags: ('slip' | 'notLaminar' | 'compressible' | 'entrance')[];
}

/**
 * One round hole that would let the same through: a picture, not a finding.
 * @throws CoreInputError that names leak when out of range
 */
export function equivalentChannel(leak: number, lengthM: number, p1: number, p2: number, tK = roomK): Channel {
  requireIn('leak', leak, 1e-15, 1e6, 'Pa m³/s');
  let [lo, hi] = [1e-9, 1e-2];
  for (let i = 0; i < 200; i++) {
    const m = Math.sqrt(lo * hi);
    if (channelThroughput(m, lengthM, p1, p2, tK) < leak) lo = m;
    else hi = m;
  }
  const d = Math.sqrt(lo * hi);
  const re = (4 * ((leak * figures.molarKgMol.value) / (gas * tK))) / (Math.PI * d * figures.viscosityPaS.value);
  const area = (Math.PI * d * d) / 4;
  const mach = leak / p2 / area / Math.sqrt((gamma * gas * tK) / figures.molarKgMol.value);
  const flags: Channel['flags'] = [];
  if (freePathM((p1 + p2) / 2, tK) / d > 0.1) flags.push('slip');
  if (re > 2000) flags.push('notLaminar');
  if (mach > 0.3 || leak > area * p1 * chokedSpeed(tK)) flags.push('compressible');
  if (lengthM < 0.06 * re * d) flags.push('entrance');
  return { diameterM: d, flags };
}

/** A leak in the units that testers read; sccm always with its reference temperature. */
export const leakUnits = (leak: number) => ({
  paM3S: leak,
  mbarLS: leak * 10,
  sccm0C: (leak / (101325 * 1e-6)) * 60,
  sccm20C: (leak / (101325 * 1e-6)) * 60 * (293.15 / 273.15),
});
