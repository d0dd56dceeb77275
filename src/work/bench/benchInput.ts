import { type HeatWay } from '@/core/schedule/jobTasks';
import type { DurationBook } from '@/core/schedule/learned';
import { judgement } from '@/core/source';
import type { JobState } from '@/model/fold';
import { type Settings } from '@/model/settings';

export const benchFigures = {
  heatS: judgement(180, 'heating before the heat model of the device was asked'),
  windowS: judgement(60, 'how long an edge stays easy, before the heat model was asked'),
  horizonDays: judgement(14, 'days that a plan looks ahead; further where a part comes later'),
  openLateS: judgement(5400, 'somebody who works outside the opening hours stays for so long'),
  seeThroughS: judgement(1800, 'a break that falls into a window is put off by so much'),
  overdueS: judgement(7200, 'a part that is overdue is looked for again after so long'),
  comeBackWeight: judgement(2, 'a come-back that is late counts as so many others'),
};

export const personId = (name: string) => `person:${name}`;
export const heaterId = (id: string) => `heater:${id}`;
export const clipId = (id: string) => `clip:${id}`;
/** What a resource is called, without its kind. */
export const bareId = (id: string) => id.slice(id.indexOf(':') + 1);

export interface BenchInput {
  jobs: readonly JobState[];
  settings: Settings;
  book: DurationBook;
  now: number;
  /** heating times of jobs, from their own heat models; what is not known yet is estimated */
  heats?: ReadonlyMap<string, readonly HeatWay[]>;
  /** ways of closing to be tried in place of the job's own */
  ways?: ReadonlyMap<string, readonly CureWay[]>;
  /** stay longer today by so much, s */
  stayS?: number;
  /** stretch of a job's hands-on time, where another route is weighed */
  stretch?: ReadonlyMap<string, number>;
}

export type CureWay = 'tape' | 'bead' | 'nothing';

export interface Frame {
  names: readonly string[];
  working: ReadonlyMap<string, string>;
  s: (at: number) => number;
  nowS: number;
}
