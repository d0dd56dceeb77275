import type { Sourced } from '../source';
import { judgement } from '../source';
import type { BenchJob, Hold, Link, Mode, Started, Task, Variant } from './types';

/** A task of a job: one of the shapes below, or work of hands under its own name. */
export type TaskId = string;

/** A step of the job as the bench sees it: heat, lift, bond and cure come with their clocks, everything else is hands. */
export type WorkStep =
  | { how: 'heat' | 'lift' | 'bond' | 'cure' }
  | {
      how: 'hands';
      task: TaskId;
      /** it may lie over a break: no window runs */
      breakable?: boolean | undefined;
      /** it cannot be done without the new part */
      needsPart?: boolean | undefined;
      /** it takes one of the shop's testers */
      tester?: boolean | undefined;
      /** with it the device leaves the shop */
      leaves?: boolean | undefined;
    };

export const taskFigures = {
  loadS: judgement(60, 'laying on or aiming, the heater warm'),
  standByS: judgement(150, 'a heat this short is waited for: nobody begins something else meanwhile'),
  layOnS: judgement(60, 'a device that lies ready is on the heater within this'),
  closeS: judgement(120, 'lowering the cover, pressing it round'),
  toClampS: judgement(60, 'a bead is held at once; tape that was pressed by hand can wait for its clips'),
  unclampS: judgement(60, 'taking clamps or clips off'),
  toShelfS: judgement(600, 'from the clamps to a shelf place'),
  reheatShare: judgement(0.6, 'a reheat against the first heat: the device is still warm'),
};

/** A heater that does it: how long it heats, and how long the edge then stays easy. */
export interface HeatWay {
  heater: string;
  /** a person is with it all the while: hot air is held, and a short heat is waited for */
  held: boolean;
  heatS: number;
  windowS: number;
  reheatS: number;
}

/** One way of closing, with its clocks after closing, s. */
export interface ClosingWay {
  id: 'tape' | 'bead' | 'nothing';
  /** a bead waits open at least and at most; null: no hurry */
  openS: { min: number; max: number } | null;
  clamp: { resource: string; n: number } | null;
  clampOffS: number;
  /** work may go on after this, and it may leave */
  buildS: number;
  handOverS: number;
}

export interface Wish {
  task: TaskId;
  notBeforeS: number | null;
  /** it begins exactly then */
  pinnedS: number | null;
  person: string | null;
  heater: string | null;
}

/** A task that goes on now, or whose time is known. */
export interface Going {
  task: TaskId;
  startS: number;
  endS: number;
  person: string | null;
  heater: string | null;
}

/** What is left of one job, with its own numbers. */
export interface JobWork {
  id: string;
  /** the job's own steps, in their order */
  steps: readonly WorkStep[];
  releaseS: number;
  dueS: number | null;
  weight: number;
  /** tasks that are still to be done or go on */
  left: ReadonlySet<TaskId>;
  /** seconds of a task in a person's hands */
  handsS: (task: TaskId, person: string) => number;
  heats: readonly HeatWay[];
  ways: readonly ClosingWay[];
  /** when the part that it waits for is there */
  partS: number | null;
  /** it is not opened before the part is there */
  partFirst: boolean;
  going: readonly Going[];
  /** not handed over before, where it is closed already */
  handOverFromS: number | null;
  wishes: readonly Wish[];
}

export interface BenchThings {
  people: readonly string[];
  /** resource of a person, a heater; names that are not resources are left alone */
  personOf: (name: string) => string;
  heaterOf: (id: string) => string;
  /** shelf and tester by their resource; null: not counted */
  shelf: string | null;
  tester: string | null;
}

