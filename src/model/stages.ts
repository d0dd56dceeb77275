import type { TaskId } from '../core/schedule/jobTasks';
import type { KnownEvent } from './event';
import type { JobState } from './fold';
import { stageIds, type StageId } from './stageIds';

export { stageIds, type StageId } from './stageIds';

/** A task of the schedule as hands know it. */
interface TaskWords {
  name: string;
  /** before the job's label: "Lay on J-0141" */
  verb: string;
}

/** What is known of a job when its way is asked for. */
export type WayFacts = Pick<JobState, 'route' | 'bond' | 'face'>;

/** What a stage answers to everybody who asks. */
export interface StageDef {
  name: string;
  /** it is about one joint of the device, not about the job as a whole */
  atJoint: boolean;
  /** somebody works at it; else it goes on by itself from its beginning */
  hands: boolean;
  /** the entry from which on it goes on by itself, where hands begin it */
  runsAfter: KnownEvent['type'] | null;
  /** tasks of the schedule that belong to it, in their order */
  tasks: Partial<Record<TaskId, TaskWords>>;
  /** what a job waits for that stands before it */
  waitsFor: string;
  /** a job that does without it */
  needless(job: WayFacts): boolean;
}

const always = () => false;
const clips = (job: WayFacts) => job.bond.zone === 'clips';
/** Clips hold without glue; some jobs close with nothing. */
const notGlued = (job: WayFacts) => clips(job) || job.route?.closedBy === 'nothing';
const ofJob = { atJoint: false, hands: true, runsAfter: null, waitsFor: 'for hands', needless: always } as const;
const ofJoint = { ...ofJob, atJoint: true } as const;

/** What each stage answers: a stage without a definition does not compile. */
export const stageDefs: Record<StageId, StageDef> = {
  intake: {
    ...ofJob,
    name: 'Intake',
    tasks: { intake: { name: 'Intake', verb: 'Take in' } },
    waitsFor: 'intake is not finished',
  },
  heat: {
    ...ofJoint,
    name: 'Heat',
    runsAfter: 'heatOn',
    tasks: { load: { name: 'Lay on', verb: 'Lay on' }, heat: { name: 'Heat', verb: 'Heat' } },
    waitsFor: 'for a free plate and hands',
    needless: clips,
  },
  lift: { ...ofJoint, name: 'Lift', tasks: { lift: { name: 'Lift', verb: 'Lift' } } },
  strip: {
    ...ofJob,
    name: 'Strip',
    tasks: { strip: { name: 'Strip', verb: 'Strip' } },
    // glass on its own: nothing inside is taken out
    needless: (job) => !job.route?.internalsOut,
  },
  clean: { ...ofJoint, name: 'Clean', tasks: { clean: { name: 'Clean', verb: 'Clean' } } },
  dryFit: {
    ...ofJoint,
    name: 'Dry fit',
    tasks: { dryFit: { name: 'Dry fit', verb: 'Dry fit' } },
    // lens covers are compared by size where they come off, and warmed there one by one
    needless: (job) => job.face.construction === 'lensInRing' || job.face.construction === 'frameLens',
  },
  bond: {
    ...ofJoint,
    name: 'Bond',
    tasks: { bond: { name: 'Bond', verb: 'Bond' }, close: { name: 'Close', verb: 'Close' } },
    needless: notGlued,
  },
  cure: {
    ...ofJoint,
    name: 'Cure',
    hands: false,
    tasks: {
      clamped: { name: 'Clamped', verb: 'Clamped' },
      unclamp: { name: 'Clamps off', verb: 'Take the clamps off' },
      cure: { name: 'Cure', verb: 'Cure' },
    },
    needless: notGlued,
  },
  check: { ...ofJob, name: 'Check', tasks: { check: { name: 'Check', verb: 'Check' } } },
  handover: { ...ofJob, name: 'Hand over', tasks: { handover: { name: 'Hand over', verb: 'Hand over' } } },
};

export const stageNames = Object.fromEntries(stageIds.map((id) => [id, stageDefs[id].name])) as Record<StageId, string>;
