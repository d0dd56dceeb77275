import type { Bench } from './types';
import { type ShopPlan, planShop } from './shopPlan';

export type RescueId = 'first' | 'otherWay' | 'stayLonger' | 'secondPerson' | 'otherHeater' | 'dropOthers';

/** Something that would bring a late job nearer to its time, tried out. */
export interface Rescue {
  id: RescueId;
  /** what it is about: a way of closing, minutes, a job */
  what: string;
  endS: number;
  tardinessS: number;
  /** other jobs that it makes late, or later, by so much */
  costs: { job: string; tardinessS: number }[];
}

export interface RescueIdea {
  id: RescueId;
  what: string;
  bench: Bench;
}

/**
 * Tries ideas for a late job one by one and keeps those that help it.
 * @param ideas benches with one thing changed, each
 */
export function rescues(
  p: ShopPlan,
  job: string,
  ideas: readonly RescueIdea[],
  iterations: number,
  seed: number,
): Rescue[] {
  const dueS = p.bench.jobs.find((j) => j.id === job)?.dueS;
  if (dueS === null || dueS === undefined) return [];
  const before = p.doneS[job]!;
  const lateOf = new Map(p.late.map((l) => [l.job, l.tardinessS]));
  return ideas
    .flatMap((idea): Rescue[] => {
      const q = planShop(idea.bench, { iterations, seeds: [seed], previous: p.plan });
      if (q.breaches.length || !(q.doneS[job]! < before - 30)) return [];
      const costs = q.late
        .filter((l) => l.job !== job && l.tardinessS > (lateOf.get(l.job) ?? 0) + 30)
        .map((l) => ({ job: l.job, tardinessS: l.tardinessS - (lateOf.get(l.job) ?? 0) }));
      return [
        { id: idea.id, what: idea.what, endS: q.doneS[job]!, tardinessS: Math.max(0, q.doneS[job]! - dueS), costs },
      ];
    })
    .sort((a, b) => a.tardinessS - b.tardinessS || a.costs.length - b.costs.length);
}
