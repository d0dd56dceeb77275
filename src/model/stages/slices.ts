import type { EventType, KnownEvent } from '../event';
import { bondSlice, type BondSlice } from './bond';
import { checkSlice, type CheckSlice } from './check';
import { cleanSlice, type CleanSlice } from './clean';
import { coverSlice, type CoverSlice } from './cover';
import { cureSlice, type CureSlice } from './cure';
import { dryFitSlice, type DryFitSlice } from './dryFit';
import { heatSlice, type HeatSlice } from './heat';
import { intakeSlice, type IntakeSlice } from './intake';
import { liftSlice, type LiftSlice } from './lift';
import type { FoldContext, JointView, SliceDef } from './slice';
import { stripSlice, type StripSlice } from './strip';
import { ticksSlice, type TicksSlice } from './ticks';
import { wholeJobSlice, type WholeJobSlice } from './wholeJob';

/** What every joint of a job has for itself. */
export interface JointSlices {
  cover: CoverSlice;
  heat: HeatSlice;
  lift: LiftSlice;
  clean: CleanSlice;
  dryFit: DryFitSlice;
  bond: BondSlice;
  cure: CureSlice;
  ticks: TicksSlice;
}

/** What a job has once. */
export interface JobSlices {
  whole: WholeJobSlice;
  intake: IntakeSlice;
  strip: StripSlice;
  check: CheckSlice;
}

export type Slices = JointSlices & JobSlices;

export const jointSlices = {
  cover: coverSlice,
  heat: heatSlice,
  lift: liftSlice,
  clean: cleanSlice,
  dryFit: dryFitSlice,
  bond: bondSlice,
  cure: cureSlice,
  ticks: ticksSlice,
} satisfies { [K in keyof JointSlices]: SliceDef<JointSlices[K]> };

export const jobSlices = {
  whole: wholeJobSlice,
  intake: intakeSlice,
  strip: stripSlice,
  check: checkSlice,
} satisfies { [K in keyof JobSlices]: SliceDef<JobSlices[K]> };

const all = { ...jointSlices, ...jobSlices };

/** Kinds of entries that no slice hears: what opens a job, or speaks of other entries, is read before they are folded. */
type ReadBefore = 'opened' | 'wayChange' | 'undo' | 'leaveOut' | 'amend';
type Heard = { [K in keyof typeof all]: keyof (typeof all)[K]['hears'] }[keyof typeof all];
/** Never, as long as every kind of entry has a slice that hears it: a new kind that nobody folds does not compile. */
type Unheard = Exclude<EventType, Heard | ReadBefore>;
const everyKindIsHeard: [Unheard] extends [never] ? true : Unheard = true;
void everyKindIsHeard;

const emptyOf = <T>(defs: { [K in keyof T]: { empty(view: JointView): T[K] } }, view: JointView): T =>
  Object.fromEntries(Object.entries(defs).map(([k, d]) => [k, (d as SliceDef<unknown>).empty(view)])) as T;

export const emptyJointSlices = (view: JointView): JointSlices => emptyOf<JointSlices>(jointSlices, view);
export const emptyJobSlices = (view: JointView): JobSlices => emptyOf<JobSlices>(jobSlices, view);

type Hear = (own: unknown, e: KnownEvent, ctx: FoldContext) => void;
const hearersOf = new Map<string, { slice: keyof Slices; hear: Hear }[]>();
for (const [slice, def] of Object.entries(all))
  for (const [type, hear] of Object.entries(def.hears))
    hearersOf.set(type, [...(hearersOf.get(type) ?? []), { slice: slice as keyof Slices, hear: hear as Hear }]);

/** Hands one entry to the slices that hear it, in the order of the tables above. */
export function hearEntry(e: KnownEvent, ctx: FoldContext): void {
  for (const { slice, hear } of hearersOf.get(e.type) ?? []) hear(ctx.so[slice], e, ctx);
}

/** What follows from all entries of a joint together. */
export function settleJoint(slices: JointSlices, view: JointView): void {
  jointSlices.lift.settle(slices.lift, view);
}
