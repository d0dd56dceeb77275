import { stageIds } from '@/model/stages';
import type { NewEvent } from '@/model/event';
import type { LiquidStock, Settings } from '@/model/settings';
import { beadFigures } from '@/core/bond/bead';
import type { Bond } from '@/core/device/types';
import { closings, type ClosingId } from './exerciseTable';
import { asked } from './exercises';

const ticked = ['crumbsGone', 'lensesBlown', 'glanced', 'blownClosing', 'photoClosing', 'closedTest'] as const;

/** What stands in the log of a made-up device with a new back when it comes to the stage of an exercise. */
export function readyForClosing(exercise: ClosingId, bond: Bond, liquid: LiquidStock | null): NewEvent[] {
  const { by, stage, from } = closings[exercise];
  const before = stageIds
    .slice(0, stageIds.indexOf(stage))
    .map((s): NewEvent => ({ type: 'stage', stage: s, to: 'done' }));
  const bondMm = Math.min(bond.widthMm, beadFigures.usualBondMm.value);
  return [
    ...asked(bond.id, { work: 'glassOnly', closedBy: by }),
    { type: 'prep', item: 'toolsReady', done: true },
    ...(stage === 'cure' && liquid
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

/** The liquid that an exercise with a bead is laid with: the first that the shop has. */
export const practiceLiquid = (settings: Pick<Settings, 'liquids'>) => settings.liquids[0] ?? null;

/** The shop of an exercise: where a bead is laid it has nothing else to close with. */
export const shopOf = (exercise: string, s: Settings): Settings =>
  exercise === 'bead' ? { ...s, ringsInStock: {}, tapes: s.tapes.map((t) => ({ ...t, rolls: [], offcuts: [] })) } : s;
