import { CoreInputError } from '../errors';
import { intersect } from './calendar';
import { mostS } from './checkBench';
import type { CJob, CLink, CMode, Compiled, CTask } from './compiled';
import type { Bench, Windows } from './types';

type BenchJob = Bench['jobs'][number];
type Variant = BenchJob['variants'][number];

/** What a job's variants are compiled with. */
interface Known {
  /** grows: tasks and blocks are numbered through the whole bench */
  c: Compiled;
  /** resources by their names */
  indexOf: ReadonlyMap<string, number>;
  windows: (calendar: string | undefined) => Windows;
  /** what has begun, by job and task */
  started: ReadonlyMap<string, Bench['started'][number]>;
}

/**
 * One way to do a job: its tasks in an order, and the blocks that must be placed at once.
 * @throws CoreInputError for a name that is not there, a circle, a window that closes before it opens, a duration that is none
 */
export function compileVariant(
  known: Known,
  job: BenchJob,
  v: Variant,
  j: number,
  vi: number,
): CJob['variants'][number] {
  const { c } = known;
  const first = c.tasks.length;
  const ids = addTasks(known, job, v, j, vi);
  const n = c.tasks.length - first;
  const idOf = (id: string, what: string) => {
    const i = ids.get(id);
    if (i === undefined) throw new CoreInputError(`${job.id}: ${what}`, id, [...ids.keys()].join(', '));
    return i;
  };
  const groups = new Groups(n);
  addLinks(c, job, v, idOf, (a, b) => groups.join(a - first, b - first));
  const holds = v.holds.map((h) => {
    const res = known.indexOf.get(h.resource);
    if (res === undefined)
      throw new CoreInputError(`${job.id}: hold`, h.resource, [...known.indexOf.keys()].join(', '));
    const hold = { res, need: h.n, from: idOf(h.from, 'hold'), to: idOf(h.to, 'hold') };
    groups.join(hold.from - first, hold.to - first);
    return hold;
  });
  const topo = inOrder(c.tasks, first, n, job.id);
  joinTangled(c.tasks, topo, groups, first);
  const blocks = addBlocks(c, topo, j, (t) => groups.of(t - first));
  for (const h of holds) c.blocks[c.tasks[h.from]!.block]!.holds.push(h);
  for (const t of [...topo].reverse())
    for (const l of c.tasks[t]!.succs) {
      const to = c.tasks[l.to]!;
      c.tasks[t]!.tailS = Math.max(c.tasks[t]!.tailS, l.minS + to.minDurS + to.tailS);
    }
  return { id: v.id, tasks: topo, blocks, workS: topo.reduce((s, t) => s + c.tasks[t]!.minDurS, 0) };
}

/** Adds the tasks of a variant. @returns their numbers by name */
function addTasks(known: Known, job: BenchJob, v: Variant, j: number, vi: number): Map<string, number> {
  const { c, started } = known;
  const ids = new Map<string, number>();
  for (const t of v.tasks) {
    const modes = t.modes.map((m) => modeOf(known, `${job.id}, ${t.id}`, m));
    if (!modes.length) throw new CoreInputError(`${job.id}, ${t.id}`, 'no way to do it', 'at least one');
    const s = started.get(`${job.id}\u0000${t.id}`);
    ids.set(t.id, c.tasks.length);
    c.tasks.push({
      job: j,
      variant: vi,
      id: t.id,
      releaseS: t.releaseS ?? 0,
      breakable: t.breakable ?? false,
      modes,
      preds: [],
      succs: [],
      block: -1,
      started: s ? { startS: s.startS, endS: s.endS, mode: s.mode } : null,
      minDurS: Math.min(...modes.map((m) => m.durS)),
      tailS: 0,
    });
  }
  return ids;
}

function modeOf({ c, indexOf, windows }: Known, where: string, m: Variant['tasks'][number]['modes'][number]): CMode {
  if (!(m.durS >= 0 && m.durS < mostS)) throw new CoreInputError(`${where}: duration`, m.durS, 'at least 0 s');
  const res = Object.keys(m.use).map((id) => {
    const i = indexOf.get(id);
    if (i === undefined) throw new CoreInputError(`${where}: resource`, id, [...indexOf.keys()].join(', '));
    const { capacity } = c.bench.resources[i]!;
    if (m.use[id]! > capacity) throw new CoreInputError(`${where}: ${id}`, m.use[id]!, `at most ${capacity}`);
    return i;
  });
  return {
    durS: m.durS,
    res,
    need: Object.values(m.use),
    calendar: res.reduce((a, i) => intersect(a, c.calendars[i]!), windows(m.calendar)),
  };
}

