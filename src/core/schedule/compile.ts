import { CoreInputError } from '../errors';
import { checkNumbers } from './checkBench';
import { compileVariant } from './compileVariant';
import type { CJob, Compiled } from './compiled';
import { Profile } from './profile';
import type { Bench, Windows } from './types';

/**
 * @throws CoreInputError for a name that is not there, a cycle, a calendar that never opens, a window that closes before it
 * opens, or a duration that is none
 */
export function compile(bench: Bench): Compiled {
  checkNumbers(bench);
  const indexOf = new Map(bench.resources.map((r, i) => [r.id, i]));
  const windows = (name: string | undefined): Windows => {
    if (name === undefined) return null;
    const c = bench.calendars[name];
    if (!c) throw new CoreInputError('calendar', name, Object.keys(bench.calendars).join(', ') || 'a calendar');
    if (!c.some(([a, b]) => b > a))
      throw new CoreInputError(`calendar ${name}`, 'never open', 'at least one open window');
    return apart(c);
  };
  const calendars = bench.resources.map((r) => windows(r.calendar));
  const c: Compiled = {
    bench,
    tasks: [],
    blocks: [],
    jobs: [],
    calendars,
    technicians: bench.resources.flatMap((r, i) => (r.kind === 'technician' ? [i] : [])),
    taken: bench.resources.map((r) => new Profile(r.capacity)),
  };
  for (const s of bench.started)
    if (!Number.isFinite(s.startS) || !Number.isFinite(s.endS) || s.endS < s.startS)
      throw new CoreInputError(
        `${s.job}, ${s.task}: begun`,
        `${s.startS} to ${s.endS} s`,
        'two instants, the end not before the start',
      );
  const started = new Map(bench.started.map((s) => [`${s.job}\u0000${s.task}`, s]));
  bench.jobs.forEach((job, j) => {
    const own: CJob = {
      id: job.id,
      releaseS: job.releaseS,
      dueS: job.dueS,
      weight: job.weight,
      variants: [],
      settled: -1,
    };
    own.variants = job.variants.map((v, vi) => compileVariant({ c, indexOf, windows, started }, job, v, j, vi));
    // a task that is in every variant leaves the choice open; one that is in one of them makes it
    const begun = bench.started.filter((s) => s.job === job.id);
    const fits = job.variants.flatMap((v, vi) =>
      begun.every((s) => v.tasks.some((t) => t.id === s.task)) ? [vi] : [],
    );
    if (begun.length && fits.length === 1) own.settled = fits[0]!;
    c.jobs.push(own);
  });
  const booked = new Set<string>();
  for (const t of c.tasks)
    if (t.started) {
      const key = `${t.job}\u0000${t.id}`;
      if (booked.has(key)) continue;
      booked.add(key);
      const m = t.modes[t.started.mode]!;
      m.res.forEach((r, q) => c.taken[r]!.add(t.started!.startS, t.started!.endS, m.need[q]!));
    }
  return c;
}

/** Windows in their order, those that touch or overlap as one: none counts twice. */
function apart(list: readonly (readonly [number, number])[]): (readonly [number, number])[] {
  const open = list.filter(([a, b]) => b > a);
  if (open.every(([a], i) => i === 0 || a > open[i - 1]![1])) return open;
  const out: [number, number][] = [];
  for (const [a, b] of [...open].sort((x, y) => x[0] - y[0])) {
    const last = out[out.length - 1];
    if (last && a <= last[1]) last[1] = Math.max(last[1], b);
    else out.push([a, b]);
  }
  return out;
}
