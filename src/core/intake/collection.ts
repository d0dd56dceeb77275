import type { Range, Sourced } from '../source';

/** Hands-on minutes of a stage: usual and long. */
export interface StageMinutes {
  p50: Sourced;
  p90: Sourced;
  /** they are a part of a route's minutes; what goes on by itself or only on some routes is not */
  ofRoute: boolean;
}

/** What holds the cover again: its clock runs at the end of the job. */
export type ClosedBy = 'tape' | 'bead' | 'nothing';

/**
 * Earliest pick-up from now: the stages that are still to do one after the other, and the cure by the shop's policy.
 * Durations add as independent lognormals matched by mean and variance.
 * @param usual hands-on minutes of the stages that a route's minutes are made of
 * @param done stages that are finished or skipped
 * @param cureElapsedS seconds since pressing, or null before bonding
 * @param cure time on the shelf after pressing
 * @param handsFactor how much longer or shorter than the usual hands-on time this route is
 */
export function earliestCollectionS(
  usual: Readonly<Record<string, StageMinutes>>,
  done: ReadonlySet<string>,
  cureElapsedS: number | null,
  cure: Range,
  handsFactor = 1,
): Range {
  let mean = 0;
  let variance = 0;
  for (const [id, m] of Object.entries(usual)) {
    if (done.has(id) || !m.ofRoute) continue;
    const sigma = Math.log(m.p90.value / m.p50.value) / 1.28155;
    const mu = handsFactor * m.p50.value * 60 * Math.exp(sigma ** 2 / 2);
    mean += mu;
    variance += mu ** 2 * (Math.exp(sigma ** 2) - 1);
  }
  const left = (t: number) => Math.max(0, t - (cureElapsedS ?? 0));
  const s2 = mean > 0 ? Math.log(1 + variance / mean ** 2) : 0;
  const median = mean > 0 ? mean / Math.exp(s2 / 2) : 0;
  const spread = Math.exp(1.96 * Math.sqrt(s2));
  // check runs after the clamps are off, so cure and hands do not overlap here
  return {
    low: median / spread + left(cure.low),
    mean: median + left(cure.mean),
    high: median * spread + left(cure.high),
  };
}
