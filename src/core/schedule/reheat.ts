import type { Bench } from './types';

const reheatId = (from: string, round: number) => `${from}.reheat${round + 1}`;

/** The bench with a reheat between two tasks, and the reheat's name; null when their link has none. Every way of closing gets it. */
export function withReheat(
  bench: Bench,
  m: { job: string; from: string; to: string },
  round: number,
): { bench: Bench; task: string } | null {
  const job = bench.jobs.find((j) => j.id === m.job)!;
  const id = reheatId(m.from, round);
  let found = false;
  // whichever way it is closed, the window is the same
  const variants = job.variants.map((variant) => {
    const link = variant.links.find((l) => l.from === m.from && l.to === m.to && l.reheat);
    if (!link?.reheat) return variant;
    found = true;
    return {
      ...variant,
      tasks: [...variant.tasks, { id, modes: link.reheat }],
      links: [
        ...variant.links.filter((l) => l !== link),
        { from: m.from, to: id, minS: 0 },
        // the window begins again with the end of the reheat
        { ...link, from: id },
      ],
    };
  });
  return found
    ? { task: id, bench: { ...bench, jobs: bench.jobs.map((j) => (j === job ? { ...j, variants } : j)) } }
    : null;
}
