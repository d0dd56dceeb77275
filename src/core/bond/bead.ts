import { CoreInputError, requireIn } from '../errors';
import { judgement, type Sourced } from '../source';

/** A liquid adhesive as it is kept in a tube. */
export interface Liquid {
  id: string;
  name: string;
  cure: 'solvent' | 'moisture';
  /** volume that stays when it has dried, share of what was laid */
  solids: number;
  viscosityPaS: number;
  yieldPa: number;
  nozzleDiaMm: number;
  nozzleLengthMm: number;
  barrelDiaMm: number;
  tubeMl: number;
}

export const beadFigures = {
  flash: judgement(0.1, 'volume that a solvent-borne bead loses while it waits open'),
  scatter: judgement(0.2, 'a bead laid by hand is wider or narrower by this share'),
  cameraMarginMm: judgement(0.5, 'between the widest bead and a camera, mm'),
  purgeMl: judgement(0.3, 'pressed out to clear the nozzle, ml'),
  plungerN: judgement(30, 'what a thumb presses steadily, N'),
  handMmS: judgement(10, 'fastest that a hand lays a straight bead, mm/s'),
  keepsVolume: judgement(0.9, 'from this share on a bead fills what it was laid into'),
  usualBondMm: judgement(1.4, 'small bead: dries over a day or two and squeezes out little'),
} satisfies Record<string, Sourced>;

export interface BeadPlan {
  /** section as laid, mm² */
  sectionMm2: number;
  heightMm: number;
  layWidthMm: number;
  ml: number;
  /** nozzle that would lay this section as a round strand at hand speed, mm */
  strandDiaMm: number;
  feedMmS: number;
  layS: number;
  pressureMPa: number;
  plungerN: number;
  bondMinMm: number;
  bondMaxMm: number;
  /** share of the gap that is filled when it has dried */
  dryFill: number;
  fillsGaps: boolean;
  jobsPerTube: number;
  cameraClearMm: number;
  /** how far it comes out beside the bond at its widest, and how much outward, ml */
  outMm: number;
  inMm: number;
  outMl: number;
}

export interface BeadInput {
  /** width that the closed bond shall have, and the gap it is closed to, mm */
  bondMm: number;
  gapMm: number;
  lengthMm: number;
  liquid: Liquid;
  feedMmS?: number;
  /** width of the ring that it is laid on */
  seatMm: number;
  /** from the middle of the bead to the outer and inner edge of its seat, mm */
  outerMm: number;
  innerMm: number;
  leftMl: number;
}

/** Share that it loses while it waits open. */
export const flashOf = (l: Pick<Liquid, 'cure'>) => (l.cure === 'solvent' ? beadFigures.flash.value : 0);

/**
 * Section, height, volume, hand speed and thumb force of a bead, and how far it is squeezed out. Section = bond × gap /
 * (1 − flash); flow through the nozzle by Hagen-Poiseuille (published); the rest is geometry.
 * @throws CoreInputError naming the field: no bond width, a nozzle wider than the seat, a tube without glue
 */
export function beadPlan(input: BeadInput): BeadPlan {
  const { bondMm, gapMm, liquid: l } = input;
  requireIn('bond width', bondMm, 0.3, 30, 'mm');
  requireIn('gap', gapMm, 0.02, 3, 'mm');
  requireIn('bead length', input.lengthMm, 1, 1e5, 'mm');
  requireIn('nozzle', l.nozzleDiaMm, 0.1, 5, 'mm');
  if (l.nozzleDiaMm > input.seatMm + 1e-9)
    throw new CoreInputError('nozzle', `${l.nozzleDiaMm} mm`, `up to ${round(input.seatMm)} mm, the width of the ring`);
  requireIn('solids', l.solids, 0.05, 1);
  requireIn('viscosity', l.viscosityPaS, 0.001, 5000, 'Pa s');
  const flash = flashOf(l);
  const a = (bondMm * gapMm) / (1 - flash);
  const heightMm = Math.sqrt((2 * a) / Math.PI);
  const forceAt = (feed: number) => {
    const mpa = (128 * l.viscosityPaS * 1e-6 * l.nozzleLengthMm * a * feed) / (Math.PI * l.nozzleDiaMm ** 4);
    return { mpa, n: (mpa * Math.PI * l.barrelDiaMm ** 2) / 4 };
  };
  const feed = input.feedMmS ?? Math.min(beadFigures.handMmS.value, beadFigures.plungerN.value / forceAt(1).n);
  requireIn('hand speed', feed, 0.01, 100, 'mm/s');
  const { mpa, n } = forceAt(feed);
  const widest = (s: number) => (a * s * (1 - flash)) / gapMm;
  const bondMaxMm = widest(1 + beadFigures.scatter.value);
  const ml = a * input.lengthMm * 1e-3;
  const outMm = Math.max(0, bondMaxMm / 2 - input.outerMm);
  const dryFill = Math.min(1, l.solids / (1 - flash));
  return {
    sectionMm2: a,
    heightMm,
    layWidthMm: 2 * heightMm,
    ml,
    strandDiaMm: Math.sqrt((4 * a) / Math.PI),
    feedMmS: feed,
    layS: input.lengthMm / feed,
    pressureMPa: mpa,
    plungerN: n,
    bondMinMm: widest(1 - beadFigures.scatter.value),
    bondMaxMm,
    dryFill,
    fillsGaps: dryFill >= beadFigures.keepsVolume.value,
    jobsPerTube: Math.floor(Math.max(0, input.leftMl) / (ml + beadFigures.purgeMl.value)),
    cameraClearMm: bondMaxMm / 2 + beadFigures.cameraMarginMm.value,
    outMm,
    inMm: Math.max(0, bondMaxMm / 2 - input.innerMm),
    outMl: outMm * gapMm * input.lengthMm * 1e-3,
  };
}

const round = (v: number) => Math.round(v * 100) / 100;
