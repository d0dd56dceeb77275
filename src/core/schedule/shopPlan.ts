import { boundsOf } from './bounds';
import { compile } from './compile';
import type { Compiled, PlanEncoding, Scored } from './compiled';
import { judgement } from '../source';
import { violations, type Violation } from './feasible';
import { compare, Generator } from './generate';
import { improveSteps, qualityOf, solveSteps, type ImproveOptions, type Quality } from './improve';
import { drained, type Steps } from './steps';
import { neverFits } from './neverFits';
import { withReheat } from './reheat';
import { blankEncoding, firstPlan } from './rules';
import type { Bench, Objective, PlanEntry } from './types';

export interface LateJob {
  job: string;
  endS: number;
  tardinessS: number;
}

/** A whole plan as it is shown, with what was proven about it and what the checker found. */
export interface ShopPlan {
  /** with the reheats that had to be put in */
  bench: Bench;
  plan: PlanEntry[];
  objective: Objective;
  quality: Quality;
  /** ends of the jobs */
  doneS: Record<string, number>;
  late: LateJob[];
  inserted: { job: string; task: string }[];
  /** windows that are missed and that nothing can mend */
  missed: { job: string; from: string; to: string }[];
  /** broken rules other than those windows: such a plan is not shown */
  breaches: Violation[];
  /** plans that were made for it */
  made: number;
}

export interface PlanOptions {
  /** plans that are made on top of the first, for each seed; 0: at once */
  iterations: number;
  seeds: readonly number[];
  /** the plan that stands: kept unless something better is found */
  previous?: readonly PlanEntry[];
  /** the plan that stands is in force: another one replaces it only when the gain is worth it */
  inForce?: boolean;
  /** what a search had found when the bench changed under it: this one begins there if that is better */
  found?: readonly PlanEntry[] | undefined;
  /** asked now and then with the share that is done and the best so far: false stops it */
  tell?: (share: number, best: () => PlanEntry[]) => boolean;
}

/** A plan in force is left for another one only for this much, weighted tardiness or span, s. */
export const worthChanging = {
  tardinessS: judgement(600, 'ten minutes of tardiness in all, weighted; less is not worth that people look anew'),
  makespanS: judgement(1800, 'half an hour sooner for the last job'),
};

/** Is the gain over a plan in force worth a change. */
export const worth = (better: Objective, standing: Objective): boolean =>
  standing[0] - better[0] >= worthChanging.tardinessS.value ||
  (better[0] <= standing[0] + 1e-6 && standing[1] - better[1] >= worthChanging.makespanS.value);

/** Reheats that are tried one after the other before a window is given up. */
const mostReheats = 20;

/** PlanEncoding that make a plan again: its blocks by their starts, its ways, its variants, nothing earlier than it was. */
export function encodingFrom(c: Compiled, plan: readonly PlanEntry[]): PlanEncoding {
  const at = new Map(plan.map((e) => [`${e.job}\u0000${e.task}`, e]));
  const variantOf = new Map(plan.map((e) => [e.job, e.variant]));
  const variant = c.jobs.map((j) => {
    if (j.settled >= 0) return j.settled;
    return Math.max(
      0,
      j.variants.findIndex((v) => v.id === variantOf.get(j.id)),
    );
  });
  const startOf = (b: number) => {
    const block = c.blocks[b]!;
    const starts = block.tasks.map(
      (t) => at.get(`${c.jobs[block.job]!.id}\u0000${c.tasks[t]!.id}`)?.startS ?? Infinity,
    );
    return Math.min(...starts);
  };
  const blocks = c.jobs.flatMap((j, i) => j.variants[variant[i]!]!.blocks);
  const start = new Map(blocks.map((b) => [b, startOf(b)]));
  const place = new Map(blocks.map((b, i) => [b, i]));
  const order = [...blocks].sort((x, y) => {
    const [a, b] = [start.get(x)!, start.get(y)!];
    return (a === b ? 0 : a - b) || place.get(x)! - place.get(y)!;
  });
  const encoding = blankEncoding(c, variant, order);
  c.tasks.forEach((t, i) => {
    const e = at.get(`${c.jobs[t.job]!.id}\u0000${t.id}`);
    if (!e || t.variant !== variant[t.job] || e.mode >= t.modes.length) return;
    encoding.pin[i] = e.mode;
    encoding.notBefore[i] = e.startS;
  });
  return encoding;
}

