import { diagnose } from '@/core/functions/diagnose';
import { learnTables } from '@/core/functions/learn';
import { judgement } from '@/core/source';
import { bernoulliCusum, bernoulliCusumRun, mcnemar, pChart, wilson, type Cusum } from '@/core/statistics/rates';
import type { JobState, JobWay } from '@/model/fold';
import type { CheckSlice } from '@/model/stages/check';
import type { Work } from '@/core/intake/works';
import { rowsCsv } from '@/model/csv';
import type { ComeBackCause } from '@/model/entries/check';
import { functionState, repairerOf, shopFaults } from '@/work/check/faults';
import { flushOf } from '@/work/check/flushJob';
import { sealOf } from '@/work/check/sealJob';
import { format } from 'date-fns/format';
import { startOfWeek } from 'date-fns/startOfWeek';

export const watchFigures = {
  usual: judgement(0.02, 'share of come-backs that is usual'),
  tooMany: judgement(0.06, 'share of come-backs that is too many'),
  height: judgement(2.5, 'height at which the watch signals'),
  leastPerWeek: judgement(20, 'jobs a week from which a chart of weekly shares sees something'),
};

export interface Share {
  hits: number;
  of: number;
  low: number;
  high: number;
}

/** A share with its 95 % interval (Wilson); null when there is nothing to count. */
export const shareOf = (hits: number, of: number): Share | null => (of ? { hits, of, ...wilson(hits, of) } : null);

/** What was handed over and in which order, with the job that came back from each. */
export interface Finished {
  job: JobState;
  cameBack: JobState | null;
}

export function finishedJobs(jobs: readonly JobState[]): Finished[] {
  const back = new Map<string, JobState>();
  for (const j of jobs) if (j.comeBack?.firstJobId) back.set(j.comeBack.firstJobId, j);
  return jobs
    .filter((j) => j.closedAt !== null)
    .sort((a, b) => a.closedAt! - b.closedAt!)
    .map((job) => ({ job, cameBack: back.get(job.id) ?? null }));
}

export interface ShopStatistics {
  comeBacks: Share | null;
  onTime: Share | null;
  saved: Share | null;
  newFaults: Share | null;
  /** how often the cause that was named first was the one that was found, each judged by what the others taught */
  named: Share | null;
  /** functions that worked before and failed at the check, and the other way round */
  changed: { worse: number; better: number; pMid: number };
  hours: { median: number; most: number } | null;
}

const firstFailed = (job: Pick<JobWay, 'effective'> & Pick<CheckSlice, 'functions'>) =>
  job.effective.some(
    (e) => e.type === 'function' && e.phase === 'after' && e.result === 'fail' && job.functions.before[e.fn] === 'ok',
  );

export function shopStatistics(list: readonly Finished[]): ShopStatistics {
  const jobs = list.map((f) => f.job);
  const promised = jobs.filter((j) => j.promiseAt !== null);
  const tried = jobs.filter((j) => j.effective.some((e) => e.type === 'jobRoute' && e.cover === 'save'));
  const checked = jobs.filter((j) => Object.keys(j.functions.after).length > 0);
  const { found } = shopFaults(jobs);
  const named = found.filter((f, i) => {
    const others = learnTables(
      found.filter((_, k) => k !== i),
      [],
    );
    return diagnose(f.steps, f.observed, others).causes[0]?.cause.id === f.causeId;
  }).length;
  let [worse, better] = [0, 0];
  for (const j of checked)
    for (const c of functionState(j).changes) {
      if (c.change === 'newFault') worse++;
      if (c.change === 'mended') better++;
    }
  const hours = jobs.map((j) => (j.closedAt! - j.openedAt) / 3600e3).sort((a, b) => a - b);
  return {
    comeBacks: shareOf(list.filter((f) => f.cameBack).length, list.length),
    onTime: shareOf(promised.filter((j) => j.closedAt! <= j.promiseAt!).length, promised.length),
    saved: shareOf(tried.filter((j) => !j.broke).length, tried.length),
    newFaults: shareOf(checked.filter(firstFailed).length, checked.length),
    named: shareOf(named, found.length),
    changed: { worse, better, pMid: mcnemar(worse, better).pMid },
    hours: hours.length ? { median: hours[hours.length >> 1]!, most: hours[hours.length - 1]! } : null,
  };
}

