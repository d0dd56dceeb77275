import type { Bench, Mode, PlanEntry } from './types';

/** Resources that a planned task uses, and its links. */
export function needsOf(bench: Bench, e: PlanEntry): Mode['use'] {
  const v = bench.jobs.find((j) => j.id === e.job)?.variants.find((x) => x.id === e.variant);
  return v?.tasks.find((t) => t.id === e.task)?.modes[e.mode]?.use ?? {};
}

/** The same bench with one job changed. */
export const mapJob = (
  bench: Bench,
  id: string,
  change: (j: Bench['jobs'][number]) => Bench['jobs'][number],
): Bench => ({
  ...bench,
  jobs: bench.jobs.map((j) => (j.id === id ? change(j) : j)),
});
