import { addWeeks } from 'date-fns/addWeeks';
import { startOfWeek } from 'date-fns/startOfWeek';

import { learned } from '@/core/money/choices';
import { riskQuantile } from '@/core/money/betaQuantile';
import { wrightFit, type LearningCurve } from '@/core/statistics/learning';
import { overrunOf, standing, type Overrun } from '@/core/statistics/overruns';
import { wilson } from '@/core/statistics/rates';
import { kaplanMeier, shareDifference, type SurvivalStep } from '@/core/statistics/survival';
import { judgement } from '@/core/source';
import { stageIds, type StageId } from '@/model/stages';
import type { JobState } from '@/model/fold';
import { atEachJoint } from '@/model/joints';
import type { BondSlice } from '@/model/stages/bond';
import { repairerOf } from '@/work/check/faults';
import { kindOf, workedRows } from '@/work/bench/shopDurations';

export const statisticsFigures = {
  leastForCurve: judgement(4, 'jobs of a kind from which a learning curve is drawn'),
  namedWrongly: judgement(0.1, 'of the stages that are named as overrunning, so many may be named by chance'),
};

/** What is looked at; null: all of it. */
export interface Filter {
  person: string | null;
  kind: string | null;
  school: string | null;
  sinceAt: number;
}

export const bondingMethodOf = (job: Pick<BondSlice, 'bonded'>): string | null => job.bonded?.adhesive ?? null;

/** Jobs that fit; a person fits a job that they repaired. */
export const filtered = (jobs: readonly JobState[], f: Filter): JobState[] =>
  jobs.filter(
    (j) =>
      j.closedAt !== null &&
      j.closedAt >= f.sinceAt &&
      (f.kind === null || kindOf(j) === f.kind) &&
      (f.school === null || atEachJoint(j).some((x) => bondingMethodOf(x) === f.school)) &&
      (f.person === null || repairerOf(j) === f.person),
  );

export interface StageMinutes {
  stage: StageId;
  n: number;
  medianMin: number;
  p80Min: number;
  overrun: Overrun | null;
  /** stands out as an overrun among all stages */
  stands: boolean;
}

const middle = (list: readonly number[], q: number) => {
  const s = [...list].sort((a, b) => a - b);
  const h = (s.length - 1) * q;
  const i = Math.floor(h);
  return s[i]! + (h - i) * ((s[i + 1] ?? s[i]!) - s[i]!);
};

/** Minutes of each stage, and whether it runs over its plan. @param person only work of this person's hands */
export function stageMinutesOf(jobs: readonly JobState[], person: string | null): StageMinutes[] {
  const rows = workedRows(jobs).filter((r) => person === null || r.person === person);
  const list = stageIds.flatMap((stage): Omit<StageMinutes, 'stands'>[] => {
    const own = rows.filter((r) => r.stage === stage);
    if (!own.length) return [];
    const minutes = own.map((r) => r.workS / 60);
    return [
      {
        stage,
        n: own.length,
        medianMin: middle(minutes, 0.5),
        p80Min: middle(minutes, 0.8),
        overrun: overrunOf(own.flatMap((r) => (r.plannedS === null ? [] : [{ plannedS: r.plannedS, workS: r.workS }]))),
      },
    ];
  });
  const tested = list.filter((s) => s.overrun !== null && s.overrun.n >= 2);
  const stands = standing(
    tested.map((s) => s.overrun!.p),
    statisticsFigures.namedWrongly.value,
  );
  return list.map((s) => ({ ...s, stands: (stands[tested.indexOf(s)] ?? false) && s.overrun!.ratio > 1 }));
}

export interface Count {
  name: string;
  hits: number;
  of: number;
  low: number;
  high: number;
}
const count = (name: string, hits: number, of: number): Count | null =>
  of ? { name, hits, of, ...wilson(hits, of) } : null;

/** It was to be saved at this joint. */
const triedToSave = (j: Pick<JobState, 'effective' | 'joint'>) =>
  j.effective.some(
    (e) => e.type === 'jobRoute' && e.cover === 'save' && (e.joint === undefined || e.joint === j.joint),
  );

export interface Breakage {
  all: Count | null;
  byPerson: Count[];
  byKind: Count[];
  /** what is believed after it: mean and 95 % of the beta posterior, for one more try */
  belief: { mean: number; low: number; high: number; a: number; b: number };
  /** difference of two people, where both tried; null otherwise */
  difference: { names: [string, string]; diff: number; low: number; high: number } | null;
}

