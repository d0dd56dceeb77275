import { jStat } from 'jstat';

import { compile } from './compile';
import { scatterKey } from './promiseParts';
import { Generator } from './generate';
import { encodingFrom, type ShopPlan } from './shopPlan';
import { simulate, type Simulated } from './simulate';

/** How a duration scatters about its median: Student t of the logarithm with `dof` degrees of freedom and this scale. */
export interface Scatter {
  sigma: number;
  dof: number;
}

/** Scatter by job and task; what is not named takes exactly as long as planned: a cure's clock is on its long end already. */
export type Scatters = Readonly<Record<string, Scatter>>;

const points = 400;
const tables = new Map<number, Float64Array>();

/** Quantiles of Student t, tabulated: a simulation asks hundreds of thousands of times. */
function tTable(dof: number): Float64Array {
  const key = Math.round(dof * 2) / 2;
  let t = tables.get(key);
  if (!t) {
    t = Float64Array.from({ length: points }, (_, i) => jStat.studentt.inv((i + 0.5) / points, Math.max(1, key)));
    tables.set(key, t);
  }
  return t;
}

/**
 * When each job is done, with its quantiles: the plan run many times with durations that scatter, nobody looking ahead.
 * @param runs at least 2000 for a promise; the standard error of the 80 % quantile is then under a twentieth of its density
 */
export function promisesOf(p: ShopPlan, scatters: Scatters, runs = 2000, seed = 7): Simulated {
  const g = new Generator(compile(p.bench));
  return simulate(
    g,
    encodingFrom(g.c, p.plan),
    (job, task, _mode, plannedS, random) => {
      const s = scatters[scatterKey(job, task)];
      const u = random();
      if (!s || s.sigma <= 0) return plannedS;
      const t = tTable(s.dof);
      // a whole second, as the plan has them; never more than ten times what was planned
      return Math.max(1, Math.round(plannedS * Math.min(10, Math.exp(s.sigma * t[Math.floor(u * points)]!))));
    },
    runs,
    seed,
  );
}
