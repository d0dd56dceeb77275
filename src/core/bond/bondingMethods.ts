import { judgement, type Sourced } from '../source';

export const bondingMethodIds = [
  'precutRing',
  'cutTape',
  'liquidBead',
  'reuseTopup',
  'fullFill',
  'preGlued',
  'reuseRing',
  'tapeAndBead',
] as const;
export type BondingMethodId = (typeof bondingMethodIds)[number];

/** Figures of a way of bonding. All of them are judgement until the shop puts its own in. */
export interface BondingMethodFigures {
  materialCost: Sourced;
  hours: Sourced;
  reworkChance: Sourced;
  /** time on the shelf where nothing better is computed, h */
  readyH: Sourced;
  /** variation of the gap that it takes, mm */
  gapVariationMm: Sourced;
}

/** Where liquid goes: all round, where the old ring tore, all round and over the middle, or on single stretches. */
export type LiquidOn = 'ring' | 'torn' | 'fill' | 'stretches';

export interface BondingMethod extends BondingMethodFigures {
  id: BondingMethodId;
  seal: 'factoryType' | 'nonePromised';
  /** what lies there dry: a new ring, strips from the roll, what the part came with, the old ring; null: nothing */
  lays: 'ring' | 'strips' | 'onPart' | 'oldRing' | null;
  /** null: it is closed dry */
  liquid: LiquidOn | null;
}

const j = (v: number, of: string) => judgement(v, `${of}: shop figure, no source`);
const row = (
  id: BondingMethodId,
  cost: number,
  hours: number,
  rework: number,
  readyH: number,
  gap: number,
  seal: BondingMethod['seal'],
  lays: BondingMethod['lays'],
  liquid: LiquidOn | null,
): BondingMethod => ({
  id,
  materialCost: j(cost, `${id}, material`),
  hours: j(hours, `${id}, hours of hands`),
  reworkChance: j(rework, `${id}, chance of rework`),
  readyH: j(readyH, `${id}, hours until it is ready`),
  gapVariationMm: j(gap, `${id}, uneven gap that it bridges, mm`),
  seal,
  lays,
  liquid,
});

export const schools: readonly BondingMethod[] = [
  row('precutRing', 6, 0.25, 0.03, 0.5, 0.12, 'factoryType', 'ring', null),
  row('cutTape', 1.5, 0.5, 0.08, 0.5, 0.08, 'nonePromised', 'strips', null),
  row('liquidBead', 1, 0.35, 0.07, 12, 0.4, 'nonePromised', null, 'ring'),
  row('reuseTopup', 0.5, 0.3, 0.2, 12, 0.1, 'nonePromised', 'oldRing', 'torn'),
  row('fullFill', 2.5, 0.6, 0.1, 24, 0.3, 'nonePromised', null, 'fill'),
  row('preGlued', 0, 0.12, 0.05, 0.5, 0.1, 'factoryType', 'onPart', null),
  row('reuseRing', 0, 0.1, 0.3, 0.5, 0.05, 'nonePromised', 'oldRing', null),
  row('tapeAndBead', 2, 0.6, 0.08, 12, 0.4, 'nonePromised', 'strips', 'stretches'),
];

export const methodOf = (id: BondingMethodId): BondingMethod => schools.find((s) => s.id === id)!;

/** A solvent-borne bead dries to about two fifths: what it takes of an uneven gap is only what closing presses flat. */
export const thinGapMm = judgement(0.05, 'uneven gap that a bead which shrinks still bridges, mm');

export type Block =
  | 'noSealClaim'
  | 'notInStock'
  | 'gapVariation'
  | 'driesThin'
  | 'notReadyInTime'
  | 'residue'
  | 'oldRingNotIntact'
  | 'fullAreaNeedsFill'
  | 'ringOnly'
  | 'notOnThePart'
  | 'nowhereABead';

