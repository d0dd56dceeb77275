import { endOf, fit } from './calendar';
import { Generator, neverS } from './generate';
import type { PlanEncoding } from './compiled';
import { randomOf } from '../numeric/random';
import { Profile } from './profile';

export interface Promise80 {
  job: string;
  /** quantiles of the end, s on the bench's axis */
  p50S: number;
  p80S: number;
  p95S: number;
  /** twenty ends of equal chance (the middles of twenty slices), rising */
  spreadS: number[];
  /** share of runs that end in time; null when nothing is due */
  inTime: number | null;
}

export interface Simulated {
  jobs: Promise80[];
  /** share of windows that were missed and cost a reheat */
  missed: number;
}

/** How long a task takes this time, s. */
export type Draw = (job: string, task: string, mode: number, plannedS: number, random: () => number) => number;

/** Quantile of a sorted list, type 7 (linear between order statistics). */
export function quantile(sorted: ArrayLike<number>, q: number): number {
  const h = (sorted.length - 1) * q;
  const i = Math.floor(h);
  return sorted[i]! + (h - i) * ((sorted[i + 1] ?? sorted[i]!) - sorted[i]!);
}

/**
 * Runs a plan many times with durations that scatter, without looking ahead: ways and order at each resource stay, a task
 * starts when what it needs is there, and the head of a window not before its planned start. A missed window costs its reheat.
 * What stays with a device (clips, a place) is taken from the start of one task to the end of another, whenever that is.
 */
export function simulate(g: Generator, encoding: PlanEncoding, draw: Draw, runs = 2000, seed = 7): Simulated {
  const { c } = g;
  g.make(encoding);
  const random = randomOf(seed);
  const acting = c.jobs.flatMap((j, i) => j.variants[encoding.variant[i]!]!.tasks);
  const planned = Float64Array.from(g.startS);
  const mode = Int16Array.from(g.mode);
  const order = [...acting].sort((a, b) => planned[a]! - planned[b]! || g.endS[a]! - g.endS[b]! || a - b);
  const windowed = (t: number) => c.tasks[t]!.preds.some((l) => l.maxS < Infinity);
  const head = new Set(acting.filter((t) => !windowed(t) && c.tasks[t]!.succs.some((l) => l.maxS < Infinity)));
  const holds = c.jobs.flatMap((j, i) => j.variants[encoding.variant[i]!]!.blocks.flatMap((b) => c.blocks[b]!.holds));
  const takes = new Map<number, typeof holds>();
  const gives = new Map<number, typeof holds>();
  for (const h of holds) {
    takes.set(h.from, [...(takes.get(h.from) ?? []), h]);
    gives.set(h.to, [...(gives.get(h.to) ?? []), h]);
  }
  const ends = c.jobs.map(() => new Float64Array(runs));
  const [start, end] = [new Float64Array(c.tasks.length), new Float64Array(c.tasks.length)];
  let [windows, missed] = [0, 0];
  const reheatS = (t: number, from: number): number => {
    const task = c.tasks[t]!;
    const links = c.bench.jobs[task.job]!.variants[task.variant]!.links;
    const link = links.find((l) => l.from === c.tasks[from]!.id && l.to === task.id);
    return link?.reheat?.[0]?.durS ?? 0;
  };
  for (let n = 0; n < runs; n++) {
    const free = c.taken.map((p) => {
      const own = new Profile(p.capacity);
      own.copy(p);
      return own;
    });
    const after = c.bench.resources.map(() => -Infinity);
    /** Takes from its start on without end; gives it back at the end of the other task, when that is known. */
    const hold = (t: number) => {
      for (const h of takes.get(t) ?? []) free[h.res]!.add(start[t]!, neverS, h.need);
      for (const h of gives.get(t) ?? []) free[h.res]!.add(end[t]!, neverS, -h.need);
    };
    for (const t of order) {
      const task = c.tasks[t]!;
      if (task.started) {
        start[t] = task.started.startS;
        end[t] = task.started.endS;
        hold(t);
        continue;
      }
      const m = task.modes[mode[t]!]!;
      const job = c.jobs[task.job]!;
      let from = Math.max(job.releaseS, task.releaseS, c.bench.nowS, head.has(t) ? planned[t]! : 0);
      for (const l of task.preds) from = Math.max(from, end[l.from]! + l.minS);
      for (const r of m.res) if (c.bench.resources[r]!.capacity === 1) from = Math.max(from, after[r]!);
      let durS = draw(job.id, task.id, mode[t]!, m.durS, random);
      let s = from;
      const place = () => {
        for (;;) {
          s = fit(m.calendar, s, durS, task.breakable);
          if (s === Infinity) return;
          let busy = -1;
          for (let q = 0; q < m.res.length; q++)
            busy = Math.max(busy, free[m.res[q]!]!.lastBusy(s, endOf(m.calendar, s, durS, task.breakable), m.need[q]!));
          for (const h of takes.get(t) ?? []) {
            const until = free[h.res]!.lastBusy(s, neverS, h.need);
            if (until < neverS) busy = Math.max(busy, until);
          }
          if (busy < 0) return;
          s = busy;
        }
      };
      place();
      for (const l of task.preds) {
        if (l.maxS === Infinity) continue;
        windows++;
        if (s <= end[l.from]! + l.maxS) continue;
        missed++;
        durS += reheatS(t, l.from);
        place();
      }
      start[t] = s;
      end[t] = endOf(m.calendar, s, durS, task.breakable);
      m.res.forEach((r, q) => {
        free[r]!.add(s, end[t]!, m.need[q]!);
        if (c.bench.resources[r]!.capacity === 1) after[r] = Math.max(after[r]!, s);
      });
      hold(t);
    }
    c.jobs.forEach((j, i) => {
      ends[i]![n] = Math.max(...j.variants[encoding.variant[i]!]!.tasks.map((t) => end[t]!));
    });
  }
  return {
    missed: windows ? missed / windows : 0,
    jobs: c.jobs.map((j, i) => {
      const sorted = ends[i]!.sort();
      return {
        job: j.id,
        p50S: quantile(sorted, 0.5),
        p80S: quantile(sorted, 0.8),
        p95S: quantile(sorted, 0.95),
        spreadS: Array.from({ length: 20 }, (_, k) => quantile(sorted, (k + 0.5) / 20)),
        inTime: j.dueS === null ? null : sorted.filter((e) => e <= j.dueS!).length / runs,
      };
    }),
  };
}
