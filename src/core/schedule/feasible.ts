import type { Bench, Mode, PlanEntry } from './types';

export interface Violation {
  what: 'variant' | 'tasks' | 'started' | 'release' | 'calendar' | 'window' | 'capacity';
  job: string | null;
  where: string;
}

/**
 * Does a plan hold: every rule of the bench, checked afresh from the data and sharing no code with what made the plan. A plan
 * that breaks one is not shown.
 */
export function violations(bench: Bench, plan: readonly PlanEntry[]): Violation[] {
  const out: Violation[] = [];
  const load = new Map<string, { at: number; by: number; fact: boolean }[]>();
  const take = (id: string, from: number, to: number, n: number, fact: boolean) => {
    if (to <= from) return;
    load.set(id, [...(load.get(id) ?? []), { at: from, by: n, fact }, { at: to, by: -n, fact }]);
  };
  for (const job of bench.jobs) {
    const mine = new Map(plan.filter((e) => e.job === job.id).map((e) => [e.task, e]));
    const names = new Set([...mine.values()].map((e) => e.variant));
    const variant = names.size === 1 ? job.variants.find((v) => names.has(v.id)) : undefined;
    if (!variant) {
      out.push({ what: 'variant', job: job.id, where: [...names].join() });
      continue;
    }
    if (variant.tasks.length !== mine.size || variant.tasks.some((t) => !mine.has(t.id))) {
      out.push({ what: 'tasks', job: job.id, where: variant.id });
      continue;
    }
    for (const task of variant.tasks) {
      const e = mine.get(task.id)!;
      const mode = task.modes[e.mode]!;
      const started = bench.started.find((s) => s.job === job.id && s.task === task.id);
      if (started) {
        if (started.startS !== e.startS || started.endS !== e.endS || started.mode !== e.mode)
          out.push({ what: 'started', job: job.id, where: task.id });
      } else {
        if (e.startS < Math.max(job.releaseS, task.releaseS ?? 0, bench.nowS))
          out.push({ what: 'release', job: job.id, where: task.id });
        if (!lies(bench, mode, e.startS, e.endS, task.breakable ?? false))
          out.push({ what: 'calendar', job: job.id, where: task.id });
      }
      for (const [id, n] of Object.entries(mode.use)) take(id, e.startS, e.endS, n, started !== undefined);
    }
    for (const l of variant.links) {
      const gap = mine.get(l.to)!.startS - mine.get(l.from)!.endS;
      if (gap < l.minS || gap > (l.maxS ?? Infinity))
        out.push({ what: 'window', job: job.id, where: `${l.from} to ${l.to}` });
    }
    for (const h of variant.holds) {
      const begun = bench.started.some((s) => s.job === job.id && s.task === h.from);
      take(h.resource, mine.get(h.from)!.startS, mine.get(h.to)!.endS, h.n, begun);
    }
  }
  for (const r of bench.resources) {
    // what is given back counts before what is taken at the same instant
    const events = (load.get(r.id) ?? []).sort((a, b) => a.at - b.at || a.by - b.by);
    let level = 0;
    let planned = 0;
    for (const e of events) {
      level += e.by;
      if (!e.fact) planned += e.by;
      // two devices on one plate are a fact and no fault of the plan
      if (level > r.capacity && planned > 0) {
        out.push({ what: 'capacity', job: null, where: `${r.id} at ${e.at}` });
        break;
      }
    }
  }
  return out;
}

/** Is the span open for this way of doing it: whole inside one window, or with exactly its work inside the windows. */
function lies(bench: Bench, mode: Mode, from: number, to: number, breakable: boolean): boolean {
  const names = [
    ...(mode.calendar ? [mode.calendar] : []),
    ...Object.keys(mode.use).flatMap((id) => bench.resources.find((r) => r.id === id)?.calendar ?? []),
  ];
  const lists = names.map((n) => bench.calendars[n] ?? []);
  const open = (t: number) => lists.every((c) => c.some(([a, b]) => t >= a && t < b));
  const marks = [...new Set([from, to, ...lists.flat(2).filter((t) => t > from && t < to)])].sort((a, b) => a - b);
  let work = 0;
  let whole = true;
  for (let i = 0; i + 1 < marks.length; i++) {
    if (open(marks[i]!)) work += marks[i + 1]! - marks[i]!;
    else whole = false;
  }
  if (mode.durS === 0) return from === to;
  // a broken task begins and ends while it is open
  return (
    work === mode.durS && (breakable ? open(from) && open(marks[marks.length - 2]!) : whole && to - from === mode.durS)
  );
}
