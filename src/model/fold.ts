import { faceView } from '../core/device/faceView';
import { bondPerimeter, faceOf } from '../core/device/perimeter';
import type { Bond, Device, Face, Learned } from '../core/device/types';
import { asSeen } from '../core/device/withLearned';
import type { EventOf, JobEvent, KnownEvent } from './event';
import { effectiveEvents } from './logOrder';
import { stageDefs, stageIds, type StageId } from './stages';
import type { BondSlice } from './stages/bond';
import type { CheckSlice } from './stages/check';
import type { CleanSlice } from './stages/clean';
import type { CoverSlice } from './stages/cover';
import type { CureSlice } from './stages/cure';
import type { DryFitSlice } from './stages/dryFit';
import type { HeatSlice } from './stages/heat';
import type { IntakeSlice } from './stages/intake';
import type { LiftSlice } from './stages/lift';
import type { JointView } from './stages/slice';
import {
  emptyJobSlices,
  emptyJointSlices,
  hearEntry,
  settleJoint,
  type JobSlices,
  type JointSlices,
} from './stages/slices';
import type { StripSlice } from './stages/strip';
import type { WholeJobSlice } from './stages/wholeJob';
import { wayChangeProblem } from './jobWay';
import { knownSteps, stepOf, wayOf, type Step } from './way';

export type StepState = 'todo' | 'started' | 'done' | 'skipped';

/** A job on its way: its steps, how far each is, and the joint that is looked at. */
export interface JobWay {
  id: string;
  label: string;
  customerMark: string;
  openedAt: number;
  /** its steps, from the day on which it was opened */
  way: readonly Step[];
  /** how far each step is, by its key */
  progress: Readonly<Record<string, StepState>>;
  /** the stages of the joint that is looked at */
  stages: Record<StageId, StepState>;
  /** where the job stands, and the stage of that step */
  step: Step;
  stage: StageId;
  closedAt: number | null;
  /** what counts, in the order of the log; `at` amended where somebody corrected a late tap */
  effective: KnownEvent[];
  /** last event that can be undone, for the undo button */
  lastEventId: string | null;
  log: readonly JobEvent[];
}

/** The joint that is looked at, on the model as somebody sees it who looks at its face. */
export interface JointSeen {
  joint: string;
  /** the model as it was copied into the log, with what was seen on this device */
  model: Device;
  device: Device;
  bond: Bond;
  face: Face;
}

/** Everything a screen needs to know about a job, folded from its log: its way, and the slices of the joint that is looked at. */
export interface JobState
  extends
    JobWay,
    JointSeen,
    WholeJobSlice,
    IntakeSlice,
    CoverSlice,
    HeatSlice,
    LiftSlice,
    StripSlice,
    CleanSlice,
    DryFitSlice,
    BondSlice,
    CureSlice,
    CheckSlice {
  /** the same job at the other joints that it opens; what is asked of all of them goes through `atEachJoint` */
  elsewhere: readonly JointState[];
}

/** What a job has at one joint. */
export type JointState = JointSeen &
  Pick<JobWay, 'stages'> &
  Pick<IntakeSlice, 'prep' | 'findings'> &
  CoverSlice &
  HeatSlice &
  LiftSlice &
  CleanSlice &
  DryFitSlice &
  BondSlice &
  CureSlice;

/** The way as it was changed last; a change that cannot be worked, from a file or of a later version, changes nothing. */
function wayNow(opened: EventOf<'opened'>, effective: readonly KnownEvent[]): readonly Step[] {
  let way: readonly Step[] = wayOf(opened);
  const begun = new Set<string>();
  for (const e of effective) {
    if (e.type === 'stage' && e.to !== 'skipped') {
      const at = stepOf(way, e.stage, e.joint ?? opened.bondId);
      if (at) begun.add(at.key);
    }
    if (e.type !== 'wayChange') continue;
    const steps = knownSteps(e.steps);
    if (steps.length && wayChangeProblem(way, steps, begun, opened.device) === null) way = steps;
  }
  return way;
}

/** The joints of a way, the job's own first. */
const jointsOf = (way: readonly Step[], own: string): string[] => [
  ...new Set([own, ...way.flatMap((x) => (x.joint === null ? [] : [x.joint]))]),
];

const seenModels = new WeakMap<Device, { items: string; model: Device }>();

/** The model as it was copied, with what was seen on this device; the same object as long as nothing more is seen. */
function modelOf(opened: EventOf<'opened'>, effective: readonly KnownEvent[]): Device {
  const items = new Map<string, Learned>();
  for (const e of effective) {
    if (e.type !== 'learned') continue;
    if (e.on) items.set(e.itemId, { ...e, at: e.place, joint: e.joint ?? opened.bondId });
    else items.delete(e.itemId);
  }
  if (!items.size) return opened.device;
  const list = [...items.values()].map(({ itemId, what, at, text, joint, thing }): Learned => ({
    itemId,
    what,
    at,
    text,
    joint,
    ...(thing ? { thing } : {}),
  }));
  const key = JSON.stringify(list);
  const kept = seenModels.get(opened.device);
  if (kept?.items === key) return kept.model;
  const model = asSeen(opened.device, list, opened.label);
  seenModels.set(opened.device, { items: key, model });
  return model;
}