/** Covers that were to be saved and broke. @param prior the chance before the shop had counts, and its weight in jobs */
export function breakageOf(jobs: readonly JobState[], prior: { chance: number; weight: number }): Breakage {
  // each cover of a job is a try of its own
  const tried = jobs.flatMap(atEachJoint).filter(triedToSave);
  const by = (key: (j: JobState) => string | null) => {
    const names = [...new Set(tried.map(key).filter((k): k is string => k !== null))].sort();
    return names.flatMap((n) => {
      const own = tried.filter((j) => key(j) === n);
      const c = count(n, own.filter((j) => j.broke).length, own.length);
      return c ? [c] : [];
    });
  };
  const broke = tried.filter((j) => j.broke).length;
  const risk = learned('break', prior.chance, prior.weight, broke, tried.length, 0);
  const byPerson = by(repairerOf);
  const [x, y] = byPerson;
  return {
    all: count('all', broke, tried.length),
    byPerson,
    byKind: by(kindOf),
    belief: {
      mean: risk.a / (risk.a + risk.b),
      low: riskQuantile(risk, 0.025),
      high: riskQuantile(risk, 0.975),
      a: risk.a,
      b: risk.b,
    },
    difference: x && y && byPerson.length === 2 ? { names: [x.name, y.name], ...shareDifference(x, y) } : null,
  };
}

export interface ComeBacks {
  all: Count | null;
  byPerson: Count[];
  bySchool: Count[];
  /** share that stays, by days since the hand-over; jobs that are out for less do not count as staying */
  stays: SurvivalStep[];
}

export function comeBacksOf(jobs: readonly JobState[], everything: readonly JobState[], now: number): ComeBacks {
  const back = new Map<string, JobState>();
  for (const j of everything) if (j.comeBack?.firstJobId) back.set(j.comeBack.firstJobId, j);
  const by = (key: (j: JobState) => string | null) => {
    const names = [...new Set(jobs.map(key).filter((k): k is string => k !== null))].sort();
    return names.flatMap((n) => {
      const own = jobs.filter((j) => key(j) === n);
      const c = count(n, own.filter((j) => back.has(j.id)).length, own.length);
      return c ? [c] : [];
    });
  };
  const days = (a: number, b: number) => Math.max(0, Math.floor((b - a) / 86400e3));
  return {
    all: count('all', jobs.filter((j) => back.has(j.id)).length, jobs.length),
    byPerson: by(repairerOf),
    bySchool: by(bondingMethodOf),
    stays: kaplanMeier(
      jobs.map((j) => {
        const b = back.get(j.id);
        return { days: days(j.closedAt!, b ? b.openedAt : now), cameBack: b !== undefined };
      }),
    ),
  };
}

export interface Learning {
  kind: string;
  stage: StageId | 'all';
  person: string | null;
  minutes: number[];
  curve: LearningCurve;
}

/** Times of one kind of work in the order in which it was done; null while there are too few. */
export function learningOf(
  jobs: readonly JobState[],
  kind: string,
  stage: StageId | 'all',
  person: string | null,
): Learning | null {
  const rows = workedRows(jobs)
    .filter(
      (r) => r.kind === kind && (person === null || r.person === person) && (stage === 'all' || r.stage === stage),
    )
    .sort((a, b) => a.at - b.at);
  const byJob = new Map<string, number>();
  for (const r of rows) byJob.set(r.jobId, (byJob.get(r.jobId) ?? 0) + r.workS / 60);
  const minutes = [...byJob.values()];
  if (minutes.length < statisticsFigures.leastForCurve.value) return null;
  return { kind, stage, person, minutes, curve: wrightFit(minutes) };
}

/** Jobs that went out, by week from the first to the last; a week without any is among them. */
export function handedOverByWeek(jobs: readonly Pick<JobState, 'closedAt'>[]): { at: number; jobs: number }[] {
  const counts = new Map<number, number>();
  for (const j of jobs) {
    if (j.closedAt === null) continue;
    const at = startOfWeek(j.closedAt, { weekStartsOn: 1 }).getTime();
    counts.set(at, (counts.get(at) ?? 0) + 1);
  }
  if (!counts.size) return [];
  const [first, last] = [Math.min(...counts.keys()), Math.max(...counts.keys())];
  const weeks: { at: number; jobs: number }[] = [];
  // by calendar weeks: one with a change of clocks is an hour shorter or longer
  for (let at = first; at <= last; at = addWeeks(at, 1).getTime()) weeks.push({ at, jobs: counts.get(at) ?? 0 });
  return weeks;
}
