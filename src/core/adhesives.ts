import { CoreInputError } from './errors';
import { commonPractice, judgement, memory, tuned, type Sourced } from './source';

/** Debonding law of a family: see lift/fractureEnergy. Units J/m2, °C, N/mm3. */
export interface Debond {
  g0: Sourced;
  g1: Sourced;
  tgC: Sourced;
  n: Sourced;
  meltC?: Sourced;
  meltWidthK?: Sourced;
  kNmm3: Sourced;
  scale: Sourced;
  /** share of the energy that alcohol takes away in the end, and its time constant, s */
  soften?: { most: Sourced; tauS: Sourced };
}

/** Pressure-sensitive joint that is laid anew: thickness, the share it is pressed by, pressure while pressing. */
export interface Joint {
  thicknessMm: Sourced;
  compressMin: Sourced;
  compressMax: Sourced;
  pressKPa: Sourced;
}

/** One adhesive record, read by heat, lift, bond and cure alike. */
export interface Adhesive {
  id: string;
  name: string;
  form: 'ring' | 'precutRing' | 'tape' | 'fullArea';
  bulkMaterial: string;
  debond: Debond;
  /** above this the adhesive is overheated, °C */
  overC: Sourced;
  /**
   * Floor of practice, °C: below it a bond stretches, strings and closes again behind the pick, whatever the wedge law says.
   * It works slowly from 15 K under it (law 1). The shop's own observations move it as they move the scale.
   */
  softC: Sourced;
  /** floor of working it slowly, where it is not 15 K under `softC`, °C */
  creepC?: Sourced;
  joint?: Joint;
}

const note = 'tuned to common practice, no measurement behind it';

const soften = (most: number, tauS: number): Debond['soften'] => ({
  most: judgement(most, 'softening by alcohol, only where it has run'),
  tauS: judgement(tauS, 'time constant of the softening, s'),
});

const foam: Debond = {
  g0: judgement(10, note),
  g1: judgement(1500, '90 degree peel of acrylic foam 1-4 N/mm, from memory'),
  tgC: memory(-20, 'acrylic foam'),
  n: judgement(0.3, note),
  kNmm3: judgement(2, note),
  scale: judgement(1, 'calibrated by the shop from observed jobs'),
  soften: soften(0.6, 60),
};

const foamJoint: Joint = {
  thicknessMm: judgement(0.3, 'nominal tape thickness'),
  compressMin: judgement(0.3, 'foam tape wets from about 30 % compression'),
  compressMax: judgement(0.5, 'foam tape is not pressed beyond about half'),
  pressKPa: memory(100, 'pressure-sensitive tape, common data-sheet guidance, about 15 psi'),
};

const fullNote =
  'fitted so that under 0.65 mm glass a 0.5 mm blade works, creeping, from about 80 °C; a scale of 1.6 moves that by some 27 K, smoothly';

const records: Adhesive[] = [
  {
    id: 'foamRing',
    name: 'foam ring',
    form: 'ring',
    bulkMaterial: 'foamTape',
    debond: foam,
    softC: commonPractice(60, 'nobody starts on a hand-warm cover'),
    overC: judgement(120, 'acrylic foam, assumed'),
  },
  {
    id: 'solventBorne',
    name: 'flexible contact adhesive',
    form: 'ring',
    bulkMaterial: 'adhesive',
    debond: {
      g0: judgement(10, note),
      g1: judgement(1500, 'flexible liquid 1-6 N/mm peel, from memory'),
      tgC: memory(-35, 'flexible solvent-borne adhesive'),
      n: judgement(0.25, note),
      meltC: tuned(85, note),
      meltWidthK: tuned(12, note),
      kNmm3: judgement(3, note),
      scale: judgement(1, 'calibrated by the shop from observed jobs'),
      soften: soften(0.5, 120),
    },
    softC: commonPractice(64, 'nobody starts on a hand-warm cover'),
    overC: tuned(130, 'tuned to common practice'),
  },
  {
    id: 'strongRing',
    name: 'strong wide ring of a large cover',
    form: 'ring',
    bulkMaterial: 'foamTape',
    debond: {
      ...foam,
      g1: tuned(
        590,
        'fitted so that a 0.5 mm pick goes from about 80 °C and works slowly from about 60 °C on a 1.1 mm cover',
      ),
      kNmm3: tuned(
        0.5,
        'fitted so that a 0.5 mm pick goes from about 80 °C and works slowly from about 60 °C on a 1.1 mm cover',
      ),
    },
    softC: commonPractice(66, 'a wide ring of a large cover wants more than a phone'),
    overC: tuned(150, 'tuned to common practice'),
  },
  {
    id: 'transferTape',
    name: 'thin transfer tape',
    form: 'ring',
    bulkMaterial: 'adhesive',
    debond: {
      ...foam,
      g0: judgement(5, note),
      g1: judgement(600, '90 degree peel of thin acrylic transfer tape 0.3-1 N/mm, from memory'),
      tgC: memory(-25, 'thin acrylic transfer tape'),
      kNmm3: judgement(5, note),
    },
    softC: commonPractice(60, 'nobody starts on a hand-warm cover'),
    overC: judgement(120, 'acrylic tape, assumed'),
  },
  {
    id: 'fullAreaPu',
    name: 'full-area hot-melt or polyurethane',
    form: 'fullArea',
    bulkMaterial: 'adhesive',
    debond: {
      ...foam,
      g1: tuned(6000, fullNote),
      tgC: memory(-70, 'soft segments of a polyurethane'),
      n: tuned(0.4, fullNote),
      meltC: tuned(190, fullNote),
      meltWidthK: tuned(15, fullNote),
      kNmm3: judgement(10, note),
      soften: soften(0.2, 300),
    },
    softC: commonPractice(
      165,
      'glass slides by itself on a plate of 235 °C after the better part of a minute, not before',
    ),
    creepC: commonPractice(80, 'a blade creeps from about here'),
    overC: judgement(260, 'fumes above; extraction is asked for from 200 °C, from memory'),
  },
  {
    id: 'precutRing',
    name: 'new pre-cut ring',
    form: 'precutRing',
    bulkMaterial: 'foamTape',
    debond: foam,
    softC: commonPractice(60, 'nobody starts on a hand-warm cover'),
    overC: judgement(120, 'acrylic foam, assumed'),
    joint: foamJoint,
  },
  {
    id: 'cutTape',
    name: 'tape cut in strips',
    form: 'tape',
    bulkMaterial: 'foamTape',
    debond: foam,
    softC: commonPractice(60, 'nobody starts on a hand-warm cover'),
    overC: judgement(120, 'acrylic foam, assumed'),
    joint: foamJoint,
  },
];

export const adhesives: ReadonlyMap<string, Adhesive> = new Map(records.map((a) => [a.id, a]));

/** @throws CoreInputError naming the field when the id is unknown */
export function adhesiveRecord(id: string): Adhesive {
  const found = adhesives.get(id);
  if (!found) throw new CoreInputError('adhesive', id, records.map((a) => a.id).join(', '));
  return found;
}