/** One joint of the job as somebody sees it; the job's own joint is the bond that intake chose last. Null: the model has none such. */
function viewOf(
  opened: EventOf<'opened'>,
  model: Device,
  effective: readonly KnownEvent[],
  joint: string,
): JointView | null {
  const chosen = effective.findLast(
    (e): e is EventOf<'jobRoute'> => e.type === 'jobRoute' && (e.joint ?? opened.bondId) === joint,
  );
  const bondBy = (id: string | undefined) => model.bonds.find((b) => b.id === id);
  const own = bondBy(chosen?.bondId) ?? bondBy(joint) ?? (joint === opened.bondId ? model.bonds[0] : undefined);
  if (!own || !model.faces.some((f) => f.id === own.onFace)) return null;
  const { device, bond } = faceView(model, own);
  return { opened, model, device, bond, face: faceOf(device, bond), path: bondPerimeter(device, bond) };
}

/**
 * Folds a job's log into its state.
 * @param joint the joint to look at; that of the step where the job stands when none is named
 * @returns null when the log has no `opened` entry that counts, or its model lacks the bond that it is about
 */
export function foldJob(events: readonly JobEvent[], joint?: string): JobState | null {
  const effective = effectiveEvents(events);
  const opened = effective.find((e): e is EventOf<'opened'> => e.type === 'opened');
  if (!opened) return null;
  const way = wayNow(opened, effective);
  const joints = new Map<string, { view: JointView; slices: JointSlices }>();
  const model = modelOf(opened, effective);
  for (const id of jointsOf(way, opened.bondId)) {
    const view = viewOf(opened, model, effective, id);
    if (view) joints.set(id, { view, slices: emptyJointSlices(view) });
  }
  const own = joints.get(opened.bondId);
  if (!own) return null;
  const job: JobSlices = emptyJobSlices(own.view);
  const progress = Object.fromEntries(way.map((x) => [x.key, 'todo'])) as Record<string, StepState>;
  const contexts = new Map([...joints].map(([id, j]) => [id, { ...j.view, so: { ...j.slices, ...job } }]));
  for (const e of effective) {
    const at = e.joint !== undefined && joints.has(e.joint) ? e.joint : opened.bondId;
    hearEntry(e, contexts.get(at)!);
    noteProgress(progress, way, e, at);
  }
  for (const j of joints.values()) settleJoint(j.slices, j.view);
  for (const x of way) {
    if (progress[x.key] !== 'todo') continue;
    // what the whole job goes through is needless when none of its joints needs it
    const at = x.joint === null ? [...joints.values()] : [joints.get(x.joint) ?? own];
    if (at.every((j) => stageDefs[x.stage].needless({ ...j.slices.cover, ...j.view }))) progress[x.key] = 'skipped';
  }
  const step = way.find((x) => progress[x.key] === 'todo' || progress[x.key] === 'started') ?? way.at(-1)!;
  const seen = joint !== undefined && joints.has(joint) ? joint : (step.joint ?? opened.bondId);
  const { view, slices } = joints.get(seen) ?? own;
  const stagesAt = (joint: string) =>
    Object.fromEntries(
      stageIds.map((id) => {
        const at = stepOf(way, id, joint);
        return [id, at ? progress[at.key]! : 'skipped'];
      }),
    ) as JobState['stages'];
  const stages = stagesAt(seen);
  const onWay = new Set(way.map((x) => x.joint));
  return {
    id: opened.jobId,
    label: opened.label,
    customerMark: opened.customerMark,
    openedAt: opened.at,
    way,
    progress,
    step,
    stage: step.stage,
    closedAt:
      stages.handover === 'done'
        ? (effective.findLast((e) => e.type === 'stage' && e.stage === 'handover' && e.to === 'done')?.at ?? null)
        : null,
    effective,
    lastEventId: effective.findLast((e) => e.type !== 'undo' && e.type !== 'opened')?.id ?? null,
    log: events,
    elsewhere: [...joints]
      .filter(([id]) => id !== seen && onWay.has(id))
      .map(([id, j]) => jointState(id, j, stagesAt(id), job)),
    ...job.whole,
    ...job.intake,
    ...job.strip,
    ...job.check,
    ...jointState(joints.has(seen) ? seen : opened.bondId, { view, slices }, stages, job),
  };
}

/** What was found, with where the cover that is looked at is cracked. */
function withCrack(findings: IntakeSlice['findings'], crack: CoverSlice['crackSaid']): IntakeSlice['findings'] {
  const { crack: _other, ...rest } = findings;
  return crack ? { ...rest, crack } : rest;
}

/** What stands at one joint. */
const jointState = (
  joint: string,
  { view, slices }: { view: JointView; slices: JointSlices },
  stages: JobState['stages'],
  job: JobSlices,
): JointState => ({
  joint,
  stages,
  model: view.model,
  device: view.device,
  bond: view.bond,
  face: view.face,
  prep: new Set([...job.intake.prep, ...slices.ticks.ticked]),
  findings: withCrack(job.intake.findings, slices.cover.crackSaid),
  ...slices.cover,
  ...slices.heat,
  ...slices.lift,
  ...slices.clean,
  ...slices.dryFit,
  ...slices.bond,
  ...slices.cure,
});

/** How far the steps are: what was noted of them; a joint that is opened again goes back to its bond. */
function noteProgress(progress: Record<string, StepState>, way: readonly Step[], e: KnownEvent, joint: string): void {
  const put = (stage: StageId, to: StepState) => {
    const at = stepOf(way, stage, joint);
    if (at) progress[at.key] = to;
  };
  if (e.type === 'stage') put(e.stage, e.to);
  if (e.type !== 'reopened') return;
  put('bond', 'started');
  const cure = stepOf(way, 'cure', joint);
  if (cure && progress[cure.key] === 'done') progress[cure.key] = 'todo';
}
