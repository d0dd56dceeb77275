import type { Profile } from './profile';
import type { Bench, Objective, Windows } from './types';

export interface CMode {
  durS: number;
  res: number[];
  need: number[];
  calendar: Windows;
}

export interface CLink {
  from: number;
  to: number;
  minS: number;
  maxS: number;
}

export interface CTask {
  job: number;
  variant: number;
  id: string;
  releaseS: number;
  breakable: boolean;
  modes: CMode[];
  preds: CLink[];
  succs: CLink[];
  block: number;
  started: { startS: number; endS: number; mode: number } | null;
  minDurS: number;
  /** shortest way from its end to the end of the job, without waiting */
  tailS: number;
}

export interface CBlock {
  job: number;
  tasks: number[];
  preds: number[];
  holds: { res: number; need: number; from: number; to: number }[];
}

export interface CJob {
  id: string;
  releaseS: number;
  dueS: number | null;
  weight: number;
  variants: { id: string; tasks: number[]; blocks: number[]; workS: number }[];
  /** variant that a started task has settled; −1: free */
  settled: number;
}

/** A bench made ready for many plans: numbers instead of names. */
export interface Compiled {
  bench: Bench;
  tasks: CTask[];
  blocks: CBlock[];
  jobs: CJob[];
  calendars: Windows[];
  technicians: number[];
  taken: Profile[];
}

/** A way to make a plan: blocks in their order, a variant for each job, a mode where one is wanted, and earliest starts. */
export interface PlanEncoding {
  order: number[];
  variant: number[];
  pin: Int16Array;
  notBefore: Float64Array;
}
export interface Scored extends PlanEncoding {
  objective: Objective;
}
