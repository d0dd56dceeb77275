import { judgement, memory, tuned } from '../source';

const gas = 8.314462618;

/** Diffusion of solvent in the bead at 23 °C, set so that a 2 mm bond keeps 5 % after 24 h. */
export const diffusion23M2S = tuned(1.307e-11, 'set so that a 2 mm bond has 5 % solvent left after 24 h');
export const solventActivationKJ = memory(45, 'solvent diffusion in a flexible adhesive');

/** Share of solvent that is left at each mark. */
export const beadMarks = {
  clampOff: tuned(0.86, 'set from 20 minutes for a 2 mm bond, common practice'),
  handle: judgement(0.6, 'may be moved with care'),
  build: tuned(0.2, 'set from 12 hours for a 2 mm bond, common practice'),
  handOver: judgement(0.05, 'a bead goes to the customer when it counts as cured'),
  sealTest: judgement(0.05, 'no hold or press test before it counts as cured'),
  full: judgement(0.05, 'counted as cured'),
};

/**
 * Share of solvent left in a slab whose two edges are open (Crank, Mathematics of Diffusion, plane sheet, published).
 * @param fo D t / b²
 */
export function solventLeft(fo: number): number {
  if (fo <= 0) return 1;
  if (fo < 0.02) return 1 - 4 * Math.sqrt(fo / Math.PI);
  let sum = 0;
  for (let n = 0; n < 200; n++) {
    const k = (2 * n + 1) ** 2 * Math.PI ** 2;
    const term = (8 / k) * Math.exp(-k * fo);
    sum += term;
    if (term < 1e-14) break;
  }
  return sum;
}

/** D t / b² at which a share is left, by bisection. */
export function foOfShare(left: number): number {
  let lo = 0;
  let hi = 10;
  for (let i = 0; i < 100; i++) {
    const m = (lo + hi) / 2;
    if (solventLeft(m) > left) lo = m;
    else hi = m;
  }
  return (lo + hi) / 2;
}

/** Diffusion of the solvent in the drying bead, m²/s, at a temperature in °C (Arrhenius). */
export const diffusionM2S = (tC: number) =>
  diffusion23M2S.value * Math.exp(((-solventActivationKJ.value * 1e3) / gas) * (1 / (tC + 273.15) - 1 / 296.15));