export interface BondingMethodInput {
  /** somebody wants a seal measurement after it */
  wantSeal: boolean;
  inStock: Readonly<Record<BondingMethodId, boolean>>;
  /** largest gap under a flat glass as measured on the seat; null: not measured */
  gapVariationMm: number | null;
  /** does tape touch all round, by the map of the seat; null: not measured */
  tapeTouches: boolean | null;
  hoursLeft: number | null;
  ratePerH: number;
  reworkCost: number;
  delayCostPerH: number;
  /** bare enough for tape */
  residueClean: boolean;
  oldRingIntact: boolean;
  /** the new part came with its adhesive on, and is a genuine one: only then it is the factory's ring */
  partGlued: boolean;
  partGenuine: boolean;
  /** somebody said, or the seat was measured, where a bead goes in place of tape */
  beadSomewhere: boolean;
  fullArea: boolean;
  /** does the liquid that is at hand keep its volume */
  fillsGaps: boolean;
  /** time on the shelf by the cure law, where it was computed, h */
  readyH?: Partial<Record<BondingMethodId, number>>;
  figures?: Partial<Record<BondingMethodId, Partial<Record<keyof BondingMethodFigures, number>>>>;
}

export interface BondingMethodChoice {
  school: BondingMethod;
  cost: number;
  /** what the cost is made of */
  parts: { material: number; work: number; rework: number; delay: number };
  readyH: number;
  gapVariationMm: number;
  blocks: Block[];
}

const withFigures = (
  s: BondingMethod,
  own: Partial<Record<keyof BondingMethodFigures, number>> | undefined,
): BondingMethod =>
  own
    ? {
        ...s,
        ...Object.fromEntries(Object.entries(own).map(([k, v]) => [k, judgement(v, 'set by this shop')] as const)),
      }
    : s;

/** What can be lived with when the customer agrees; everything else means that the way does not hold, or is not there. */
const soft: ReadonlySet<Block> = new Set<Block>(['noSealClaim', 'notReadyInTime']);
const hard = (c: BondingMethodChoice) => c.blocks.filter((b) => !soft.has(b)).length;

/**
 * Costs each way for this job and names what speaks against it. The cheapest without a block comes first, ties in the order
 * of the table; when all are blocked, the one that holds comes first, then
 * the one with the fewest blocks, and the customer is told what must change.
 */
export function chooseBondingMethod(input: BondingMethodInput): BondingMethodChoice[] {
  const out = schools.map((plain): BondingMethodChoice => {
    const school = withFigures(plain, input.figures?.[plain.id]);
    const readyH = input.readyH?.[school.id] ?? school.readyH.value;
    const shrinks = school.liquid !== null && !input.fillsGaps;
    const takes = shrinks ? Math.min(thinGapMm.value, school.gapVariationMm.value) : school.gapVariationMm.value;
    const blocks: Block[] = [];
    const onPart = school.lays === 'onPart';
    if (input.wantSeal && (school.seal !== 'factoryType' || (onPart && !input.partGenuine))) blocks.push('noSealClaim');
    if (onPart && !input.partGlued) blocks.push('notOnThePart');
    if (!input.inStock[school.id]) blocks.push('notInStock');
    if (school.liquid === 'stretches' && !input.beadSomewhere) blocks.push('nowhereABead');
    const gap = input.gapVariationMm;
    if (!school.liquid && input.tapeTouches === false) blocks.push('gapVariation');
    else if (gap !== null && gap > takes + 1e-9)
      blocks.push(shrinks && gap <= school.gapVariationMm.value ? 'driesThin' : 'gapVariation');
    if (input.hoursLeft !== null && school.hours.value + readyH > input.hoursLeft) blocks.push('notReadyInTime');
    const oldRing = school.lays === 'oldRing';
    // a ring that stays is no residue; fresh tape sticks to the bare frame only
    if (school.lays !== null && !oldRing && !input.residueClean) blocks.push('residue');
    if (oldRing && !input.oldRingIntact) blocks.push('oldRingNotIntact');
    if (input.fullArea && school.liquid !== 'fill') blocks.push('fullAreaNeedsFill');
    if (!input.fullArea && school.liquid === 'fill') blocks.push('ringOnly');
    const parts = {
      material: school.materialCost.value,
      work: school.hours.value * input.ratePerH,
      rework: school.reworkChance.value * input.reworkCost,
      delay: readyH * input.delayCostPerH,
    };
    return {
      school,
      readyH,
      gapVariationMm: takes,
      parts,
      cost: parts.material + parts.work + parts.rework + parts.delay,
      blocks,
    };
  });
  return out
    .map((c, i) => ({ c, i }))
    .sort((a, b) => hard(a.c) - hard(b.c) || a.c.blocks.length - b.c.blocks.length || a.c.cost - b.c.cost || a.i - b.i)
    .map(({ c }) => c);
}
