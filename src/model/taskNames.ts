import { stageDefs, stageIds, type StageDef, type StageId } from './stages';

type Words = StageDef['tasks'][string];

const tasks = new Map<string, Words & { stage: StageId }>(
  stageIds.flatMap((stage) =>
    Object.entries(stageDefs[stage].tasks).map(([id, words]) => [id, { ...words, stage }] as const),
  ),
);

/** A reheat that the plan put in belongs to its heat. */
export const isReheat = (task: string) => task.includes('.reheat');

/** A task by its id, as its stage's definition has it. */
export const taskOf = (task: string): (Words & { stage: StageId }) | undefined => tasks.get(task);

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
