import { beadFigures } from '@/core/bond/bead';
import { openFigures } from '@/core/bond/openTime';
import { thinGapMm, type BondingMethodChoice, type BondingMethodId } from '@/core/bond/bondingMethods';
import { kerfMm, sagMm } from '@/core/bond/tapePlan';
import { diffusion23M2S, solventActivationKJ } from '@/core/cure/solventCure';
import { moistureFigures } from '@/core/cure/laws';
import type { Settings } from '@/model/settings';
import { rowOf, type WhyRow } from '@/bench-kit/Why';
import type { ReadingItem } from '@/ui/Readings';
import { clock, length } from '@/words/units';
import type { BondWork, TapeWork } from '@/work/bond/bondWork';
import type { BeadWork } from '@/work/bond/beadWork';

type Units = Pick<Settings, 'temperature' | 'length'>;

export const tapeReadings = (t: TapeWork, units: Units): ReadingItem[] => [
  {
    id: 'len',
    value: length(t.plan.lengthMm, units, 0),
    label: `${length(t.widthMm, units)} wide, ${length(t.plan.rollUsedMm - t.plan.lengthMm, units)} lost at cuts`,
  },
  {
    id: 'left',
    value: `${t.jobsLeft}`,
    label: `jobs like this left on the rolls (${length(t.rollMm, units, 0)})`,
    tone: t.jobsLeft < 2 ? 'caution' : 'ink',
  },
];

export const ringReadings = (w: BondWork): ReadingItem[] => [
  {
    id: 'rings',
    value: `${w.rings}`,
    label: 'rings for this device in stock',
    tone: w.rings < 1 ? 'caution' : 'ink',
  },
];

export const beadReadings = (b: BeadWork, c: BondingMethodChoice, units: Units): ReadingItem[] => [
  {
    id: 'ml',
    value: `${b.ml.toFixed(2)} ml`,
    label: `of ${b.leftMl.toFixed(1)} ml; ${b.bead.jobsPerTube} like it left`,
    tone: b.ml > b.leftMl || b.bead.jobsPerTube < 2 ? 'caution' : 'ink',
  },
  {
    id: 'speed',
    value: `${b.bead.feedMmS.toFixed(1)} mm/s`,
    label: `${clock(b.pace.totalS)}, ${Math.round(b.bead.plungerN)} N on the plunger`,
    tone: b.bead.plungerN > beadFigures.plungerN.value * 1.01 ? 'caution' : 'ink',
  },
  {
    id: 'out',
    value: length(b.bead.outMm, units, 2),
    label: `comes out beside it at the widest; in ${length(b.bead.inMm, units, 2)}`,
    tone: b.bead.outMm > 0 ? 'caution' : 'ink',
  },
  {
    id: 'ready',
    value: clock(c.readyH * 3600),
    label: `to the customer, ${length(b.cureMm, units, 1)} wide`,
  },
];

export function whyRows(school: BondingMethodId, c: BondingMethodChoice, bead: BeadWork | null): WhyRow[] {
  const common = [
    rowOf('Rework chance of this way', c.school.reworkChance, ''),
    rowOf('Work', c.school.hours, 'h'),
    rowOf('Uneven gap that it takes', c.school.gapVariationMm, 'mm'),
  ];
  if (school === 'cutTape')
    return [rowOf('Chord may leave the corner by', sagMm, 'mm'), rowOf('Lost at every cut', kerfMm, 'mm'), ...common];
  if (!bead) return common;
  return [
    rowOf('Scatter of a hand-laid bead', beadFigures.scatter, ''),
    rowOf('Lost while it waits open', beadFigures.flash, ''),
    rowOf('Kept from cameras', beadFigures.cameraMarginMm, 'mm'),
    rowOf('Pressed out to clear the nozzle', beadFigures.purgeMl, 'ml'),
    rowOf('Thumb', beadFigures.plungerN, 'N'),
    rowOf('Wait open', openFigures.waitS, 's'),
    rowOf('Skin', bead.liquid.cure === 'solvent' ? openFigures.skinS : openFigures.sealantSkinS, 's'),
    rowOf('A shrinking bead bridges', thinGapMm, 'mm'),
    ...(bead.liquid.cure === 'solvent'
      ? [
          rowOf('Solvent diffusion at 23 °C', diffusion23M2S, 'm²/s'),
          rowOf('Activation energy', solventActivationKJ, 'kJ/mol'),
        ]
      : [rowOf('Cured from the edge in 24 h', moistureFigures.depthMm24h, 'mm')]),
    ...common,
  ];
}
