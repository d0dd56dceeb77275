import { randomOf } from '../numeric/random';
import { boundsOf } from './bounds';
import type { Compiled, PlanEncoding, Scored } from './compiled';
import { compare, Generator } from './generate';
import { drained, type Steps } from './steps';
import { blankEncoding, firstPlan } from './rules';
import type { Objective } from './types';

export interface ImproveOptions {
  /** plans that are made */
  iterations: number;
  seed: number;
  /** start of the cooling, as a share of the cost */
  heat?: number;
  cycles?: number;
  /** asked now and then with the share that is done: false stops it */
  tell?: (share: number, best: Scored) => boolean;
  /** stops when the first part of the objective, or the span where nothing is due, is down to this */
  target?: number;
}

const copy = (s: Scored): Scored => ({
  order: s.order.slice(),
  variant: s.variant.slice(),
  pin: s.pin.slice(),
  notBefore: s.notBefore.slice(),
  objective: s.objective,
});

/** From here on a list is short enough for waiting encoding to matter as much as its order. */
const shortList = 40;

/**
 * Simulated annealing on the encoding. Moves: a waiting block before the one it waits for on the critical chain, a block or a whole
 * job elsewhere, a task that lets another go first, another mode, another variant. The best is kept in the order in which the
 * objective counts.
 * @internal the plan's search goes by the steps below
 */
export const improve = (g: Generator, start: Scored, o: ImproveOptions): Scored & { made: number } =>
  drained(improveSteps(g, start, o));

/** The same, step by step: it stands still after every 64 plans until it is asked to go on. */
export function* improveSteps(g: Generator, start: Scored, o: ImproveOptions): Steps<Scored & { made: number }> {
  const { c } = g;
  const random = randomOf(o.seed);
  const int = (n: number) => Math.floor(random() * n);
  const cycles = o.cycles ?? 4;
  const due = c.jobs.some((j) => j.dueS !== null && j.weight > 0);
  const weight = c.jobs.reduce((s, j) => s + j.weight, 0) / Math.max(1, c.jobs.length) || 1;
  const cost = (x: Objective) => (due ? x[0] + 0.02 * weight * x[1] + 1e-4 * weight * x[2] : x[1] + 1e-4 * x[2]);
  const grain = c.tasks.reduce((s, t) => s + t.minDurS, 0) / Math.max(1, c.tasks.length);
  const modal = c.tasks.flatMap((t, i) => (t.modes.length > 1 && !t.started ? [i] : []));
  const various = c.jobs.flatMap((j, i) => (j.variants.length > 1 && j.settled < 0 ? [i] : []));
  const scales = [1, 3, 0.3, 10];
  let now = copy(start);
  let best = copy(start);
  let nowCost = cost(now.objective);
  let cycleCost = nowCost;
  g.make(now);
  let arc = waiting(g, now, due, random);
  const perCycle = Math.ceil(o.iterations / cycles);
  let made = 0;
  for (; made < o.iterations; made++) {
    if ((made & 63) === 0) {
      if (o.tell && !o.tell(made / o.iterations, best)) break;
      if (made) yield;
    }
    if (o.target !== undefined && best.objective[due ? 0 : 1] <= o.target) break;
    const cycle = Math.floor(made / perCycle);
    if (made && made % perCycle === 0) {
      now = copy(best);
      nowCost = cycleCost = cost(now.objective);
      g.make(now);
      arc = waiting(g, now, due, random);
    }
    const temperature =
      (o.heat ?? (due ? 0.001 : 0.015)) *
      scales[cycle % scales.length]! *
      Math.max(cycleCost, grain) *
      0.002 ** ((made % perCycle) / perCycle);
    const next = copy(now);
    if (!vary(c, g, next, arc, modal, various, random, int)) continue;
    next.objective = g.make(next);
    const nextCost = cost(next.objective);
    if (nextCost <= nowCost || random() < Math.exp(-(nextCost - nowCost) / temperature)) {
      now = next;
      nowCost = nextCost;
      // sorting by start helps job shops and traps what is due (found by trying): only where nothing is due
      if (!due) byStart(g, now);
      arc = waiting(g, now, due, random);
      if (compare(now.objective, best.objective) < 0) best = copy(now);
    } else if (random() < 0.3) {
      g.make(now);
      arc = waiting(g, now, due, random);
    }
  }
  return { ...best, made };
}

const moveTo = (list: number[], from: number, to: number) => {
  const [x] = list.splice(from, 1);
  list.splice(to, 0, x!);
};

