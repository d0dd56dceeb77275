import { compile } from './compile';
import { Generator } from './generate';
import { solve, type ImproveOptions } from './improve';
import type { Bench, PlanEntry } from './types';

export interface Replanned {
  /** the bench with the reheats that had to be put in */
  bench: Bench;
  plan: PlanEntry[];
  /** reheats by job and task */
  inserted: { job: string; task: string }[];
  /** windows that are missed and that nothing can mend */
  missed: { job: string; from: string; to: string }[];
}

/** Reheats that are tried one after the other before a window is given up. */
const most = 20;

/**
 * A plan from here on: what has started stays, nothing new comes before now. A window that closed while nobody was there is
 * opened again by a reheat where its link has one.
 */
export function replan(bench: Bench, o: ImproveOptions): Replanned {
  let now = bench;
  const inserted: Replanned['inserted'] = [];
  for (let round = 0; ; round++) {
    const g = new Generator(compile(now));
    const s = solve(g, o);
    g.make(s);
    const missed = g.missed.map((m) => ({
      job: g.c.jobs[g.c.tasks[m.from]!.job]!.id,
      from: g.c.tasks[m.from]!.id,
      to: g.c.tasks[m.to]!.id,
    }));
    const next = round < most ? missed.reduce<Bench | null>((b, m) => withReheat(b ?? now, m, round) ?? b, null) : null;
    if (!next) return { bench: now, plan: g.entries(s), inserted, missed };
    for (const m of missed) inserted.push({ job: m.job, task: reheatId(m.from, round) });
    now = next;
  }
}

const reheatId = (from: string, round: number) => `${from}.reheat${round + 1}`;

/** The bench with a reheat between two tasks; null when their link has none. */
function withReheat(bench: Bench, m: { job: string; from: string; to: string }, round: number): Bench | null {
  const job = bench.jobs.find((j) => j.id === m.job)!;
  const variant = job.variants.find((v) => v.links.some((l) => l.from === m.from && l.to === m.to && l.reheat));
  const link = variant?.links.find((l) => l.from === m.from && l.to === m.to);
  if (!variant || !link?.reheat) return null;
  const id = reheatId(m.from, round);
  const changed = {
    ...variant,
    tasks: [...variant.tasks, { id, modes: link.reheat }],
    links: [
      ...variant.links.filter((l) => l !== link),
      { from: m.from, to: id, minS: 0 },
      // the window begins again with the end of the reheat
      { ...link, from: id },
    ],
  };
  return {
    ...bench,
    jobs: bench.jobs.map((j) =>
      j === job ? { ...j, variants: j.variants.map((v) => (v === variant ? changed : v)) } : j,
    ),
  };
}
