import { CoreInputError, requireIn } from '../errors';
import { intersect } from './calendar';
import { Profile } from './profile';
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
export interface Genes {
  order: number[];
  variant: number[];
  pin: Int16Array;
  notBefore: Float64Array;
}
export interface Scored extends Genes {
  objective: Objective;
}

/**
 * @throws CoreInputError for a name that is not there, a cycle, a calendar that never opens, a window that closes before it
 * opens, or a duration that is none
 */
export function compile(bench: Bench): Compiled {
  checkNumbers(bench);
  const indexOf = new Map(bench.resources.map((r, i) => [r.id, i]));
  const windows = (name: string | undefined): Windows => {
    if (name === undefined) return null;
    const c = bench.calendars[name];
    if (!c) throw new CoreInputError('calendar', name, Object.keys(bench.calendars).join(', ') || 'a calendar');
    if (!c.some(([a, b]) => b > a))
      throw new CoreInputError(`calendar ${name}`, 'never open', 'at least one open window');
    return apart(c);
  };
  const calendars = bench.resources.map((r) => windows(r.calendar));
  const c: Compiled = {
    bench,
    tasks: [],
    blocks: [],
    jobs: [],
    calendars,
    technicians: bench.resources.flatMap((r, i) => (r.kind === 'technician' ? [i] : [])),
    taken: bench.resources.map((r) => new Profile(r.capacity)),
  };
  for (const s of bench.started)
    if (!Number.isFinite(s.startS) || !Number.isFinite(s.endS) || s.endS < s.startS)
      throw new CoreInputError(
        `${s.job}, ${s.task}: begun`,
        `${s.startS} to ${s.endS} s`,
        'two instants, the end not before the start',
      );
  const started = new Map(bench.started.map((s) => [`${s.job}\u0000${s.task}`, s]));
  bench.jobs.forEach((job, j) => {
    const own: CJob = {
      id: job.id,
      releaseS: job.releaseS,
      dueS: job.dueS,
      weight: job.weight,
      variants: [],
      settled: -1,
    };
    job.variants.forEach((v, vi) => {
      const first = c.tasks.length;
      const ids = new Map<string, number>();
      for (const t of v.tasks) {
        const modes = t.modes.map((m): CMode => {
          if (!(m.durS >= 0 && m.durS < mostS))
            throw new CoreInputError(`${job.id}, ${t.id}: duration`, m.durS, 'at least 0 s');
          const res = Object.keys(m.use).map((id) => {
            const i = indexOf.get(id);
            if (i === undefined)
              throw new CoreInputError(`${job.id}, ${t.id}: resource`, id, [...indexOf.keys()].join(', '));
            if (m.use[id]! > bench.resources[i]!.capacity)
              throw new CoreInputError(
                `${job.id}, ${t.id}: ${id}`,
                m.use[id]!,
                `at most ${bench.resources[i]!.capacity}`,
              );
            return i;
          });
          return {
            durS: m.durS,
            res,
            need: Object.values(m.use),
            calendar: res.reduce((a, i) => intersect(a, calendars[i]!), windows(m.calendar)),
          };
        });
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
      const n = c.tasks.length - first;
      const idOf = (id: string, what: string) => {
        const i = ids.get(id);
        if (i === undefined) throw new CoreInputError(`${job.id}: ${what}`, id, [...ids.keys()].join(', '));
        return i;
      };
      const groups = new Groups(n);
      for (const l of v.links) {
        const link: CLink = {
          from: idOf(l.from, 'link'),
          to: idOf(l.to, 'link'),
          minS: l.minS,
          maxS: l.maxS ?? Infinity,
        };
        if (link.maxS < link.minS)
          throw new CoreInputError(
            `${job.id}: ${l.from} to ${l.to}`,
            `${link.maxS} s`,
            `at least the ${link.minS} s it takes`,
          );
        c.tasks[link.to]!.preds.push(link);
        c.tasks[link.from]!.succs.push(link);
        if (link.maxS < Infinity) groups.join(link.from - first, link.to - first);
      }
      const holds = v.holds.map((h) => {
        const res = indexOf.get(h.resource);
        if (res === undefined) throw new CoreInputError(`${job.id}: hold`, h.resource, [...indexOf.keys()].join(', '));
        const hold = { res, need: h.n, from: idOf(h.from, 'hold'), to: idOf(h.to, 'hold') };
        groups.join(hold.from - first, hold.to - first);
        return hold;
      });
      const topo = inOrder(c.tasks, first, n, job.id);
      // a block that would have to come before and after another becomes one with it
      for (let again = true; again;) {
        again = false;
        const after = reach(c.tasks, topo, (t) => groups.of(t - first));
        for (const [a, to] of after)
          for (const b of to)
            if (a !== b && after.get(b)?.has(a) && groups.of(a) !== groups.of(b)) {
              groups.join(a, b);
              again = true;
            }
      }
      const blocks: number[] = [];
      const known = new Map<number, number>();
      for (const t of topo) {
        const g = groups.of(t - first);
        if (!known.has(g)) {
          known.set(g, c.blocks.length);
          blocks.push(c.blocks.length);
          c.blocks.push({ job: j, tasks: [], preds: [], holds: [] });
        }
        const b = known.get(g)!;
        c.blocks[b]!.tasks.push(t);
        c.tasks[t]!.block = b;
      }
      for (const h of holds) c.blocks[c.tasks[h.from]!.block]!.holds.push(h);
      for (const b of blocks)
        c.blocks[b]!.preds = [
          ...new Set(c.blocks[b]!.tasks.flatMap((t) => c.tasks[t]!.preds.map((l) => c.tasks[l.from]!.block))),
        ].filter((p) => p !== b);
      for (const t of [...topo].reverse())
        for (const l of c.tasks[t]!.succs) {
          const to = c.tasks[l.to]!;
          c.tasks[t]!.tailS = Math.max(c.tasks[t]!.tailS, l.minS + to.minDurS + to.tailS);
        }
      own.variants.push({ id: v.id, tasks: topo, blocks, workS: topo.reduce((s, t) => s + c.tasks[t]!.minDurS, 0) });
    });
    // a task that is in every variant leaves the choice open; one that is in one of them makes it
    const begun = bench.started.filter((s) => s.job === job.id);
    const fits = job.variants.flatMap((v, vi) =>
      begun.every((s) => v.tasks.some((t) => t.id === s.task)) ? [vi] : [],
    );
    if (begun.length && fits.length === 1) own.settled = fits[0]!;
    c.jobs.push(own);
  });
  const booked = new Set<string>();
  for (const t of c.tasks)
    if (t.started) {
      const key = `${t.job}\u0000${t.id}`;
      if (booked.has(key)) continue;
      booked.add(key);
      const m = t.modes[t.started.mode]!;
      m.res.forEach((r, q) => c.taken[r]!.add(t.started!.startS, t.started!.endS, m.need[q]!));
    }
  return c;
}

/** Longest that anything here may be, s: thirty years. */
const mostS = 1e9;

/** @throws CoreInputError for a figure that is no number: a search would never end with one */
function checkNumbers(bench: Bench): void {
  const at = (field: string, v: number) => requireIn(field, v, -1e11, 1e11, 's');
  at('bench: now', bench.nowS);
  at('bench: origin', bench.originS);
  for (const r of bench.resources) requireIn(`${r.id}: capacity`, r.capacity, 0, 1e6);
  for (const [name, list] of Object.entries(bench.calendars))
    for (const [a, b] of list) {
      at(`calendar ${name}: from`, a);
      at(`calendar ${name}: to`, b);
    }
  for (const job of bench.jobs) {
    at(`${job.id}: not before`, job.releaseS);
    if (job.dueS !== null) at(`${job.id}: due`, job.dueS);
    requireIn(`${job.id}: weight`, job.weight, 0, 1e9);
    if (!job.variants.length) throw new CoreInputError(job.id, 'no way to do it', 'at least one');
    for (const v of job.variants) {
      for (const t of v.tasks) {
        if (t.releaseS !== undefined) at(`${job.id}, ${t.id}: not before`, t.releaseS);
        for (const m of t.modes)
          for (const [id, n] of Object.entries(m.use)) requireIn(`${job.id}, ${t.id}: ${id}`, n, 0, 1e6);
      }
      for (const l of v.links) {
        requireIn(`${job.id}: ${l.from} to ${l.to}, at least`, l.minS, 0, mostS, 's');
        if (l.maxS !== undefined && l.maxS !== Infinity)
          requireIn(`${job.id}: ${l.from} to ${l.to}, at most`, l.maxS, 0, mostS, 's');
      }
      for (const h of v.holds) {
        const capacity = bench.resources.find((r) => r.id === h.resource)?.capacity;
        if (capacity !== undefined) requireIn(`${job.id}: hold of ${h.resource}`, h.n, 0, capacity);
      }
    }
  }
}

/** Windows in their order, those that touch or overlap as one: none counts twice. */
function apart(list: readonly (readonly [number, number])[]): (readonly [number, number])[] {
  const open = list.filter(([a, b]) => b > a);
  if (open.every(([a], i) => i === 0 || a > open[i - 1]![1])) return open;
  const out: [number, number][] = [];
  for (const [a, b] of [...open].sort((x, y) => x[0] - y[0])) {
    const last = out[out.length - 1];
    if (last && a <= last[1]) last[1] = Math.max(last[1], b);
    else out.push([a, b]);
  }
  return out;
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
