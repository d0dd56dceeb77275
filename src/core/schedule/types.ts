/** Times are whole seconds on one axis. */

/** Open windows, sorted and apart, half-open; null: always. */
export type Windows = readonly (readonly [fromS: number, toS: number])[] | null;

export interface Resource {
  id: string;
  kind: 'technician' | 'heater' | 'clamp' | 'shelf' | 'tester' | 'machine';
  capacity: number;
  calendar?: string;
}

/** One way to do a task: how long it takes and what it needs meanwhile. */
export interface Mode {
  durS: number;
  use: Readonly<Record<string, number>>;
  calendar?: string;
}

export interface Task {
  id: string;
  modes: readonly Mode[];
  /** not before: a part arrives */
  releaseS?: number;
  /** may lie over a break of its calendar */
  breakable?: boolean;
}

/** `to` starts at least minS and at most maxS after the end of `from`. */
export interface Link {
  from: string;
  to: string;
  minS: number;
  maxS?: number;
  /** what is done when the window was missed */
  reheat?: readonly Mode[];
}

/** A thing that stays with the device from the start of one task to the end of another. */
export interface Hold {
  resource: string;
  n: number;
  from: string;
  to: string;
}

export interface Variant {
  id: string;
  tasks: readonly Task[];
  links: readonly Link[];
  holds: readonly Hold[];
}

export interface BenchJob {
  id: string;
  releaseS: number;
  dueS: number | null;
  weight: number;
  variants: readonly Variant[];
}

/** A task that has started: it stays where it is. */
export interface Started {
  job: string;
  task: string;
  mode: number;
  startS: number;
  endS: number;
}

export interface Bench {
  originS: number;
  nowS: number;
  calendars: Readonly<Record<string, readonly (readonly [number, number])[]>>;
  resources: readonly Resource[];
  jobs: readonly BenchJob[];
  started: readonly Started[];
}

export interface PlanEntry {
  job: string;
  variant: string;
  task: string;
  mode: number;
  startS: number;
  endS: number;
}

/** In the order in which it counts: weighted tardiness, end of the last job, idle time of people between their tasks. */
export type Objective = readonly [tardinessS: number, makespanS: number, idleS: number];
