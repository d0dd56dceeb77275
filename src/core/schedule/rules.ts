import type { CBlock, CJob, Compiled, PlanEncoding, Scored } from './compiled';
import { compare, Generator } from './generate';

const never = 1e12;

type Key = (b: CBlock, job: CJob, variant: number) => number;

/** Priority rules of the trade of scheduling; ATC after Vepsalainen & Morton 1987 (published), k = 2. */
function rulesOf(c: Compiled): Record<string, Key> {
  const first = (b: CBlock) => c.tasks[b.tasks[0]!]!;
  const rest = (b: CBlock) => first(b).tailS + first(b).minDurS;
  const due = (j: CJob) => j.dueS ?? never;
  const work = c.jobs.map((j) => Math.max(...j.variants.map((v) => v.workS)));
  const mean = work.reduce((a, b) => a + b, 0) / Math.max(1, work.length) || 1;
  const now = c.bench.nowS;
  return {
    dueDate: (_, j) => due(j),
    arrival: (_, j) => j.releaseS,
    weightedShortest: (_, j, v) => j.variants[v]!.workS / (j.weight || 1e-9),
    slack: (b, j) => due(j) - rest(b),
    weightedDue: (_, j) => (due(j) - now) / (j.weight || 1e-9),
    mostWorkLeft: (b) => -rest(b),
    tardinessCost: (_, j, v) => {
      const w = j.variants[v]!.workS;
      return -(j.weight / w) * Math.exp(-Math.max(0, due(j) - now - w) / (2 * mean));
    },
    shortest: (b) => first(b).minDurS,
  };
}

/** A way to make a plan with nothing pinned and nothing put off. */
export const blankEncoding = (c: Compiled, variant: number[], order: number[]): PlanEncoding => ({
  order,
  variant,
  pin: new Int16Array(c.tasks.length).fill(-1),
  notBefore: new Float64Array(c.tasks.length),
});

/** First plan, at once: the best of eight rules over the variants. @param only one rule, for a comparison */
export function firstPlan(g: Generator, only?: string): Scored & { rule: string } {
  const { c } = g;
  const depth = Math.max(1, ...c.jobs.map((j) => j.variants.length));
  let best: (Scored & { rule: string }) | null = null;
  for (let v = 0; v < depth; v++) {
    const variant = c.jobs.map((j) => (j.settled >= 0 ? j.settled : Math.min(v, j.variants.length - 1)));
    const blocks = c.jobs.flatMap((j, i) => j.variants[variant[i]!]!.blocks);
    for (const [rule, key] of Object.entries(rulesOf(c))) {
      if (only && rule !== only) continue;
      const keys = new Map(
        blocks.map((b) => {
          const block = c.blocks[b]!;
          return [b, key(block, c.jobs[block.job]!, variant[block.job]!)];
        }),
      );
      const place = new Map(blocks.map((b, i) => [b, i]));
      const order = [...blocks].sort((x, y) => keys.get(x)! - keys.get(y)! || place.get(x)! - place.get(y)!);
      const encoding = blankEncoding(c, variant, order);
      const objective = g.make(encoding);
      if (!best || compare(objective, best.objective) < 0) best = { ...encoding, objective, rule };
    }
  }
  return best!;
}