/** A job as chains of tasks, one chain for each way of closing, and what of it goes on. */
export function benchJob(w: JobWork, b: BenchThings): { job: BenchJob; started: Started[] } {
  const variants = (w.ways.length ? w.ways : [nothing]).map((way) => variantOf(w, way, b));
  const started: Started[] = [];
  const fixed = [
    ...w.going,
    ...w.wishes.flatMap((x): Going[] => {
      if (x.pinnedS === null || w.going.some((g) => g.task === x.task)) return [];
      const task = variants[0]!.tasks.find((t) => t.id === x.task);
      if (!task) return [];
      return [
        { task: x.task, startS: x.pinnedS, endS: x.pinnedS + task.modes[0]!.durS, person: x.person, heater: x.heater },
      ];
    }),
  ];
  for (const g of fixed) {
    const task = variants[0]!.tasks.find((t) => t.id === g.task);
    if (!task) continue;
    const wants = [g.person && b.personOf(g.person), g.heater && b.heaterOf(g.heater)].filter((r) => r !== null);
    const mode = task.modes.findIndex((m) => wants.every((r) => r! in m.use));
    started.push({ job: w.id, task: g.task, mode: Math.max(0, mode), startS: g.startS, endS: g.endS });
  }
  return {
    job: { id: w.id, releaseS: w.releaseS, dueS: w.dueS, weight: w.weight, variants },
    started,
  };
}

const nothing: ClosingWay = { id: 'nothing', openS: null, clamp: null, clampOffS: 0, buildS: 0, handOverS: 0 };

