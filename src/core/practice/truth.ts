import type { Perimeter } from '../device/perimeter';
import { defOf, uncertainAxes } from '../heat/heaterDefs';
import type { Heater } from '../heat/heater';
import { scaleU } from '../lift/scale';
import { normalOf, randomOf } from '../numeric/random';
import { commonPractice, judgement } from '../source';

/** How a made-up device may differ from what the app believes of it; every range is one that the app itself states. */
export const truthFigures = {
  /** no draw lies further out than so many standard uncertainties: the app's ranges are about two */
  within: judgement(2, 'ranges are told as two standard uncertainties'),
  ambientK: judgement(2, 'the bench is a little warmer or colder than the room that was noted'),
  hiddenChips: commonPractice(0.5, 'chips nobody saw on a cover that was called whole: on average'),
  hiddenFlawUm: judgement(60, 'what an unseen chip weakens the edge by; counted as "unsure"'),
  chipReachMm: judgement(10, 'a chip weakens the glass this far along the edge'),
  partsMm: judgement(0.3, 'parts lie so far off their place on the model'),
};

export interface HiddenChip {
  sMm: number;
  flawUm: number;
}

/** What a seed makes of a device: hidden until it is told after the exercise. */
export interface Truth {
  seed: number;
  /** the heater along its two uncertain directions, in standard uncertainties */
  heaterZ: readonly [number, number];
  ambientK: number;
  /** of the glue against the shop's belief */
  lnScale: number;
  chips: readonly HiddenChip[];
  /** the cover breaks when the expected number of breaks has come to this: exponential, so chances are as computed */
  nerve: number;
  /** parts stand so far out of their place on the model, mm */
  partsMm: number;
  /** which way a crack turns, -1 to 1 */
  crackTurn: number;
}

/** Half standard uncertainties: spectra of a heater are made once for each value, and nobody feels the difference. */
const onGrid = (z: number) => Math.round(z * 2) / 2;

/** Poisson by inversion (Knuth, TAOCP 2, published). */
function poisson(mean: number, random: () => number): number {
  const least = Math.exp(-mean);
  let n = 0;
  for (let p = random(); p > least; p *= random()) n++;
  return n;
}

/**
 * The truth of a seed. The order of the draws never changes: a seed that is handed to somebody else makes the same device.
 * @param lnScaleSd what the shop does not know of its glue, standard deviation of ln(scale)
 */
export function drawTruth(seed: number, path: Perimeter, lnScaleSd: number = scaleU.prior.value): Truth {
  const random = randomOf(seed * 2654435761 + 97);
  const most = truthFigures.within.value;
  const z = () => Math.max(-most, Math.min(most, normalOf(random)));
  const heaterZ = [onGrid(z()), onGrid(z())] as const;
  const ambientK = z() * truthFigures.ambientK.value;
  const lnScale = z() * lnScaleSd;
  const nerve = -Math.log(1 - random());
  const partsMm = random() * truthFigures.partsMm.value;
  const crackTurn = 2 * random() - 1;
  const chips = Array.from({ length: poisson(truthFigures.hiddenChips.value, random) }, () => ({
    sMm: random() * path.lengthMm,
    flawUm: truthFigures.hiddenFlawUm.value,
  }));
  return { seed, heaterZ, ambientK, lnScale, chips, nerve, partsMm, crackTurn };
}

/** A heater as it really is on this seed. */
export function heaterAsIs(h: Heater, { heaterZ: [a, b] }: Pick<Truth, 'heaterZ'>): Heater {
  const [first, second] = uncertainAxes(h);
  return defOf(h).moved(h, {
    into: a * first.into + b * second.into,
    offsetK: a * first.offsetK + b * second.offsetK,
  });
}

/**
 * Flaw of the edge at a place, µm: what was answered, or a chip that nobody saw.
 * @param answeredUm what is believed of the whole edge
 */
export function flawAt({ chips }: Pick<Truth, 'chips'>, path: Perimeter, sMm: number, answeredUm: number): number {
  const near = chips.filter((c) => {
    const d = path.wrap(c.sMm - sMm);
    return Math.min(d, path.lengthMm - d) <= truthFigures.chipReachMm.value;
  });
  return Math.max(answeredUm, ...near.map((c) => c.flawUm));
}
