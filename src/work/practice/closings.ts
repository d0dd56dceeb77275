import { stageIds } from '@/model/stages';
import type { NewEvent } from '@/model/event';
import type { LiquidStock, Settings } from '@/model/settings';
import { beadFigures } from '@/core/bond/bead';
import type { Bond } from '@/core/device/types';
import { defaultSettings } from '@/model/defaultSettings';
import { closings, isClosing, type ClosingId } from './exerciseTable';
import { asked } from './exercises';

const ticked = ['crumbsGone', 'lensesBlown', 'glanced', 'blownClosing', 'photoClosing', 'closedTest'] as const;

/** What stands in the log of a made-up device with a new back when it comes to the stage of an exercise. */
export function readyForClosing(exercise: ClosingId, bond: Bond, liquid: LiquidStock): NewEvent[] {
  const { by, stage, from } = closings[exercise];
  const before = stageIds
    .slice(0, stageIds.indexOf(stage))
    .map((s): NewEvent => ({ type: 'stage', stage: s, to: 'done' }));
  const bondMm = Math.min(bond.widthMm, beadFigures.usualBondMm.value);
  return [
    ...asked(bond.id, { work: 'glassOnly', closedBy: by }),
    { type: 'prep', item: 'toolsReady', done: true },
    ...(stage === 'cure'
      ? [
          {
            ...{ type: 'bonded' as const, adhesive: 'liquidBead' as const, usedMm: 0, widthMm: bond.widthMm },
            ...{ cure: liquid.cure, bondMm, gapMm: Math.min(1, bond.gapMm), itemId: liquid.id },
          },
        ]
      : []),
    // what is ticked off before it is closed is no part of the exercise
    ...(from === 'dirty' ? [] : ticked.map((item): NewEvent => ({ type: 'prep', item, done: true }))),
    ...before,
  ];
}

/** The liquid that an exercise is closed with: the shop's first whose nozzle has room on the joint, else one that ships. */
export const practiceLiquid = ({ liquids }: Pick<Settings, 'liquids'>, { widthMm }: Pick<Bond, 'widthMm'>) =>
  [...liquids, ...defaultSettings.liquids].find((l) => l.nozzleDiaMm <= widthMm)!;

/** The shop of an exercise: its tube is full whatever the shop's holds, and a bead has nothing else beside it to close with. */
export function practiceShop(exercise: string, s: Settings, bond: Bond): Settings {
  if (!isClosing(exercise)) return s;
  const tube = practiceLiquid(s, bond);
  const own = { ...s, liquids: [{ ...tube, leftMl: tube.tubeMl, expiresAt: null, tubes: [] }] };
  return exercise === 'bead'
    ? { ...own, ringsInStock: {}, tapes: s.tapes.map((t) => ({ ...t, rolls: [], offcuts: [] })) }
    : own;
}
