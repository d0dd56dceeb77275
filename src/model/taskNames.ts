import { stageDefs, stageIds, type StageDef, type StageId } from './stages';

type Words = StageDef['tasks'][string];

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

/** Is it a task that this version knows. */
export const isTask = (task: string): boolean => tasks.has(task);

/** Tasks in the order of most jobs. */
export const taskIds: readonly string[] = [...tasks.keys()];

/** Stage that a task's time is learned with; null: a fixed time or a clock. */
export const learnedStage = (task: string): StageId | null => {
  const t = tasks.get(task);
  return t?.learned ? t.stage : null;
};
