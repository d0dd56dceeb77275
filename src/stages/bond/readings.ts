import { beadFigures } from '@/core/bond/bead';
import { openFigures } from '@/core/bond/openTime';
import { thinGapMm, type BondingMethodChoice } from '@/core/bond/bondingMethods';
import { kerfMm, sagMm } from '@/core/bond/tapePlan';
import { diffusion23M2S, solventActivationKJ } from '@/core/cure/solventCure';
import { moistureFigures } from '@/core/cure/laws';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { rowOf, type WhyRow } from '@/bench-kit/Why';
import type { ReadingItem } from '@/ui/Readings';
import { clock, digits, length } from '@/words/units';
import type { BondWork, TapeWork } from '@/work/bond/bondWork';
import type { BeadWork } from '@/work/bond/beadWork';
import { t as tr } from '@/words/bond';

type Units = Pick<Settings, 'temperature' | 'length'>;

export const tapeReadings = (t: TapeWork, units: Units): ReadingItem[] => [
  {
    id: 'len',
    value: length(t.plan.lengthMm, units, 0),
    label: tr('wideLostAtCuts', {
      widthMm: length(t.widthMm, units),
      rollUsedMm: length(t.plan.rollUsedMm - t.plan.lengthMm, units),
    }),
  },
  {
    id: 'left',
    value: `${t.jobsLeft}`,
    label: tr('jobsLikeThisLeftOnThe', { rollMm: length(t.rollMm, units, 0) }),
    tone: t.jobsLeft < 2 ? 'caution' : 'ink',
  },
];

export const ringReadings = (w: BondWork): ReadingItem[] => [
  {
    id: 'rings',
    value: `${w.rings}`,
    label: tr('ringsForThisDeviceInStock'),
    tone: w.rings < 1 ? 'caution' : 'ink',
  },
];

/** Nothing is taken from stock: how wide it holds, and when it may go. */
export const dryReadings = (job: Pick<JobState, 'bond'>, c: BondingMethodChoice, units: Units): ReadingItem[] => [
  { id: 'wide', value: length(job.bond.widthMm, units, 1), label: tr('wideRoundTheBack') },
  { id: 'ready', value: clock(c.readyH * 3600), label: tr('toTheCustomer') },
];

export const beadReadings = (b: BeadWork, c: BondingMethodChoice, units: Units): ReadingItem[] => [
  {
    id: 'ml',
    value: `${digits(b.ml, 2)} ml`,
    label: tr('ofMlLikeItLeft', { figure: digits(b.leftMl, 1), jobsPerTube: b.bead.jobsPerTube }),
    tone: b.ml > b.leftMl || b.bead.jobsPerTube < 2 ? 'caution' : 'ink',
  },
  {
    id: 'speed',
    value: `${digits(b.bead.feedMmS, 1)} mm/s`,
    label: tr('nOnThePlunger', { totalS: clock(b.pace.totalS), plungerN: Math.round(b.bead.plungerN) }),
    tone: b.bead.plungerN > beadFigures.plungerN.value * 1.01 ? 'caution' : 'ink',
  },
  {
    id: 'out',
    value: length(b.bead.outMm, units, 2),
    label: tr('comesOutBesideItAtThe', { inMm: length(b.bead.inMm, units, 2) }),
    tone: b.bead.outMm > 0 ? 'caution' : 'ink',
  },
  {
    id: 'ready',
    value: clock(c.readyH * 3600),
    label: tr('toTheCustomerWide', { cureMm: length(b.cureMm, units, 1) }),
  },
];

export function whyRows(c: BondingMethodChoice, bead: BeadWork | null, strips: boolean): WhyRow[] {
  const common = [
    rowOf(tr('chanceOfReworkThisWay'), c.school.reworkChance, ''),
    rowOf(tr('work'), c.school.hours, 'h'),
    rowOf(tr('unevenGapItTakes'), c.school.gapVariationMm, 'mm'),
  ];
  const cuts = strips
    ? [rowOf(tr('aChordMayLeaveTheCorner'), sagMm, 'mm'), rowOf(tr('lostAtEveryCut'), kerfMm, 'mm')]
    : [];
  if (!bead) return [...cuts, ...common];
  return [
    ...cuts,
    rowOf(tr('spreadOfAHandLaidBead'), beadFigures.scatter, ''),
    rowOf(tr('lostWhileItWaitsOpen'), beadFigures.flash, ''),
    rowOf(tr('keptFromCameras'), beadFigures.cameraMarginMm, 'mm'),
    rowOf(tr('pressedOutToClearTheNozzle'), beadFigures.purgeMl, 'ml'),
    rowOf(tr('thumb'), beadFigures.plungerN, 'N'),
    rowOf(tr('waitOpen'), openFigures.waitS, 's'),
    rowOf(tr('skin'), bead.liquid.cure === 'solvent' ? openFigures.skinS : openFigures.sealantSkinS, 's'),
    rowOf(tr('aShrinkingBeadBridges'), thinGapMm, 'mm'),
    ...(bead.liquid.cure === 'solvent'
      ? [
          rowOf(tr('howFastSolventLeavesAt23'), diffusion23M2S, 'm²/s'),
          rowOf(tr('activationEnergy'), solventActivationKJ, 'kJ/mol'),
        ]
      : [rowOf(tr('curedFromTheEdgeIn24'), moistureFigures.depthMm24h, 'mm')]),
    ...common,
  ];
}
