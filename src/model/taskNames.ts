import type { TaskId } from '../core/schedule/jobTasks';
import { stageDefs, stageIds, type StageDef, type StageId } from './stages';

type Words = NonNullable<StageDef['tasks'][TaskId]>;

const tasks = new Map<string, Words & { stage: StageId }>(
  stageIds.flatMap((stage) =>
    Object.entries(stageDefs[stage].tasks).map(([id, words]) => [id, { ...words, stage }] as const),
  ),
);

/** A reheat that the plan put in belongs to its heat. */
const isReheat = (task: string) => task.includes('.reheat');

export const taskName = (task: string): string => (isReheat(task) ? 'Reheat' : (tasks.get(task)?.name ?? task));

/** What hands do, before the job's label. */
export const taskVerb = (task: string): string => (isReheat(task) ? 'Reheat' : (tasks.get(task)?.verb ?? task));

export const stageOf = (task: string): StageId => (isReheat(task) ? 'heat' : (tasks.get(task)?.stage ?? 'intake'));
