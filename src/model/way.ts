import type { EventOf } from './event';
import { stageDefs, stageIds, type StageId } from './stages';

/** One step of a job: a stage, and the joint that it is about where it has one. Its key never changes once it is noted. */
export interface Step {
  key: string;
  stage: StageId;
  joint: string | null;
}

export const stepAt = (stage: StageId, bondId: string): Step =>
  stageDefs[stage].atJoint ? { key: `${stage}@${bondId}`, stage, joint: bondId } : { key: stage, stage, joint: null };

/** The steps of a job with one joint, as they are noted with it when it is opened: stages that come later do not touch it. */
export const plainWay = (bondId: string): Step[] => stageIds.map((s) => stepAt(s, bondId));

/** What every job came by before jobs kept their own way. Never changed. */
const tenStages = [
  'intake',
  'heat',
  'lift',
  'strip',
  'clean',
  'dryFit',
  'bond',
  'cure',
  'check',
  'handover',
] as const satisfies readonly StageId[];

/** Steps of stages that this version knows. */
export const knownSteps = (steps: EventOf<'opened'>['steps']): Step[] => {
  const known = new Set<string>(stageIds);
  return steps?.filter((s): s is Step => known.has(s.stage)) ?? [];
};

/** The steps of a job: those that it was opened with, or the ten of before. A stage that this version does not know is left out. */
export function wayOf(opened: Pick<EventOf<'opened'>, 'steps' | 'bondId'>): Step[] {
  const own = knownSteps(opened.steps);
  return own.length ? own : tenStages.map((s) => stepAt(s, opened.bondId));
}

/** The step of a stage at a joint, or the job's own where the stage is about the whole job, or where there is only one. */
export function stepOf(way: readonly Step[], stage: StageId, joint: string): Step | null {
  const steps = way.filter((s) => s.stage === stage);
  return steps.find((s) => s.joint === null || s.joint === joint) ?? (steps.length === 1 ? steps[0]! : null);
}

/** The step that comes after a stage on this way, of those that the job needs: after that of the joint that is looked at. */
export function nextStep(
  job: { way: readonly Step[]; progress: Readonly<Record<string, string>>; joint: string },
  stage: StageId,
): Step | null {
  const here = stepOf(job.way, stage, job.joint);
  const at = here ? job.way.indexOf(here) : job.way.findLastIndex((s) => s.stage === stage);
  return job.way.slice(at + 1).find((s) => job.progress[s.key] !== 'skipped') ?? null;
}

/** The joints that a job is about, in the order in which they are opened. */
export const jointsOfWay = (way: readonly Step[]): string[] => [
  ...new Set(way.flatMap((s) => (s.joint === null ? [] : [s.joint]))),
];

/** "3 of 10": where a stage stands on the way, from 1; 0: it is not on it. */
export const placeOn = (way: readonly Step[], stage: StageId, joint: string): number =>
  way.indexOf(stepOf(way, stage, joint) ?? way.find((s) => s.stage === stage)!) + 1;

/** Somebody opens more than one joint in this job. */
export const hasJoints = (job: { way: readonly Step[] }): boolean => jointsOfWay(job.way).length > 1;
