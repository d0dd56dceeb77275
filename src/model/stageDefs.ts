import { coverKindOf } from '../core/device/coverKinds';
import { jointOf } from '../core/device/jointKinds';
import type { StageMinutes } from '../core/intake/collection';
import type { WorkStep } from '../core/schedule/jobTasks';
import type { Work } from '../core/intake/works';
import { judgement } from '../core/source';
import type { KnownEvent } from './event';
import type { JointSeen } from './fold';
import type { StageId } from './stageIds';
import type { CoverSlice } from './stages/cover';

/** A task of the schedule as hands know it. */
interface TaskWords {
  name: string;
  /** before the job's label: "Lay on J-0141" */
  verb: string;
  /** its time is learned with its stage's; else it is fixed, or a clock */
  learned: boolean;
}

/** What is known of a job when its way is asked for. */
export type WayFacts = {
  route:
    (Pick<NonNullable<CoverSlice['route']>, 'internalsOut'> & { work?: Work } & { closedBy: string | null }) | null;
} & Pick<JointSeen, 'bond' | 'face'>;

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
  tasks: Readonly<Record<string, TaskWords>>;
  /** how the schedule works it */
  work: WorkStep;
  /** hands-on minutes before the shop has a log of its own; null: it goes on by itself */
  minutes: StageMinutes | null;
  /** what a job waits for that stands before it */
  waitsFor: string;
  /** a job that does without it */
  needless(job: WayFacts): boolean;
}

const always = () => false;
const clips = (job: WayFacts) => !jointOf(job.bond).glued;
/** Clips hold without glue; some jobs close with nothing. */
const notGlued = (job: WayFacts) => clips(job) || job.route?.closedBy === 'nothing';
const ofJob = { atJoint: false, hands: true, runsAfter: null, waitsFor: 'for hands', needless: always } as const;
const ofJoint = { ...ofJob, atJoint: true } as const;

/** Minutes in the middle and of nine in ten, of what they are. */
const minutesOf = (of: string, p50: number, p90: number, ofRoute = true): StageMinutes => ({
  p50: judgement(p50, `${of}, minutes in the middle: no log of its own yet, shop figure`),
  p90: judgement(p90, `${of}, nine in ten take no longer: no log of its own yet, shop figure`),
  ofRoute,
});

/** What each stage answers: a stage without a definition does not compile. */
export const stageDefs: Record<StageId, StageDef> = {
  intake: {
    ...ofJob,
    name: 'Intake',
    work: { how: 'hands', task: 'intake' },
    minutes: minutesOf('intake', 5, 9),
    tasks: { intake: { name: 'Intake', verb: 'Take in', learned: true } },
    waitsFor: 'intake is not finished',
  },
  heat: {
    ...ofJoint,
    name: 'Heat',
    work: { how: 'heat' },
    minutes: minutesOf('heat', 4, 7),
    runsAfter: 'heatOn',
    tasks: {
      load: { name: 'Lay on', verb: 'Lay on', learned: true },
      heat: { name: 'Heat', verb: 'Heat', learned: false },
    },
    waitsFor: 'for a free plate and hands',
    needless: clips,
  },
  lift: {
    ...ofJoint,
    name: 'Lift',
    work: { how: 'lift' },
    minutes: minutesOf('lift', 12, 25),
    tasks: { lift: { name: 'Lift', verb: 'Lift', learned: true } },
  },
  strip: {
    ...ofJob,
    name: 'Strip',
    work: { how: 'hands', task: 'strip', breakable: true },
    minutes: minutesOf('taking the inside out and putting it back', 18, 35, false),
    tasks: { strip: { name: 'Strip', verb: 'Strip', learned: true } },
    // glass on its own: nothing inside is taken out
    needless: (job) => !job.route?.internalsOut,
  },
  clean: {
    ...ofJoint,
    name: 'Clean',
    work: { how: 'hands', task: 'clean', breakable: true },
    minutes: minutesOf('clean', 14, 25),
    tasks: { clean: { name: 'Clean', verb: 'Clean', learned: true } },
  },
  dryFit: {
    ...ofJoint,
    name: 'Dry fit',
    work: { how: 'hands', task: 'dryFit', needsPart: true },
    minutes: minutesOf('dry fit', 4, 8),
    tasks: { dryFit: { name: 'Dry fit', verb: 'Dry fit', learned: true } },
    // lens covers are compared by size where they come off, and warmed there one by one
    needless: (job) => coverKindOf(job.face).lens,
  },
  bond: {
    ...ofJoint,
    name: 'Bond',
    work: { how: 'bond' },
    minutes: minutesOf('bond', 9, 15),
    tasks: {
      bond: { name: 'Bond', verb: 'Bond', learned: true },
      close: { name: 'Close', verb: 'Close', learned: false },
    },
    needless: notGlued,
  },
  cure: {
    ...ofJoint,
    name: 'Cure',
    work: { how: 'cure' },
    minutes: null,
    hands: false,
    tasks: {
      clamped: { name: 'Clamped', verb: 'Clamped', learned: false },
      unclamp: { name: 'Clamps off', verb: 'Take the clamps off', learned: false },
      cure: { name: 'Cure', verb: 'Cure', learned: false },
    },
    needless: notGlued,
  },
  check: {
    ...ofJob,
    name: 'Check',
    work: { how: 'hands', task: 'check', needsPart: true, tester: true },
    minutes: minutesOf('check', 12, 20),
    tasks: { check: { name: 'Check', verb: 'Check', learned: true } },
  },
  handover: {
    ...ofJob,
    name: 'Hand over',
    work: { how: 'hands', task: 'handover', needsPart: true, leaves: true },
    minutes: minutesOf('hand over', 4, 7),
    tasks: { handover: { name: 'Hand over', verb: 'Hand over', learned: true } },
  },
};
