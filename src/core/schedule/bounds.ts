import { CoreInputError } from '../errors';
import { endOf, fit } from './calendar';
import type { Compiled } from './compiled';
import type { Windows } from './types';

/** Least that any plan can reach. */
export interface Bounds {
  tardinessS: number;
  makespanS: number;
  /** earliest end of each job, alone on the bench */
  doneS: number[];
}

/** Earliest instant by which calendars together have supplied so much work after `from`. */
export function poolTime(calendars: readonly Windows[], from: number, workS: number): number {
  if (workS <= 0) return from;
  // somebody who is always there: all taken for always there, which is still a bound
  if (calendars.some((c) => !c)) return from + workS / calendars.length;
  const change = new Map<number, number>();
  const put = (t: number, d: number) => change.set(t, (change.get(t) ?? 0) + d);
  for (const c of calendars)
    for (const [a, b] of c!)
      if (b > from) {
        put(Math.max(a, from), 1);
        put(b, -1);
      }
  const marks = [...change.keys()].sort((a, b) => a - b);
  let rate = 0;
  let left = workS;
  for (let k = 0; k + 1 < marks.length; k++) {
    rate += change.get(marks[k]!)!;
    const room = rate * (marks[k + 1]! - marks[k]!);
    if (room >= left) return marks[k]! + left / rate;
    left -= room;
  }
  return Infinity;
}

/**
 * Cheapest assignment of rows to columns (Hungarian method, published: Kuhn 1955; after Jonker & Volgenant 1987).
 * @throws CoreInputError for cost
 */
export function assignment(cost: readonly (readonly number[])[]): number {
  const n = cost.length;
  // an endless cost would be searched for without end
  if (!cost.every((row) => row.every(Number.isFinite))) throw new CoreInputError('cost', 'endless', 'finite costs');
  const [u, v] = [new Float64Array(n + 1), new Float64Array(n + 1)];
  const [match, way] = [new Int32Array(n + 1), new Int32Array(n + 1)];
  for (let i = 1; i <= n; i++) {
    match[0] = i;
    let j0 = 0;
    const least = new Float64Array(n + 1).fill(Infinity);
    const used = new Uint8Array(n + 1);
    do {
      used[j0] = 1;
      const row = match[j0]!;
      let delta = Infinity;
      let next = 0;
      for (let j = 1; j <= n; j++) {
        if (used[j]) continue;
        const reduced = cost[row - 1]![j - 1]! - u[row]! - v[j]!;
        if (reduced < least[j]!) {
          least[j] = reduced;
          way[j] = j0;
        }
        // of columns that cost alike a free one ends the search: lateness of nothing is alike for many
        if (least[j]! < delta || (least[j] === delta && match[next] !== 0 && match[j] === 0)) {
          delta = least[j]!;
          next = j;
        }
      }
      for (let j = 0; j <= n; j++)
        if (used[j]) {
          u[match[j]!]! += delta;
          v[j]! -= delta;
        } else least[j]! -= delta;
      j0 = next;
    } while (match[j0]);
    do {
      const j1 = way[j0]!;
      match[j0] = match[j1]!;
      j0 = j1;
    } while (j0);
  }
  let sum = 0;
  for (let j = 1; j <= n; j++) if (match[j]) sum += cost[match[j]! - 1]![j - 1]!;
  return sum;
}

/** One machine with heads and tails, interrupted at will: the best end (published: Jackson 1955, Carlier 1982). */
export function preemptiveEnd(ops: readonly { head: number; work: number; tail: number }[]): number {
  const left = ops.map((o) => o.work);
  let t = 0;
  let best = 0;
  let open = left.filter((w) => w > 0).length;
  while (open) {
    let k = -1;
    let next = Infinity;
    ops.forEach((o, i) => {
      if (left[i]! <= 0) return;
      if (o.head > t) next = Math.min(next, o.head);
      else if (k < 0 || o.tail > ops[k]!.tail) k = i;
    });
    if (k < 0) {
      t = next;
      continue;
    }
    const d = Math.min(left[k]!, next - t);
    t += d;
    left[k]! -= d;
    if (left[k]! <= 1e-9) {
      left[k] = 0;
      open--;
      best = Math.max(best, t + ops[k]!.tail);
    }
  }
  return best;
}

const known = new WeakMap<Compiled, Bounds>();

