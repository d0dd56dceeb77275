import type { Debond } from '../adhesives';

const c1 = 17.44;
const c2 = 51.6;
const saturation = 10;

/** Williams-Landel-Ferry shift factor, log10 aT relative to 23 °C (1955, universal constants, published). */
export function logShift(tC: number, tgC: number): number {
  const f = (t: number) => (-c1 * (t - tgC)) / (c2 + t - tgC);
  return f(Math.min(Math.max(tC, tgC), tgC + 300)) - f(23);
}

/**
 * Energy to open the bond, J/m2, at temperature and speed: viscoelastic peel Gc = G0 + G1 Φ(aT v) (Gent & Schultz 1972,
 * Maugis & Barquins 1978 form, published) with a melt factor for families that melt. Parameters are judgement, tuned.
 * @param vMmS speed of the pick, mm/s (reference 1 mm/s)
 */
export function fractureEnergyJm2(d: Debond, tC: number, vMmS: number): number {
  const n = d.n.value;
  const x = Math.max(vMmS, 1e-3) ** n * 10 ** (n * logShift(tC, d.tgC.value));
  const phi = (x * (1 + 1 / saturation)) / (1 + x / saturation);
  let g = d.g0.value + d.g1.value * phi;
  if (d.meltC && d.meltWidthK) {
    const e = (t: number) => 1 + Math.exp((t - d.meltC!.value) / d.meltWidthK!.value);
    g *= e(23) / e(tC);
  }
  return g * d.scale.value;
}

/** What alcohol that has been in the bond for a time leaves of its energy: 1 - smax (1 - e^(-t/τ)). Judgement. */
export const softened = (d: Debond, soakS: number): number =>
  d.soften && soakS > 0 ? 1 - d.soften.most.value * (1 - Math.exp(-soakS / d.soften.tauS.value)) : 1;
