import { judgement } from '../source';
import { shippedTables, type FaultTables } from './tables';

export const learnFigures = {
  casesOfTable: judgement(10, 'weight of a figure of the table, in cases of the shop'),
  jobsOfTable: judgement(100, 'weight of a step’s figure, in jobs of the shop'),
  showFrom: judgement(10, 'causes that a shop has found before its chances are shown as numbers'),
};

/** A job whose fault was found: what failed, and what it was. */
export interface FoundCause {
  causeId: string;
  /** results when it was found, before it was mended */
  observed: Readonly<Record<string, 'ok' | 'fail'>>;
  steps: readonly string[];
}

/**
 * The tables as a shop's own jobs have moved them (Beta-binomial, analytic): a chance q of the table counts as so many
 * cases, and what was found in the shop is added to it.
 * @param steps steps of every job of the shop that was checked, found cause or not
 */
export function learnTables(
  found: readonly FoundCause[],
  steps: readonly (readonly string[])[],
  from: FaultTables = shippedTables,
): FaultTables {
  if (!found.length && !steps.length) return from;
  const n0 = learnFigures.casesOfTable.value;
  const m0 = learnFigures.jobsOfTable.value;
  const causes = from.causes.map((c) => {
    const own = found.filter((f) => f.causeId === c.id);
    if (!own.length) return c;
    const functions = new Set([
      ...Object.keys(c.fails),
      ...own.flatMap((f) => Object.entries(f.observed).flatMap(([fn, r]) => (r === 'fail' ? [fn] : []))),
    ]);
    const fails = Object.fromEntries(
      [...functions].map((fn) => {
        const tested = own.filter((f) => f.observed[fn] !== undefined);
        const failed = tested.filter((f) => f.observed[fn] === 'fail').length;
        return [fn, (n0 * (c.fails[fn] ?? 0) + failed) / (n0 + tested.length)];
      }),
    );
    return { ...c, fails };
  });
  const rates = Object.fromEntries(
    Object.entries(from.steps).map(([step, table]) => {
      const jobs = steps.filter((s) => s.includes(step)).length;
      const ids = new Set([...Object.keys(table)]);
      return [
        step,
        Object.fromEntries(
          [...ids].map((id) => {
            // a cause that several steps of the job can set counts for each by its share
            const hits = found
              .filter((f) => f.causeId === id && f.steps.includes(step))
              .reduce((s, f) => s + table[id]! / f.steps.reduce((q, t) => q + (from.steps[t]?.[id] ?? 0), 0), 0);
            return [id, (m0 * table[id]! + hits) / (m0 + jobs)];
          }),
        ),
      ];
    }),
  );
  return { causes, steps: rates };
}
