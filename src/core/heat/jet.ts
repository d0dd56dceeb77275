import { CoreInputError } from '../errors';
import { judgement, published, tuned, type Sourced } from '../source';
import { zeroCelsiusK } from './environment';

/** A round jet of hot air that meets the device: what comes out of the nozzle and how far away it is held. */
export interface JetInput {
  nozzleMm: number;
  flowLpm: number;
  airC: number;
  standoffMm: number;
  /** distance from the axis at which half of the air's excess is left, mm */
  entrainMm: number;
  hScale: number;
}

/** Local film coefficient (W/m²K) and share of (air − ambient) that reaches the wall, at a distance from the axis. */
export interface Jet {
  reynolds: number;
  /** what the air's speed, temperature and scale make of the film: it multiplies one pattern, W/m²K */
  base: number;
  hAt(rMm: number): number;
  shareAt(rMm: number): number;
  /** what lay outside the correlation's range and was held at its end */
  outside: ('distance' | 'reynolds')[];
}

/** Air at 1 atm between 300 and 400 K, linear, extrapolated. */
const air = {
  source: published(0, 'air at 300 and 400 K, Incropera & DeWitt Table A.4').source,
  at(filmC: number) {
    const u = (filmC + zeroCelsiusK - 300) / 100;
    return {
      kWmK: 0.0263 + (0.0338 - 0.0263) * u,
      nuM2s: (15.89 + (26.41 - 15.89) * u) * 1e-6,
      prandtl: 0.707 + (0.69 - 0.707) * u,
    };
  },
};

export const martin: Sourced = published(
  1,
  'single round nozzle: H. Martin, Adv. Heat Transfer 13 (1977) 1-60; Incropera & DeWitt ch. 7; written from memory',
);
/** The potential core of a free jet is about six nozzle diameters long. */
export const coreDiameters = judgement(6, 'length of the potential core in nozzle diameters, assumed');
export const jetScale = tuned(1.7, 'over the disc mean of the correlation, fitted to times of common practice', 0.34);

/**
 * Martin's disc mean Nu/Pr^0.42 = G F, differentiated for the local value; a plateau inside 2.5 diameters and 1/r² beyond
 * 7.5 (assumed). Range of the correlation: 2000 ≤ Re ≤ 4e5, 2 ≤ H/D ≤ 12, 2.5 ≤ r/D ≤ 7.5; H/D is held at its ends.
 * @throws CoreInputError for jet.…
 */
export function makeJet(input: JetInput, ambientC: number): Jet {
  const { nozzleMm, flowLpm, standoffMm } = input;
  for (const [field, v] of Object.entries(input))
    if (!(v > 0)) throw new CoreInputError(`jet.${field}`, v, 'greater than 0');
  const d = nozzleMm / 1e3;
  const speed = flowLpm / 60_000 / ((Math.PI * d * d) / 4);
  const { kWmK, nuM2s, prandtl } = air.at((input.airC + ambientC) / 2);
  const reynolds = (speed * d) / nuM2s;
  const distance = standoffMm / nozzleMm;
  const a = 0.1 * (Math.min(12, Math.max(2, distance)) - 6);
  const f = 2 * Math.sqrt(reynolds) * Math.sqrt(1 + 0.005 * reynolds ** 0.55);
  const base = (input.hScale * f * prandtl ** 0.42 * kWmK) / d;
  const local = (p: number) => (p * p + 2 * a * p - 1.1 * a) / (p + a) ** 2 / (2 * p);
  const plateau = ((1 / 2.5) * (1 - 1.1 / 2.5)) / (1 + a / 2.5);
  const end = local(7.5);
  const eta0 = Math.min(1, coreDiameters.value / distance);
  return {
    reynolds,
    base,
    hAt: (rMm) => {
      const p = rMm / nozzleMm;
      return base * (p < 2.5 ? plateau : p > 7.5 ? end * (7.5 / p) ** 2 : local(p));
    },
    shareAt: (rMm) => eta0 / (1 + (rMm / input.entrainMm) ** 2),
    outside: [
      ...(distance < 2 || distance > 12 ? (['distance'] as const) : []),
      ...(reynolds < 2000 || reynolds > 4e5 ? (['reynolds'] as const) : []),
    ],
  };
}