/** The best to begin with: the plan that stands, made again under what is so now, or one of the rules. */
function beginning(g: Generator, previous: readonly PlanEntry[] | undefined, inForce: boolean): Scored {
  const first = firstPlan(g);
  if (!previous?.length) return first;
  const encoding = encodingFrom(g.c, previous);
  const kept: Scored = { ...encoding, objective: g.make(encoding) };
  const again = (over: Partial<PlanEncoding>): Scored => {
    const own = { ...encoding, notBefore: new Float64Array(encoding.notBefore.length), ...over };
    return { ...own, objective: g.make(own) };
  };
  const pulled = again({});
  // in force: the same order, each task as soon as it can; another one only when it is worth it
  if (inForce && kept.objective[0] < 1e6) {
    const same = compare(pulled.objective, kept.objective) < 0 ? pulled : kept;
    return worth(first.objective, same.objective) ? first : same;
  }
  // the plan that stands is kept when another is as good: nobody likes a plan that jumps
  return [kept, pulled, again({ pin: new Int16Array(encoding.pin.length).fill(-1) }), first].reduce((a, b) =>
    compare(b.objective, a.objective) < 0 ? b : a,
  );
}

/**
 * A plan for the whole bench from now on. At once with no iterations; better with some, the best of several seeds. Windows that
 * were missed get their reheat, and the independent checker goes over what comes out.
 * @throws CoreInputError as `compile` does
 */
export const planShop = (bench: Bench, o: PlanOptions): ShopPlan => drained(planSteps(bench, o));

/** What a search found for a bench as it was, made again for it as it is, each task as it stood or as soon as it can. */
function foundAgain(g: Generator, found: readonly PlanEntry[], best: Scored): Scored {
  const kept = encodingFrom(g.c, found);
  for (const e of [kept, { ...kept, notBefore: new Float64Array(kept.notBefore.length) }]) {
    const again: Scored = { ...e, objective: g.make(e) };
    if (compare(again.objective, best.objective) < 0) best = again;
  }
  return best;
}

/** Entries of a plan while another one stands in the generator. */
function entriesOf(c: Compiled, s: Scored): PlanEntry[] {
  const own = new Generator(c);
  own.make(s);
  return own.entries(s);
}

/** The same as `planShop`, step by step. */
export function* planSteps(bench: Bench, o: PlanOptions): Steps<ShopPlan> {
  let now = bench;
  const inserted: ShopPlan['inserted'] = [];
  let made = 0;
  const rounds = Math.max(1, o.seeds.length);
  for (let round = 0; ; round++) {
    const g = new Generator(compile(now));
    let best = beginning(g, o.previous, o.inForce ?? false);
    const standing = best;
    if (o.found?.length) best = foundAgain(g, o.found, best);
    const target = boundsOf(g.c).tardinessS + 1e-6;
    let stopped = false;
    if (o.iterations > 0)
      for (const [k, seed] of o.seeds.entries()) {
        if (stopped || (best.objective[0] <= target && k > 0)) break;
        // each seed goes on from the best, and begins anew as well: one valley is not all there is
        for (const [half, search] of [
          improveSteps,
          (own: Generator, _: Scored, q: ImproveOptions) => solveSteps(own, q),
        ].entries()) {
          const found = yield* search(g, best, {
            iterations: o.iterations,
            seed,
            tell: (share, here) => {
              const ahead = compare(here.objective, best.objective) < 0 ? here : best;
              const done = (k + (half + share) / 2) / rounds;
              stopped = o.tell?.(done, () => entriesOf(g.c, ahead)) === false;
              return !stopped;
            },
          });
          made += found.made;
          if (compare(found.objective, best.objective) < 0) best = found;
          if (stopped) break;
        }
      }
    if (o.inForce && o.previous?.length && best !== standing && !worth(best.objective, standing.objective))
      best = standing;
    g.make(best);
    const missed = g.missed.map((m) => ({
      job: g.c.jobs[g.c.tasks[m.from]!.job]!.id,
      from: g.c.tasks[m.from]!.id,
      to: g.c.tasks[m.to]!.id,
    }));
    let next: Bench | null = null;
    if (round < mostReheats)
      for (const m of missed) {
        const changed = withReheat(next ?? now, m, round);
        if (changed) {
          next = changed.bench;
          inserted.push({ job: m.job, task: changed.task });
        }
      }
    if (next) {
      now = next;
      continue;
    }
    const plan = g.entries(best);
    const doneS: Record<string, number> = {};
    g.c.jobs.forEach((j, i) => (doneS[j.id] = g.doneS[i]!));
    const known = new Set(missed.map((m) => `${m.job}|${m.from} to ${m.to}`));
    return {
      bench: now,
      plan,
      objective: best.objective,
      quality: qualityOf(g, best.objective),
      doneS,
      late: g.c.jobs
        .flatMap((j, i) =>
          j.dueS !== null && g.doneS[i]! > j.dueS
            ? [{ job: j.id, endS: g.doneS[i]!, tardinessS: g.doneS[i]! - j.dueS }]
            : [],
        )
        .sort((a, b) => b.tardinessS - a.tardinessS),
      inserted,
      missed,
      breaches: g.feasible
        ? violations(now, plan).filter((v) => !(v.what === 'window' && known.has(`${v.job}|${v.where}`)))
        : neverFits(g),
      made: made + 1,
    };
  }
}