function variantOf(w: JobWork, way: ClosingWay, b: BenchThings): Variant {
  const tasks: Task[] = [];
  const links: Link[] = [];
  const holds: Hold[] = [];
  const has = (t: TaskId) => tasks.some((x) => x.id === t);
  /** tasks that must be over before the next begins */
  let before: TaskId[] = [];
  const goes = new Map(w.going.map((g) => [g.task, g]));
  const leaving = w.steps.find((s) => s.how === 'hands' && s.leaves);
  const leaves = leaving?.how === 'hands' ? leaving.task : null;
  const breakable = new Set(w.steps.flatMap((s) => (s.how === 'hands' && s.breakable ? [s.task] : [])));
  const put = (id: TaskId, modes: readonly Mode[], link: Partial<Link> = {}) => {
    if (!w.left.has(id) || !modes.length) return;
    const wish = w.wishes.find((x) => x.task === id);
    const kept = wish ? modes.filter((m) => suits(m, wish, b)) : modes;
    const partHere = w.partS !== null && id === (w.partFirst ? (firstOpening(w) ?? firstNeeding(w)) : firstNeeding(w));
    const releaseS = Math.max(
      partHere ? w.partS! : 0,
      wish?.notBeforeS ?? 0,
      id === leaves ? (w.handOverFromS ?? 0) : 0,
    );
    tasks.push({
      id,
      modes: kept.length ? kept : modes,
      ...(releaseS > 0 ? { releaseS } : {}),
      ...(breakable.has(id) ? { breakable: true } : {}),
    });
    const own = goes.get(id);
    // what somebody took up before its turn goes on beside what should have come first
    const early = own ? before.filter((b) => !(goes.has(b) && goes.get(b)!.endS <= own.startS)) : [];
    for (const from of before) if (!early.includes(from)) links.push({ from, to: id, minS: 0, ...link });
    before = [...early, id];
  };
  const hands = (id: TaskId, lessS = 0, more: Record<string, number> = {}): Mode[] =>
    b.people.map((p) => ({
      durS: Math.max(30, Math.round(w.handsS(id, p) - lessS)),
      use: { [b.personOf(p)]: 1, ...more },
    }));
  const fixedHands = (s: Sourced): Mode[] => b.people.map((p) => ({ durS: s.value, use: { [b.personOf(p)]: 1 } }));

  const held = w.heats.filter((h) => h.held);
  // where one heater is quick enough to be waited for, no slow one is thought of
  const ways = held.length ? held : w.heats;
  const on = (h: HeatWay, durS: (person: string) => number): Mode[] => {
    const own = { [b.heaterOf(h.heater)]: 1 };
    return h.held
      ? b.people.map((p) => ({ durS: Math.round(durS(p)), use: { ...own, [b.personOf(p)]: 1 } }))
      : [{ durS: Math.round(durS('')), use: own }];
  };
  const heat = () => {
    if (!ways.length) return;
    if (!held.length) put('load', hands('load'));
    put(
      'heat',
      ways.flatMap((h) => on(h, (p) => h.heatS + (h.held ? w.handsS('load', p) : 0))),
      has('load') ? { maxS: taskFigures.layOnS.value } : {},
    );
  };
  const lift = () =>
    put(
      'lift',
      hands('lift'),
      has('heat')
        ? {
            maxS: Math.round(Math.min(...ways.map((h) => h.windowS))),
            reheat: ways.flatMap((h) => on(h, () => h.reheatS)),
          }
        : {},
    );
  const bond = () => {
    if (way.openS && w.left.has('bond')) {
      put('bond', hands('bond', taskFigures.closeS.value));
      put('close', fixedHands(taskFigures.closeS), {
        minS: Math.round(way.openS.min),
        maxS: Math.round(way.openS.max),
      });
    } else put('bond', hands('bond'));
  };
  const closed = (): TaskId | null => (has('close') ? 'close' : has('bond') ? 'bond' : null);
  const cure = () => {
    if (way.id === 'nothing') return;
    if (way.clampOffS > 0) {
      put(
        'clamped',
        [{ durS: Math.round(way.clampOffS), use: {} }],
        closed() && way.openS ? { maxS: taskFigures.toClampS.value } : {},
      );
      put('unclamp', fixedHands(taskFigures.unclampS));
      if (way.clamp && has('clamped') && has('unclamp'))
        holds.push({ resource: way.clamp.resource, n: way.clamp.n, from: 'clamped', to: 'unclamp' });
    }
    const cureS = Math.round(way.buildS - way.clampOffS);
    if (cureS > 0)
      put(
        'cure',
        [{ durS: cureS, use: b.shelf ? { [b.shelf]: 1 } : {} }],
        has('unclamp') && !goes.has('cure') ? { maxS: taskFigures.toShelfS.value } : {},
      );
  };
  const clocked = { heat, lift, bond, cure };
  for (const step of w.steps)
    if (step.how === 'hands') put(step.task, hands(step.task, 0, step.tester && b.tester ? { [b.tester]: 1 } : {}));
    else clocked[step.how]();
  const shut = closed();
  if (shut && leaves && has(leaves) && way.handOverS > 0)
    links.push({ from: shut, to: leaves, minS: Math.round(way.handOverS) });
  return { id: way.id, tasks, links, holds };
}

/** The task that opens the device; null when it is past. */
const firstOpening = (w: JobWork): TaskId | null =>
  w.heats.length && w.left.has('heat')
    ? w.heats.some((h) => h.held) || !w.left.has('load')
      ? 'heat'
      : 'load'
    : w.left.has('lift')
      ? 'lift'
      : null;

/** The first task that cannot be done without the new part: bonding, and what its stage says of itself; null when none is left. */
function firstNeeding(w: JobWork): TaskId | null {
  const needing = w.steps.flatMap((s) =>
    s.how === 'bond' ? ['bond'] : s.how === 'hands' && s.needsPart ? [s.task] : [],
  );
  return needing.find((t) => w.left.has(t)) ?? null;
}

function suits(m: Mode, wish: Wish, b: BenchThings): boolean {
  const person = wish.person && b.people.includes(wish.person) ? b.personOf(wish.person) : null;
  const heater = wish.heater ? b.heaterOf(wish.heater) : null;
  const anyPerson = Object.keys(m.use).some((r) => b.people.some((p) => b.personOf(p) === r));
  return (!person || !anyPerson || person in m.use) && (!heater || heater in m.use);
}
