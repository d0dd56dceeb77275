import { stageDefs, type StageId } from '@/model/stages';
import { isReheat, taskOf } from '@/model/taskNames';
import en from './en/stages';
import { t } from './stages';

type Plain = Exclude<keyof typeof en, 'doReheat' | `do_${string}`>;
const has = (key: string): key is keyof typeof en => key in en;
/** A stage that has no words of its own yet is called as its definition calls it. */
const said = (key: string, or: string): string => (has(key) ? t(key as Plain) : or);

/** What a stage is called. */
export const stageName = (id: StageId): string => said(id, stageDefs[id].name);

/** What a task of the plan is called. */
export const taskName = (task: string): string =>
  isReheat(task) ? t('reheat') : said(`task_${task}`, taskOf(task)?.name ?? task);

/** What hands do, with the job's label: "Lay on J-0141". */
export function taskTitle(task: string, label: string): string {
  const key = isReheat(task) ? 'doReheat' : `do_${task}`;
  return has(key) ? t(key as 'doReheat', { label }) : `${taskOf(task)?.verb ?? task} ${label}`;
}

/** What a job waits for that stands before a stage. */
export const stageWaits = (id: StageId): string => said(`wait_${id}`, stageDefs[id].waitsFor);