/** What it costs when another task goes first. */
export interface Instead {
  job: string;
  task: string;
  /** weighted tardiness more than the plan's, s; and the span */
  moreLateS: number;
  moreSpanS: number;
  /** jobs that end later than due with it and not with the plan */
  newlyLate: string[];
}

/** Plans that are made for each candidate, so that its cost is that of the order and not of a poor search; fewer in a large shop. */
const insteadIterations = (jobs: number): number => Math.max(20, Math.min(150, Math.round(4000 / Math.max(1, jobs))));

/**
 * What it truly costs: the other task booked as begun now, by the hands that the plan gives to the first, and all else
 * planned again.
 * @param first the task that the plan puts first
 * @param others tasks that could go now instead
 */
export function insteadOf(
  p: ShopPlan,
  first: { job: string; task: string },
  others: readonly { job: string; task: string }[],
  tries = insteadIterations(p.bench.jobs.length),
): Instead[] {
  const entry = (x: { job: string; task: string }) => p.plan.find((e) => e.job === x.job && e.task === x.task);
  const before = entry(first);
  if (!before) return [];
  const wasLate = new Set(p.late.map((l) => l.job));
  return others.flatMap((o): Instead[] => {
    const e = entry(o);
    if (!e) return [];
    const begun = beginNow(p.bench, e, handsOf(p.bench, before));
    if (!begun) return [];
    const other = planShop(begun, { iterations: tries, seeds: [1], previous: p.plan });
    return [
      {
        ...o,
        moreLateS: other.objective[0] - p.objective[0],
        moreSpanS: other.objective[1] - p.objective[1],
        newlyLate: other.late.filter((l) => !wasLate.has(l.job)).map((l) => l.job),
      },
    ];
  });
}

const modesOf = (bench: Bench, e: Pick<PlanEntry, 'job' | 'variant' | 'task'>) =>
  bench.jobs
    .find((j) => j.id === e.job)
    ?.variants.find((v) => v.id === e.variant)
    ?.tasks.find((t) => t.id === e.task)?.modes ?? [];

/** The person whose hands a planned task takes. */
function handsOf(bench: Bench, e: PlanEntry): string | null {
  const people = new Set(bench.resources.filter((r) => r.kind === 'technician').map((r) => r.id));
  return Object.keys(modesOf(bench, e)[e.mode]?.use ?? {}).find((r) => people.has(r)) ?? null;
}

/** The bench with a task begun now, by these hands if one of its ways is theirs; null when there is no way to do it. */
function beginNow(bench: Bench, e: PlanEntry, hands: string | null): Bench | null {
  const modes = modesOf(bench, e);
  const own = modes.findIndex((m) => hands !== null && m.use[hands]);
  const mode = own >= 0 ? own : e.mode;
  const m = modes[mode];
  if (!m) return null;
  const started = { job: e.job, task: e.task, mode, startS: bench.nowS, endS: bench.nowS + m.durS };
  return { ...bench, started: [...bench.started, started] };
}
