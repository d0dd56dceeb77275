import { CoreInputError } from '../errors';
import { priors } from './riskOrder';
import {
  functionTests,
  leakOf,
  shippedTables,
  usualLeak,
  type Cause,
  type FaultTables,
  type FunctionTest,
} from './tables';

export interface Diagnosis {
  /** chance that no cause of this repair is behind it */
  none: number;
  /** causes, most likely first */
  causes: { cause: Cause; p: number }[];
  /** the best cause, when it is likelier than none */
  top: Cause | null;
  /** functions not tested yet that would tell most, bits */
  nextTests: { test: FunctionTest; bits: number }[];
}

/**
 * What is behind the failures: exact Bayes over no cause, every single one and every pair, with noisy-or (published: Pearl
 * 1988). The figures are judgement until a shop has its own: show ranks in words, not percentages (law 19).
 * @param observed results of the functions tested since; faults from before the repair are left out by the caller
 * @param ruledOut causes that were looked at and are not it
 * @throws CoreInputError when every cause that could be is ruled out and something fails that nothing else explains
 */
export function diagnose(
  steps: readonly string[],
  observed: Readonly<Record<string, 'ok' | 'fail'>>,
  tables: FaultTables = shippedTables,
  ruledOut: readonly string[] = [],
): Diagnosis {
  const prior = priors(steps, tables);
  const causes = tables.causes.filter((c) => !ruledOut.includes(c.id));
  const hypotheses: number[][] = [[], ...causes.map((_, i) => [i])];
  for (let i = 0; i < causes.length; i++) for (let j = i + 1; j < causes.length; j++) hypotheses.push([i, j]);
  const failChance = (fn: string, h: readonly number[]) =>
    1 - (1 - (leakOf[fn] ?? usualLeak)) * h.reduce((q, i) => q * (1 - (causes[i]!.fails[fn] ?? 0)), 1);
  const logOdds = causes.map((c) => {
    const p = prior.get(c.id)!;
    return Math.log(p) - Math.log(1 - p);
  });
  const logs = hypotheses.map((h) => {
    let l = h.reduce((s, i) => s + logOdds[i]!, 0);
    for (const [fn, r] of Object.entries(observed)) {
      const q = failChance(fn, h);
      l += Math.log(r === 'fail' ? q : 1 - q);
    }
    return l;
  });
  const most = Math.max(...logs);
  if (!Number.isFinite(most))
    throw new CoreInputError('results', 'nothing explains them', 'results that can be together');
  const weights = logs.map((l) => Math.exp(l - most));
  const sum = weights.reduce((a, b) => a + b, 0);
  const w = weights.map((x) => x / sum);
  const shares = causes.map((cause, i) => ({
    cause,
    p: w.reduce((s, x, k) => (hypotheses[k]!.includes(i) ? s + x : s), 0),
  }));
  shares.sort((a, b) => b.p - a.p);
  const nextTests = functionTests
    .filter((t) => observed[t.id] === undefined)
    .map((test) => {
      const q = hypotheses.map((h) => failChance(test.id, h));
      const pFail = w.reduce((s, x, k) => s + x * q[k]!, 0);
      // what the answer tells about the cause: uncertainty of the answer, less what is left when the cause is known
      const bits = binaryBits(pFail) - w.reduce((s, x, k) => s + x * binaryBits(q[k]!), 0);
      return { test, bits };
    })
    .sort((a, b) => b.bits - a.bits);
  const first = shares[0];
  return { none: w[0]!, causes: shares, top: first && first.p > w[0]! ? first.cause : null, nextTests };
}

const binaryBits = (p: number) => (p <= 0 || p >= 1 ? 0 : -(p * Math.log2(p) + (1 - p) * Math.log2(1 - p)));