export type Chart =
  | { kind: 'weeks'; mean: number; points: { label: string; share: number; high: number; out: boolean }[] }
  | { kind: 'jobs'; cusum: Cusum; labels: string[]; runGood: number; runBad: number };

/** Weekly shares where there is enough work for them; otherwise a watch job by job, which few jobs can still move. */
export function controlChart(list: readonly Finished[]): Chart | null {
  if (!list.length) return null;
  const weeks = new Map<number, Finished[]>();
  for (const f of list) {
    const at = startOfWeek(f.job.closedAt!, { weekStartsOn: 1 }).getTime();
    weeks.set(at, [...(weeks.get(at) ?? []), f]);
  }
  const sizes = [...weeks.values()].map((w) => w.length);
  if (weeks.size >= 5 && sizes.reduce((a, b) => a + b, 0) / sizes.length >= watchFigures.leastPerWeek.value) {
    const bad = [...weeks.values()].map((w) => w.filter((f) => f.cameBack).length);
    const chart = pChart(bad, sizes);
    return {
      kind: 'weeks',
      mean: chart.mean,
      points: [...weeks.keys()].map((at, i) => {
        const share = bad[i]! / sizes[i]!;
        return {
          label: format(at, 'd MMM'),
          share,
          high: chart.limits[i]!.high,
          out: share > chart.limits[i]!.high || share < chart.limits[i]!.low,
        };
      }),
    };
  }
  const [p0, p1, h] = [watchFigures.usual.value, watchFigures.tooMany.value, watchFigures.height.value];
  return {
    kind: 'jobs',
    cusum: bernoulliCusum(
      list.map((f) => f.cameBack !== null),
      p0,
      p1,
      h,
    ),
    labels: list.map((f) => f.job.label),
    runGood: bernoulliCusumRun(p0, p1, h, p0),
    runBad: bernoulliCusumRun(p0, p1, h, p1),
  };
}

const iso = (at: number | null) => (at === null ? '' : format(at, "yyyy-MM-dd'T'HH:mm"));

/** What kinds of work and causes are called in the file, by whoever writes it. */
export interface CsvNames {
  work: Readonly<Record<Work, string>>;
  cause: Readonly<Record<ComeBackCause, string>>;
}

/** One line for each job that was handed over. */
export function statisticsCsv(list: readonly Finished[], names: CsvNames): string {
  return rowsCsv(
    [
      'job',
      'device',
      'work',
      'opened',
      'promised',
      'handed_over',
      'hours',
      'cover',
      'broke',
      'closed_by',
      'flush',
      'leak_ratio',
      'functions_tested',
      'new_faults',
      'repaired_by',
      'checked_by',
      'came_back_as',
      'presumed_cause',
    ],
    list.map(({ job, cameBack }) => {
      const state = functionState(job);
      return [
        job.label,
        job.model.name,
        job.route ? names.work[job.route.work] : '',
        iso(job.openedAt),
        iso(job.promiseAt),
        iso(job.closedAt),
        Number(((job.closedAt! - job.openedAt) / 3600e3).toFixed(2)),
        job.route?.cover ?? '',
        job.broke ? 'yes' : 'no',
        job.bonded?.adhesive ?? '',
        flushOf(job).flush?.verdict ?? '',
        sealOf(job).ratio ? Number(sealOf(job).ratio!.ratio.toFixed(3)) : '',
        Object.values(job.functions.after).filter((r) => r === 'ok' || r === 'fail').length,
        state.newFaults.length,
        repairerOf(job) ?? '',
        state.checker ?? '',
        cameBack?.label ?? '',
        cameBack ? names.cause[cameBack.comeBack!.presumed] : '',
      ];
    }),
  );
}
