import { jStat } from 'jstat';

import { requireIn } from '../errors';
import { judgement } from '../source';

/** A risk that costs something when it happens; its chance is known as Beta(a, b). Money in minor units. */
export interface Risk {
  id: string;
  a: number;
  b: number;
  cost: number;
}

export interface OptionCost {
  mean: number;
  /** of one job, prediction */
  sd: number;
  /** 95 % of the expected cost, from what is not known about the chances */
  low: number;
  high: number;
}

const betaMean = (r: Risk) => r.a / (r.a + r.b);
const betaVar = (r: Risk) => (r.a * r.b) / ((r.a + r.b) ** 2 * (r.a + r.b + 1));

/**
 * Cost of an option: base and what can happen, Bernoulli with uncertain chances. One risk: Beta quantiles; several: normal.
 * Check: mean and sd against simulation.
 */
export function optionCost(base: number, risks: readonly Risk[], baseSd = 0): OptionCost {
  let mean = base;
  let variance = baseSd ** 2;
  let pVar = 0;
  for (const r of risks) {
    const p = betaMean(r);
    mean += p * r.cost;
    variance += p * r.cost ** 2 - (p * r.cost) ** 2;
    pVar += r.cost ** 2 * betaVar(r);
  }
  const sd = Math.sqrt(variance);
  if (risks.length === 1) {
    const r = risks[0]!;
    const at = (q: number) => base + r.cost * jStat.beta.inv(q, r.a, r.b);
    return { mean, sd, low: at(0.025), high: at(0.975) };
  }
  const half = 1.959963984540054 * Math.sqrt(pVar);
  return { mean, sd, low: mean - half, high: mean + half };
}

export interface BreakEven {
  /** A is the cheaper one below this chance */
  pStar: number;
  /** chance that A is the cheaper one, from what is known about its risk */
  probA: number;
  /** worth of knowing the chance exactly, minor units (Raiffa & Schlaifer 1961) */
  evpi: number;
}

/** A costs base + cost when it breaks, B is certain. pStar = (B - base)/cost; P(A cheaper) = I_pStar(a, b). */
export function breakEven(baseA: number, risk: Risk, costB: number): BreakEven {
  const { a, b, cost } = risk;
  const pStar = (costB - baseA) / cost;
  const meanA = baseA + cost * betaMean(risk);
  if (pStar <= 0) return { pStar, probA: 0, evpi: 0 };
  if (pStar >= 1) return { pStar, probA: 1, evpi: 0 };
  const probA = jStat.beta.cdf(pStar, a, b);
  const least = baseA + cost * (betaMean(risk) * jStat.beta.cdf(pStar, a + 1, b) + pStar * (1 - probA));
  return { pStar, probA, evpi: Math.min(meanA, costB) - least };
}

/** Between these two chances the call says that it cannot tell. */
export const closeCall = {
  low: judgement(0.35, 'under this the other one is the cheaper one'),
  high: judgement(0.65, 'over this it is the cheaper one'),
};

/**
 * Chance that the expected cost of A is below that of B when both have risks: the chances' distributions are cut into
 * equal slices (midpoint quantiles) and every combination is counted. Risks with the same id are one and the same.
 */
export function probCheaper(
  a: { base: number; risks: readonly Risk[] },
  b: { base: number; risks: readonly Risk[] },
): number {
  const ids = [...new Set([...a.risks, ...b.risks].map((r) => r.id))];
  const net = ids
    .map((id) => {
      const ra = a.risks.find((r) => r.id === id);
      const rb = b.risks.find((r) => r.id === id);
      const r = ra ?? rb!;
      return { a: r.a, b: r.b, cost: (ra?.cost ?? 0) - (rb?.cost ?? 0) };
    })
    .filter((r) => r.cost !== 0);
  const base = a.base - b.base;
  if (!net.length) return base < 0 ? 1 : base > 0 ? 0 : 0.5;
  const slices = net.length <= 2 ? 64 : net.length === 3 ? 24 : 12;
  const steps = net.map((r) =>
    Array.from({ length: slices }, (_, i) => r.cost * jStat.beta.inv((i + 0.5) / slices, r.a, r.b)),
  );
  let below = 0;
  let all = 0;
  const walk = (k: number, sum: number) => {
    if (k === steps.length) {
      all++;
      below += sum < 0 ? 1 : sum === 0 ? 0.5 : 0;
      return;
    }
    for (const s of steps[k]!) walk(k + 1, sum + s);
  };
  walk(0, base);
  return below / all;
}

/**
 * A chance as Beta(a, b): a first estimate that weighs as much as `weight` jobs, and the shop's own counts.
 * @param prior first estimate, kept between 0.1 % and 99.9 %
 * @throws CoreInputError that names happened when out of range
 */
export function learned(
  id: string,
  prior: number,
  weight: number,
  happened: number,
  tried: number,
  cost: number,
): Risk {
  requireIn('happened', happened, 0, tried);
  const p = Math.min(0.999, Math.max(0.001, prior));
  return { id, a: p * weight + happened, b: (1 - p) * weight + tried - happened, cost };
}
