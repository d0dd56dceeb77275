import { endOf, fit, fitBack, openTime } from './calendar';
import type { CBlock, Compiled, PlanEncoding } from './compiled';
import { Profile } from './profile';
import type { Objective, PlanEntry } from './types';

/** A window that was missed costs this much in the objective, and a plan that cannot be more than anything: never shown. */
const missedS = 1e7;
const impossibleS = 1e15;
/** Start of a task that found no room. */
export const neverS = 1e12;

/**
 * Makes plans from an encoding: serial schedule generation scheme (published: Kolisch 1996) with windows repaired by moving right (published: Franck,
 * Neumann & Schwindt 2001). The last plan stands in its arrays until the next one is made.
 */
export class Generator {
  readonly startS: Float64Array;
  readonly endS: Float64Array;
  readonly mode: Int16Array;
  readonly doneS: Float64Array;
  feasible = true;
  missed: { from: number; to: number }[] = [];
  private readonly earliest: Float64Array;
  private readonly placed: Uint8Array;
  private readonly free: Profile[];

  constructor(readonly c: Compiled) {
    const n = c.tasks.length;
    this.startS = new Float64Array(n);
    this.endS = new Float64Array(n);
    this.mode = new Int16Array(n);
    this.earliest = new Float64Array(n);
    this.placed = new Uint8Array(c.blocks.length);
    this.doneS = new Float64Array(c.jobs.length);
    this.free = c.bench.resources.map((r) => new Profile(r.capacity));
  }

  make(encoding: PlanEncoding): Objective {
    const { c } = this;
    this.free.forEach((p, i) => p.copy(c.taken[i]!));
    this.placed.fill(0);
    this.feasible = true;
    this.missed = [];
    // what has started holds its resources: its blocks first; before them those whose clamps are on already, and before all
    // those whose window is open, for everything else can wait a little
    for (const b of encoding.order) if (this.windowOpen(b)) this.place(b, encoding);
    for (const b of encoding.order)
      if (c.blocks[b]!.holds.some((h) => c.tasks[h.from]!.started)) this.place(b, encoding);
    for (const b of encoding.order) if (c.blocks[b]!.tasks.some((t) => c.tasks[t]!.started)) this.place(b, encoding);
    for (const b of encoding.order) this.place(b, encoding);
    return this.score(encoding);
  }

  private windowOpen(b: number): boolean {
    const { tasks } = this.c;
    return this.c.blocks[b]!.tasks.some(
      (t) => !tasks[t]!.started && tasks[t]!.preds.some((l) => l.maxS < Infinity && tasks[l.from]!.started),
    );
  }

  private book(t: number, sign: 1 | -1): void {
    const m = this.c.tasks[t]!.modes[this.mode[t]!]!;
    for (let q = 0; q < m.res.length; q++) this.free[m.res[q]!]!.add(this.startS[t]!, this.endS[t]!, sign * m.need[q]!);
  }

  private place(index: number, encoding: PlanEncoding): void {
    if (this.placed[index]) return;
    this.placed[index] = 1;
    const b = this.c.blocks[index]!;
    for (const p of b.preds) this.place(p, encoding);
    const job = this.c.jobs[b.job]!;
    for (const t of b.tasks)
      this.earliest[t] = Math.max(job.releaseS, this.c.tasks[t]!.releaseS, this.c.bench.nowS, encoding.notBefore[t]!);
    for (let round = 0; ; round++) {
      if (round > 5000) {
        this.feasible = false;
        break;
      }
      const booked: number[] = [];
      const again = this.tryBlock(b, encoding, booked);
      if (again === 'no') return;
      if (again === 'done') break;
      this.missed = this.missed.filter((m) => this.c.tasks[m.to]!.block !== index);
      for (const t of booked) this.book(t, -1);
    }
    for (const h of b.holds) this.free[h.res]!.add(this.startS[h.from]!, this.endS[h.to]!, h.need);
  }