/** One move. @returns false when it would have changed nothing */
function vary(
  c: Compiled,
  g: Generator,
  next: Scored,
  arc: readonly [number, number] | null,
  modal: readonly number[],
  various: readonly number[],
  random: () => number,
  int: (n: number) => number,
): boolean {
  const list = next.order;
  const n = list.length;
  let u = random();
  // short lists: half of all moves let one task wait for another
  const wait = n <= shortList && random() < 0.5;
  if (wait) u = 0.87;
  if (u < 0.5 && arc) {
    const [a, b] = [list.indexOf(arc[0]), list.indexOf(arc[1])];
    if (a < b) moveTo(list, b, a);
    else moveTo(list, a, Math.min(n - 1, b + int(3)));
  } else if (u < 0.68 || n < 3) moveTo(list, int(n), int(n));
  else if (u < 0.76) {
    const a = int(n);
    moveTo(list, a, Math.max(0, Math.min(n - 1, a + int(9) - 4)));
  } else if (u < 0.86) {
    const j = int(c.jobs.length);
    const mine = list.filter((b) => c.blocks[b]!.job === j);
    const rest = list.filter((b) => c.blocks[b]!.job !== j);
    next.order = spread(rest, mine, int(rest.length + 1), random() < 0.5 ? 1 : 6, int);
  } else if (u < 0.86 + Math.min(0.08, 1.5 / n) || wait) {
    const pick = () => {
      const tasks = c.blocks[list[int(n)]!]!.tasks;
      return tasks[int(tasks.length)]!;
    };
    const t = pick();
    if (next.notBefore[t]! > 0) next.notBefore[t] = 0;
    else {
      const other = pick();
      if (c.tasks[other]!.job === c.tasks[t]!.job) return false;
      next.notBefore[t] = random() < 0.7 ? g.endS[other]! : g.startS[other]!;
    }
  } else if (u < 0.96 && modal.length) {
    const t = modal[int(modal.length)]!;
    next.pin[t] = random() < 0.4 ? -1 : int(c.tasks[t]!.modes.length);
  } else if (various.length) {
    const j = various[int(various.length)]!;
    const v = int(c.jobs[j]!.variants.length);
    if (v === next.variant[j]) return false;
    const at = list.findIndex((b) => c.blocks[b]!.job === j);
    next.variant[j] = v;
    const rest = list.filter((b) => c.blocks[b]!.job !== j);
    next.order = spread(rest, c.jobs[j]!.variants[v]!.blocks, Math.min(Math.max(0, at), rest.length), 4, int);
  } else {
    const [a, b] = [int(n), int(n)];
    [list[a], list[b]] = [list[b]!, list[a]!];
  }
  return true;
}

/** Puts blocks into a list from a place on, each up to `within` − 1 places after the one before. */
function spread(
  rest: readonly number[],
  mine: readonly number[],
  at: number,
  within: number,
  int: (n: number) => number,
): number[] {
  const out = [...rest];
  let p = at;
  for (const b of mine) {
    out.splice(p, 0, b);
    p = Math.min(out.length, p + 1 + int(within));
  }
  return out;
}

function byStart(g: Generator, s: Scored): void {
  const start = new Map(s.order.map((b) => [b, Math.min(...g.c.blocks[b]!.tasks.map((t) => g.startS[t]!))] as const));
  const place = new Map(s.order.map((b, i) => [b, i] as const));
  s.order.sort((x, y) => start.get(x)! - start.get(y)! || place.get(x)! - place.get(y)!);
}

/**
 * A pair of blocks on the chain that ends a late job (or the last one): the second waits for the first at a resource. Walked
 * back from the end of the job in the plan that the generator holds.
 */
