import type { Device } from '../core/device/types';
import type { JobWay } from './fold';
import { keptStages, wayProblem } from './jobWay';
import { stageIds } from './stageIds';
import { jointsOfWay, stepAt, type Step } from './way';

type Way = Pick<JobWay, 'way' | 'progress'>;

/** Nothing of it was worked yet, so nothing depends on it. */
const open = (job: Way, step: Step): boolean => {
  const at = job.progress[step.key];
  return at === undefined || at === 'todo' || at === 'skipped';
};

/** It can be left out: not begun, and the job is one without it. */
export const canLeaveOut = (job: Way, step: Step): boolean => open(job, step) && !keptStages.includes(step.stage);

export const leaveOut = (steps: readonly Step[], step: Step): Step[] => steps.filter((s) => s.key !== step.key);

/**
 * The way with one step an earlier or a later place.
 * @returns null when it cannot go there: something of it was worked, or the order would be none
 */
export function moved(
  job: Way,
  steps: readonly Step[],
  step: Step,
  by: -1 | 1,
  device: Pick<Device, 'bonds'>,
): Step[] | null {
  const at = steps.findIndex((s) => s.key === step.key);
  const other = steps[at + by];
  if (at < 0 || !other || !open(job, step) || !open(job, other) || other.stage === 'intake') return null;
  const out = [...steps];
  out[at] = other;
  out[at + by] = step;
  return wayProblem(out, device) === null ? out : null;
}

/** Steps that are not on the way and could be: each stage at each joint of the job. */
export function canAdd(steps: readonly Step[]): Step[] {
  const keys = new Set(steps.map((s) => s.key));
  const joints = jointsOfWay(steps);
  const all = stageIds.flatMap((stage) => joints.map((j) => stepAt(stage, j)));
  return all.filter((s, i) => !keys.has(s.key) && all.findIndex((x) => x.key === s.key) === i);
}

/** The way with a step put where its stage usually comes, never before what was worked already. */
export function withStep(job: Way, steps: readonly Step[], step: Step): Step[] {
  const worked = steps.findLastIndex((s) => !open(job, s));
  const rank = stageIds.indexOf(step.stage);
  const usual = steps.findIndex(
    (s, i) => i > worked && (stageIds.indexOf(s.stage) > rank || (s.stage === step.stage && s.joint !== step.joint)),
  );
  const at = usual < 0 ? steps.length - 1 : usual;
  return [...steps.slice(0, at), step, ...steps.slice(at)];
}
