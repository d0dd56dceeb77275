import { judgement, type Range, type Sourced } from '../source';

/** Hands-on minutes of each stage before the shop has a log of its own; P50 and P90. */
export const stageMinutes: Record<string, { p50: Sourced; p90: Sourced }> = Object.fromEntries(
  (
    [
      ['intake', 5, 9],
      ['heat', 4, 7],
      ['lift', 12, 25],
      ['strip', 0, 0],
      ['clean', 14, 25],
      ['dryFit', 4, 8],
      ['bond', 9, 15],
      ['check', 12, 20],
      ['handover', 4, 7],
    ] as const
  ).map(([id, a, b]) => [
    id,
    {
      p50: judgement(a, 'no log of its own yet, shop figure'),
      p90: judgement(b, 'no log of its own yet, shop figure'),
    },
  ]),
);

/** What holds the cover again: its clock runs at the end of the job. */
export type ClosedBy = 'tape' | 'bead' | 'nothing';

/**
 * Earliest pick-up from now: the stages that are still to do one after the other, and the cure by the shop's policy.
 * Durations add as independent lognormals matched by mean and variance.
 * @param done stages that are finished or skipped
 * @param cureElapsedS seconds since pressing, or null before bonding
 * @param cure time on the shelf after pressing
 * @param handsFactor how much longer or shorter than the usual hands-on time this route is
 */
export function earliestCollectionS(
  done: ReadonlySet<string>,
  cureElapsedS: number | null,
  cure: Range,
  handsFactor = 1,
): Range {
  let mean = 0;
  let variance = 0;
  for (const [id, m] of Object.entries(stageMinutes)) {
    if (done.has(id) || m.p50.value === 0) continue;
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