  private tryBlock(b: CBlock, encoding: PlanEncoding, booked: number[]): 'done' | 'again' | 'no' {
    const { tasks } = this.c;
    for (const t of b.tasks) {
      const task = tasks[t]!;
      if (task.started) {
        this.startS[t] = task.started.startS;
        this.endS[t] = task.started.endS;
        this.mode[t] = task.started.mode;
      } else if (!this.fitTask(t, encoding)) {
        this.feasible = false;
        for (const q of b.tasks)
          if (!tasks[q]!.started && !booked.includes(q)) {
            this.startS[q] = this.endS[q] = neverS;
            this.mode[q] = 0;
          }
        return 'no';
      } else {
        this.book(t, 1);
        booked.push(t);
      }
      let moved = false;
      for (const l of task.preds) {
        if (this.startS[t]! <= this.endS[l.from]! + l.maxS) continue;
        const before = tasks[l.from]!;
        if (before.started) {
          this.missed.push({ from: l.from, to: t });
          continue;
        }
        const m = before.modes[this.mode[l.from]!]!;
        const need = before.breakable
          ? fitBack(m.calendar, this.startS[t]! - l.maxS, m.durS)
          : this.startS[t]! - l.maxS - m.durS;
        // at least one second on: another mode may be shorter, and it must not turn round for ever
        this.earliest[l.from] = Math.max(
          this.earliest[l.from]!,
          need,
          this.startS[l.from]! + 1e-9 < need ? need : this.startS[l.from]! + 1,
        );
        moved = true;
      }
      if (moved) return 'again';
    }
    for (const h of b.holds) {
      const busy = this.free[h.res]!.firstBusy(this.startS[h.from]!, this.endS[h.to]!, h.need);
      if (busy < 0 || tasks[h.from]!.started) continue;
      if (busy === Infinity) {
        this.feasible = false;
        return 'done';
      }
      this.earliest[h.from] = Math.max(this.earliest[h.from]!, busy);
      return 'again';
    }
    return 'done';
  }

  /** Earliest end over its modes, or over the one that is pinned. */
  private fitTask(t: number, encoding: PlanEncoding): boolean {
    const task = this.c.tasks[t]!;
    let from = this.earliest[t]!;
    for (let q = 0; q < task.preds.length; q++) {
      const l = task.preds[q]!;
      from = Math.max(from, this.endS[l.from]! + l.minS);
    }
    const pin = encoding.pin[t]!;
    let best = Infinity;
    for (let m = pin >= 0 ? pin : 0; m < (pin >= 0 ? pin + 1 : task.modes.length); m++) {
      const { calendar, durS, res, need } = task.modes[m]!;
      let s = from;
      let e = Infinity;
      for (;;) {
        s = fit(calendar, s, durS, task.breakable);
        e = endOf(calendar, s, durS, task.breakable);
        if (s === Infinity || e >= best) break;
        let next = s;
        if (task.breakable) {
          next = -1;
          for (let q = 0; q < res.length; q++) next = Math.max(next, this.free[res[q]!]!.lastBusy(s, e, need[q]!));
          if (next < 0) break;
        } else {
          for (let q = 0; q < res.length; q++) next = Math.max(next, this.free[res[q]!]!.gap(next, durS, need[q]!));
          if (next === s) break;
        }
        s = next;
        if (s === Infinity) break;
      }
      if (s < Infinity && e < best) {
        best = e;
        this.startS[t] = s;
        this.endS[t] = e;
        this.mode[t] = m;
      }
    }
    return best < Infinity;
  }

  private score(encoding: PlanEncoding): Objective {
    const { c } = this;
    let late = 0;
    let end = 0;
    const people = new Map<number, { from: number; to: number; work: number }>();
    for (const [j, job] of c.jobs.entries()) {
      let done = 0;
      for (const t of job.variants[encoding.variant[j]!]!.tasks) {
        done = Math.max(done, this.endS[t]!);
        const m = c.tasks[t]!.modes[this.mode[t]!]!;
        for (const r of m.res) {
          if (c.bench.resources[r]!.kind !== 'technician') continue;
          const p = people.get(r) ?? { from: Infinity, to: -Infinity, work: 0 };
          p.from = Math.min(p.from, this.startS[t]!);
          p.to = Math.max(p.to, this.endS[t]!);
          p.work += m.durS;
          people.set(r, p);
        }
      }
      this.doneS[j] = done;
      end = Math.max(end, done);
      if (job.dueS !== null) late += job.weight * Math.max(0, done - job.dueS);
    }
    let idle = 0;
    for (const [r, p] of people) idle += Math.max(0, openTime(c.calendars[r]!, p.from, p.to) - p.work);
    late += missedS * this.missed.length + (this.feasible ? 0 : impossibleS);
    return [late, end - c.bench.originS, idle];
  }

  entries(encoding: PlanEncoding): PlanEntry[] {
    return this.c.jobs
      .flatMap((job, j) => {
        const v = job.variants[encoding.variant[j]!]!;
        return v.tasks.map((t) => ({
          job: job.id,
          variant: v.id,
          task: this.c.tasks[t]!.id,
          mode: this.mode[t]!,
          startS: this.startS[t]!,
          endS: this.endS[t]!,
        }));
      })
      .sort((a, b) => a.startS - b.startS || a.endS - b.endS);
  }
}

/** Lexicographic: below 0 when a is better. */
export function compare(a: Objective, b: Objective): number {
  for (let k = 0; k < 3; k++) if (Math.abs(a[k]! - b[k]!) > 1e-6) return a[k]! - b[k]!;
  return 0;
}