function waiting(g: Generator, s: PlanEncoding, due: boolean, random: () => number): readonly [number, number] | null {
  const { c } = g;
  const int = (n: number) => Math.floor(random() * n);
  const users: number[][] = c.bench.resources.map(() => []);
  c.jobs.forEach((job, j) => {
    for (const t of job.variants[s.variant[j]!]!.tasks)
      for (const r of c.tasks[t]!.modes[g.mode[t]!]!.res) users[r]!.push(t);
  });
  const late = due
    ? c.jobs.flatMap((job, j) => (job.dueS !== null && job.weight > 0 && g.doneS[j]! > job.dueS ? [j] : []))
    : [];
  let j = 0;
  if (late.length && random() < 0.9) j = late[int(late.length)]!;
  else c.jobs.forEach((_, k) => (g.doneS[k]! > g.doneS[j]! ? (j = k) : null));
  const tasks = c.jobs[j]!.variants[s.variant[j]!]!.tasks;
  let x = tasks[0]!;
  for (const t of tasks) if (g.endS[t]! >= g.endS[x]!) x = t;
  const pairs: [number, number][] = [];
  for (let guard = 0; guard < 200; guard++) {
    const task = c.tasks[x]!;
    let link = -1;
    for (const l of task.preds) if (g.endS[l.from]! + l.minS >= g.startS[x]! - 1e-9) link = l.from;
    let latest = -Infinity;
    const before: number[] = [];
    for (const r of task.modes[g.mode[x]!]!.res)
      for (const y of users[r]!) {
        if (y === x || g.endS[y]! > g.startS[x]! || g.endS[y]! < latest || c.tasks[y]!.block === task.block) continue;
        if (g.endS[y]! > latest) {
          latest = g.endS[y]!;
          before.length = 0;
        }
        before.push(y);
      }
    if (before.length) {
      const y = before[int(before.length)]!;
      if (!c.tasks[y]!.started && c.tasks[y]!.job !== task.job) pairs.push([c.tasks[y]!.block, task.block]);
      if (g.endS[y] === g.startS[x] || link < 0) {
        x = link >= 0 && random() < 0.5 ? link : y;
        continue;
      }
    }
    if (link >= 0) {
      x = link;
      continue;
    }
    if (!task.preds.length) break;
    x = task.preds.reduce((a, l) => (g.endS[l.from]! > g.endS[a]! ? l.from : a), task.preds[0]!.from);
  }
  return pairs.length ? pairs[int(pairs.length)]! : null;
}

/**
 * First plan, then better ones. Few blocks: several short runs from random beginnings, then one long one from the best of them;
 * it stops when the bound is reached.
 */
export const solve = (g: Generator, o: ImproveOptions): Scored & { made: number } => drained(solveSteps(g, o));

/** The same, step by step. */
export function* solveSteps(g: Generator, o: ImproveOptions): Steps<Scored & { made: number }> {
  const { c } = g;
  const first = firstPlan(g);
  if (first.order.length > shortList) return yield* improveSteps(g, first, o);
  const random = randomOf(o.seed * 7919 + 13);
  const runs = 12;
  let best: Scored = first;
  let made = 0;
  for (let k = 0; k < runs; k++) {
    const variant = c.jobs.map((j) => (j.settled >= 0 ? j.settled : Math.floor(random() * j.variants.length)));
    const order = c.jobs.flatMap((j, i) => j.variants[variant[i]!]!.blocks);
    for (let i = order.length - 1; i > 0; i--) {
      const q = Math.floor(random() * (i + 1));
      [order[i], order[q]] = [order[q]!, order[i]!];
    }
    const encoding = blankEncoding(c, variant, order);
    c.tasks.forEach((t, i) => {
      if (t.modes.length > 1 && random() < 0.3) encoding.pin[i] = Math.floor(random() * t.modes.length);
    });
    const s = yield* improveSteps(
      g,
      { ...encoding, objective: g.make(encoding) },
      {
        ...o,
        iterations: Math.ceil((0.7 * o.iterations) / runs),
        seed: o.seed + 101 * k,
        heat: o.heat ?? (k % 2 ? 0.02 : 0.002),
        cycles: 2,
        ...(o.tell ? { tell: (share, b) => o.tell!((0.7 * (k + share)) / runs, b) } : {}),
      },
    );
    made += s.made;
    if (compare(s.objective, best.objective) < 0) best = s;
  }
  const last = yield* improveSteps(g, best, {
    ...o,
    iterations: Math.ceil(0.3 * o.iterations),
    ...(o.tell ? { tell: (share, b) => o.tell!(0.7 + 0.3 * share, b) } : {}),
  });
  return { ...last, made: made + last.made };
}

export type Quality = { kind: 'best' } | { kind: 'within'; share: number } | { kind: 'notProven' };

/** How good a plan is proven to be: its weighted tardiness against what no plan can undercut. */
export function qualityOf(g: Generator, objective: Objective): Quality {
  const bound = boundsOf(g.c).tardinessS;
  if (objective[0] - bound < 1e-6) return { kind: 'best' };
  const share = (objective[0] - bound) / objective[0];
  return share <= 0.1 ? { kind: 'within', share } : { kind: 'notProven' };
}
