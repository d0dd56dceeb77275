import { needsOf } from './benchParts';
import type { ShopPlan } from './shopPlan';
import type { Bench, PlanEntry } from './types';

export interface NextHands {
  person: string;
  entry: PlanEntry;
  /** the window in which it must begin closes then; null: none runs */
  untilS: number | null;
  /** it could begin now */
  ready: boolean;
  /** what runs by itself straight after it, s: the sooner it begins the better */
  clockS: number;
  /** how long its job may still slip, s; null: nothing is promised */
  slackS: number | null;
}

/** What each person does next by the plan, the earliest first. */
export function nextHands(p: ShopPlan): NextHands[] {
  const { bench } = p;
  const started = new Set(bench.started.map((x) => `${x.job}|${x.task}`));
  const people = new Set(bench.resources.filter((r) => r.kind === 'technician').map((r) => r.id));
  const at = new Map(p.plan.map((e) => [`${e.job}|${e.task}`, e]));
  const out = new Map<string, NextHands>();
  for (const e of p.plan) {
    if (started.has(`${e.job}|${e.task}`)) continue;
    const use = needsOf(bench, e);
    const person = Object.keys(use).find((r) => people.has(r));
    if (!person || out.has(person)) continue;
    const job = bench.jobs.find((j) => j.id === e.job)!;
    const v = job.variants.find((x) => x.id === e.variant)!;
    let untilS: number | null = null;
    let ready = job.releaseS <= bench.nowS && (v.tasks.find((t) => t.id === e.task)?.releaseS ?? 0) <= bench.nowS;
    for (const l of v.links) {
      if (l.to !== e.task) continue;
      const from = at.get(`${e.job}|${l.from}`);
      if (!from) continue;
      if (from.endS + l.minS > bench.nowS) ready = false;
      if (l.maxS !== undefined && from.endS <= bench.nowS) untilS = Math.min(untilS ?? Infinity, from.endS + l.maxS);
    }
    out.set(person, {
      person,
      entry: e,
      untilS,
      ready,
      clockS: clockAfter(bench, v.links, e, at, people),
      slackS: job.dueS === null ? null : job.dueS - p.doneS[e.job]!,
    });
  }
  return [...out.values()].sort((a, b) => a.entry.startS - b.entry.startS);
}

/** Clocks that run by themselves between this task and the next that takes hands. */
function clockAfter(
  bench: Bench,
  links: readonly { from: string; to: string; minS: number }[],
  e: PlanEntry,
  at: ReadonlyMap<string, PlanEntry>,
  people: ReadonlySet<string>,
): number {
  let clock = 0;
  let task = e.task;
  for (let k = 0; k < 10; k++) {
    const next = links.find((l) => l.from === task);
    const entry = next && at.get(`${e.job}|${next.to}`);
    if (!next || !entry || Object.keys(needsOf(bench, entry)).some((r) => people.has(r))) break;
    clock += entry.endS - entry.startS;
    task = next.to;
  }
  return clock;
}

/** Tasks that could go now in place of the first, at most so many. */
export function othersNow(p: ShopPlan, first: PlanEntry, most = 4): { job: string; task: string }[] {
  const { bench } = p;
  const started = new Set(bench.started.map((x) => `${x.job}|${x.task}`));
  const people = new Set(bench.resources.filter((r) => r.kind === 'technician').map((r) => r.id));
  const out: { job: string; task: string }[] = [];
  const seen = new Set<string>([first.job]);
  for (const e of p.plan) {
    if (out.length >= most) break;
    if (seen.has(e.job) || started.has(`${e.job}|${e.task}`)) continue;
    seen.add(e.job);
    const use = needsOf(bench, e);
    const job = bench.jobs.find((j) => j.id === e.job)!;
    const v = job.variants.find((x) => x.id === e.variant)!;
    const task = v.tasks.find((t) => t.id === e.task)!;
    const waits = v.links.some((l) => {
      const from = l.to === e.task ? p.plan.find((x) => x.job === e.job && x.task === l.from) : undefined;
      return from !== undefined && from.endS + l.minS > bench.nowS;
    });
    if (!waits && (task.releaseS ?? 0) <= bench.nowS && Object.keys(use).some((r) => people.has(r)))
      out.push({ job: e.job, task: e.task });
  }
  return out;
}
