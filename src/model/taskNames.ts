import type { TaskId } from '../core/schedule/jobTasks';
import type { StageId } from './stages';

export const taskNames: Record<TaskId, string> = {
  intake: 'Intake',
  load: 'Lay on',
  heat: 'Heat',
  lift: 'Lift',
  strip: 'Strip',
  clean: 'Clean',
  dryFit: 'Dry fit',
  bond: 'Bond',
  close: 'Close',
  clamped: 'Clamped',
  unclamp: 'Clamps off',
  cure: 'Cure',
  check: 'Check',
  handover: 'Hand over',
};

/** A reheat that the plan put in is named after its heat. */
export const taskName = (id: string): string => (id.includes('.reheat') ? 'Reheat' : (taskNames[id as TaskId] ?? id));

export const stageOfTask: Record<TaskId, StageId> = {
  intake: 'intake',
  load: 'heat',
  heat: 'heat',
  lift: 'lift',
  strip: 'strip',
  clean: 'clean',
  dryFit: 'dryFit',
  bond: 'bond',
  close: 'bond',
  clamped: 'cure',
  unclamp: 'cure',
  cure: 'cure',
  check: 'check',
  handover: 'handover',
};

export const stageOf = (task: string): StageId =>
  task.includes('.reheat') ? 'heat' : (stageOfTask[task as TaskId] ?? 'intake');