/** Bounds from each job alone, from the people together, and from the resources of one; worked out once for a bench. */
export function boundsOf(c: Compiled): Bounds {
  const had = known.get(c);
  if (had) return had;
  const bounds = workOut(c);
  known.set(c, bounds);
  return bounds;
}

function workOut(c: Compiled): Bounds {
  const now = c.bench.nowS;
  const earliestEnd = new Map<number, number>();
  const earliestStart = new Map<number, number>();
  const doneS: number[] = [];
  const workS: number[] = [];
  for (const job of c.jobs) {
    let done = Infinity;
    let work = Infinity;
    job.variants.forEach((v, vi) => {
      if (job.settled >= 0 && vi !== job.settled) return;
      let end = 0;
      let own = 0;
      for (const t of v.tasks) {
        const task = c.tasks[t]!;
        const people = (m: (typeof task.modes)[number]) => m.res.some((r) => c.technicians.includes(r));
        let e = Infinity;
        if (task.started) {
          e = task.started.endS;
          if (people(task.modes[task.started.mode]!)) own += Math.max(0, e - now);
        } else {
          let from = Math.max(job.releaseS, task.releaseS, now);
          for (const l of task.preds) from = Math.max(from, earliestEnd.get(l.from)! + l.minS);
          let s = Infinity;
          for (const m of task.modes) {
            const at = fit(m.calendar, from, m.durS, task.breakable);
            s = Math.min(s, at);
            e = Math.min(e, endOf(m.calendar, at, m.durS, task.breakable));
          }
          earliestStart.set(t, s);
          own += Math.min(...task.modes.map((m) => (people(m) ? m.durS : 0)));
        }
        earliestEnd.set(t, e);
        end = Math.max(end, e);
      }
      done = Math.min(done, end);
      work = Math.min(work, own);
    });
    doneS.push(done);
    workS.push(work);
  }
  const late = (j: number, at: number) => {
    const { dueS, weight } = c.jobs[j]!;
    return dueS === null ? 0 : weight * Math.max(0, at - dueS);
  };
  const finished = (j: number) => {
    const job = c.jobs[j]!;
    return (
      job.settled >= 0 && job.variants[job.settled]!.tasks.every((t) => (c.tasks[t]!.started?.endS ?? Infinity) <= now)
    );
  };
  const all = c.jobs.map((_, j) => j);
  const open = all.filter((j) => !finished(j));
  const people = c.technicians.map((r) => c.calendars[r]!);
  const from = Math.max(now, Math.min(...c.jobs.map((j) => j.releaseS)));
  let sum = 0;
  const at = open
    .map((j) => workS[j]!)
    .sort((a, b) => a - b)
    .map((w) => (people.length ? poolTime(people, from, (sum += w)) : 0));
  // work that the calendars never give room for: nothing is known but that tardiness is not below nothing
  if (![...doneS, ...at].every(Number.isFinite)) return { tardinessS: 0, makespanS: 0, doneS };
  // lateness never falls with time: who is late nowhere takes the last places, and the others share the first ones
  const last = at.at(-1) ?? 0;
  const pressed = open.filter((j) => late(j, Math.max(last, doneS[j]!)) > 0);
  const places = at.slice(0, pressed.length);
  const tardinessS =
    (pressed.length ? assignment(pressed.map((j) => places.map((t) => late(j, Math.max(t, doneS[j]!))))) : 0) +
    all.filter(finished).reduce((s, j) => s + late(j, doneS[j]!), 0);
  let end = Math.max(...doneS, ...at);
  c.bench.resources.forEach((r, i) => {
    if (r.capacity !== 1) return;
    const ops = c.jobs.flatMap((job) =>
      job.variants.length > 1
        ? []
        : job.variants[0]!.tasks.flatMap((t) => {
            const task = c.tasks[t]!;
            return !task.started && task.modes.every((m) => m.res.includes(i))
              ? [{ head: earliestStart.get(t)!, work: task.minDurS, tail: task.tailS }]
              : [];
          }),
    );
    if (!ops.length) return;
    const head = Math.min(...ops.map((o) => o.head));
    const tail = Math.min(...ops.map((o) => o.tail));
    const work = ops.reduce((s, o) => s + o.work, 0);
    end = Math.max(end, poolTime([c.calendars[i]!], head, work) + tail);
    if (!c.calendars[i]) end = Math.max(end, preemptiveEnd(ops));
  });
  return { tardinessS, makespanS: end - c.bench.originS, doneS };
}