/** Adds what must come after what; tasks with a window between them are told to be placed together. */
function addLinks(
  c: Compiled,
  job: BenchJob,
  v: Variant,
  idOf: (id: string, what: string) => number,
  together: (a: number, b: number) => void,
): void {
  for (const l of v.links) {
    const link: CLink = { from: idOf(l.from, 'link'), to: idOf(l.to, 'link'), minS: l.minS, maxS: l.maxS ?? Infinity };
    if (link.maxS < link.minS)
      throw new CoreInputError(
        `${job.id}: ${l.from} to ${l.to}`,
        `${link.maxS} s`,
        `at least the ${link.minS} s it takes`,
      );
    c.tasks[link.to]!.preds.push(link);
    c.tasks[link.from]!.succs.push(link);
    if (link.maxS < Infinity) together(link.from, link.to);
  }
}

/** A block that would have to come before and after another becomes one with it. */
function joinTangled(tasks: readonly CTask[], topo: readonly number[], groups: Groups, first: number): void {
  for (let again = true; again;) {
    again = false;
    const after = reach(tasks, topo, (t) => groups.of(t - first));
    for (const [a, to] of after)
      for (const b of to)
        if (a !== b && after.get(b)?.has(a) && groups.of(a) !== groups.of(b)) {
          groups.join(a, b);
          again = true;
        }
  }
}

/** Adds the blocks of a variant in the order of their first tasks. @returns their numbers */
function addBlocks(c: Compiled, topo: readonly number[], j: number, groupOf: (t: number) => number): number[] {
  const blocks: number[] = [];
  const known = new Map<number, number>();
  for (const t of topo) {
    const g = groupOf(t);
    if (!known.has(g)) {
      known.set(g, c.blocks.length);
      blocks.push(c.blocks.length);
      c.blocks.push({ job: j, tasks: [], preds: [], holds: [] });
    }
    const b = known.get(g)!;
    c.blocks[b]!.tasks.push(t);
    c.tasks[t]!.block = b;
  }
  for (const b of blocks)
    c.blocks[b]!.preds = [
      ...new Set(c.blocks[b]!.tasks.flatMap((t) => c.tasks[t]!.preds.map((l) => c.tasks[l.from]!.block))),
    ].filter((p) => p !== b);
  return blocks;
}

/** Sets that grow together. */
class Groups {
  private readonly up: number[];
  constructor(n: number) {
    this.up = Array.from({ length: n }, (_, i) => i);
  }
  of(i: number): number {
    while (this.up[i] !== i) i = this.up[i] = this.up[this.up[i]!]!;
    return i;
  }
  join(a: number, b: number): void {
    this.up[this.of(a)] = this.of(b);
  }
}

/** Tasks so that each comes after those it needs. @throws CoreInputError when they need one another in a circle */
function inOrder(tasks: readonly CTask[], first: number, n: number, job: string): number[] {
  const out: number[] = [];
  const state = new Uint8Array(n);
  const visit = (t: number) => {
    if (state[t - first] === 2) return;
    if (state[t - first] === 1)
      throw new CoreInputError(`${job}: ${tasks[t]!.id}`, 'needs itself in a circle', 'an order');
    state[t - first] = 1;
    for (const l of tasks[t]!.preds) visit(l.from);
    state[t - first] = 2;
    out.push(t);
  };
  for (let k = 0; k < n; k++) visit(first + k);
  return out;
}

/** Which groups come after each group, by any way. */
function reach(
  tasks: readonly CTask[],
  topo: readonly number[],
  groupOf: (t: number) => number,
): Map<number, Set<number>> {
  const direct = new Map<number, Set<number>>();
  for (const t of topo) {
    const own = direct.get(groupOf(t)) ?? new Set<number>();
    for (const l of tasks[t]!.succs) if (groupOf(l.to) !== groupOf(t)) own.add(groupOf(l.to));
    direct.set(groupOf(t), own);
  }
  const out = new Map<number, Set<number>>();
  for (const [g, to] of direct) {
    const seen = new Set<number>();
    const stack = [...to];
    while (stack.length) {
      const x = stack.pop()!;
      if (seen.has(x)) continue;
      seen.add(x);
      stack.push(...(direct.get(x) ?? []));
    }
    out.set(g, seen);
  }
  return out;
}
