import type { EventOf } from '../event';
import { put } from './put';
import type { SliceDef } from './slice';

export type PrepItem = EventOf<'prep'>['item'];

/** Seen after closing: gone when it is opened again. */
const ofClosing = [
  'blownClosing',
  'photoClosing',
  'pressedRound',
  'squeezeWiped',
  'squeezePeeled',
  'lookedAlong',
] as const satisfies readonly PrepItem[];

/** Looks that belong to one joint: with two of them each has its own. */
const ofJoint: ReadonlySet<PrepItem> = new Set<PrepItem>([
  ...ofClosing,
  'crumbsGone',
  'lensesBlown',
  'glanced',
  'oldRingWhole',
  'sealWanted',
]);

export const isOfJoint = (item: PrepItem) => ofJoint.has(item);

/** What was ticked off at a joint. */
export interface TicksSlice {
  ticked: Set<PrepItem>;
}

export const ticksSlice = {
  empty: () => ({ ticked: new Set() }),
  hears: {
    prep(own, e) {
      if (isOfJoint(e.item)) put(own.ticked, e.item, e.done);
    },
    reopened(own) {
      for (const item of ofClosing) own.ticked.delete(item);
    },
  },
} satisfies SliceDef<TicksSlice>;
