import { judgement, type Sourced } from '../source';

/** A way of bonding, with what follows from it. Figures are judgement and can be changed by the shop. */
export interface School {
  id: 'precutRing' | 'cutTape';
  hours: Sourced;
  reworkChance: Sourced;
  readyH: Sourced;
  /** variation of the gap that it takes, mm */
  gapVariationMm: Sourced;
  seal: 'factoryType' | 'nonePromised';
  materialCost: Sourced;
}

const j = (v: number) => judgement(v, 'shop figure, no source');

export const schools: School[] = [
  {
    id: 'precutRing',
    materialCost: j(6),
    hours: j(0.25),
    reworkChance: j(0.03),
    readyH: j(0.5),
    gapVariationMm: j(0.12),
    seal: 'factoryType',
  },
  {
    id: 'cutTape',
    materialCost: j(1.5),
    hours: j(0.5),
    reworkChance: j(0.08),
    readyH: j(0.5),
    gapVariationMm: j(0.08),
    seal: 'nonePromised',
  },
];

export type Block = 'notInStock' | 'gapVariation' | 'notReadyInTime';

export interface SchoolChoice {
  school: School;
  cost: number;
  blocks: Block[];
}

/** Costs each way for this job and names what speaks against it; the cheapest without a block comes first. */
export function chooseSchool(input: {
  ringInStock: boolean;
  gapVariationMm: number | null;
  hoursLeft: number | null;
  ratePerH: number;
  reworkCost: number;
}): SchoolChoice[] {
  const out = schools.map<SchoolChoice>((school) => {
    const blocks: Block[] = [];
    if (school.id === 'precutRing' && !input.ringInStock) blocks.push('notInStock');
    if (input.gapVariationMm !== null && input.gapVariationMm > school.gapVariationMm.value)
      blocks.push('gapVariation');
    if (input.hoursLeft !== null && school.hours.value + school.readyH.value > input.hoursLeft)
      blocks.push('notReadyInTime');
    return {
      school,
      cost:
        school.materialCost.value + school.hours.value * input.ratePerH + school.reworkChance.value * input.reworkCost,
      blocks,
    };
  });
  return out.sort((a, b) => a.blocks.length - b.blocks.length || a.cost - b.cost);
}
