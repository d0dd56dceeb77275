import { workDefs, worksAt } from '@/core/intake/works';
import { coverWorkAt } from '@/model/jobWorks';
import { atEachJoint } from '@/model/joints';
import { marginOf, type Margin } from '@/core/money/margin';
import type { JobState, JointSeen } from '@/model/fold';
import type { BondSlice } from '@/model/stages/bond';
import type { Settings } from '@/model/settings';
import { workCached, workOf } from '@/work/bench/shopDurations';

/** What a job was quoted at and what it came to, minor units. */
export interface Outcome {
  job: JobState;
  /** as the customer agreed; null: never quoted */
  quoted: { netMinor: number; costMinor: number; minutes: number; margin: number } | null;
  parts: { partMinor: number; usedMinor: number; labourMinor: number; brokeMinor: number; overheadMinor: number };
  minutes: number;
  /** share of the minutes that the log measured; the rest is taken from the quote */
  measured: boolean;
  margin: Margin;
}

/** Price of a part by the list of today. */
function listPrice(
  job: Pick<JointSeen, 'model'>,
  settings: Settings,
  item: string | null,
  origin: string | null,
): number {
  return item && origin ? (settings.money.prices[job.model.kind]?.[`${item}.${origin}`] ?? 0) : 0;
}

/** What was taken from the shelf for closing it, every time that it was closed. */
function usedMinor(job: BondSlice, settings: Settings): number {
  const m = settings.money;
  let sum = 0;
  for (const e of job.bondings) {
    const real = job.consumed.get(e.id);
    const list = e.used?.length ? e.used : [];
    if (!list.length) {
      if (e.adhesive === 'cutTape') sum += (e.usedMm / 1e3) * m.tapePerMMinor;
      if (e.adhesive === 'precutRing') sum += m.ringMinor;
    }
    for (const u of list) {
      const amount = real?.get(u.id) ?? u.amount;
      sum +=
        u.kind === 'ring'
          ? amount * m.ringMinor
          : u.kind === 'liquid'
            ? amount * m.beadPerMlMinor
            : (amount / 1e3) * m.tapePerMMinor;
    }
  }
  return Math.round(sum * (1 + m.wasteShare));
}

/** The parts of one joint; a cover that was to be saved and broke has to be bought after all. */
function partsMinor(job: JobState, settings: Settings): { partMinor: number; brokeMinor: number } {
  const saved = job.effective.some(
    (e) => e.type === 'jobRoute' && e.cover === 'save' && (e.joint === undefined || e.joint === job.joint),
  );
  const broken = job.broke && saved ? coverWorkAt(job) : null;
  const brokeMinor = broken ? listPrice(job, settings, workDefs[broken].item, job.route?.origin ?? 'genuine') : 0;
  const partMinor = (job.route ? worksAt(job.route) : [workOf(job)])
    .filter((w) => w !== broken)
    .reduce((m, w) => m + listPrice(job, settings, workDefs[w].item, job.route?.origin ?? null), 0);
  return { partMinor, brokeMinor };
}

export function outcomeOf(job: JobState, settings: Settings): Outcome {
  const choice = job.quote?.choices.find((c) => c.id === job.quote!.chosenId) ?? null;
  const worked = workCached(job).filter((w) => w.toAt !== null);
  const measured = worked.length > 0;
  const minutes = measured ? worked.reduce((s, w) => s + w.workS, 0) / 60 : (choice?.minutes ?? 0);
  const ratePerHourMinor = settings.ratePerH * 100;
  const joints = atEachJoint(job).map((j) => partsMinor(j, settings));
  const sum = (of: 'partMinor' | 'brokeMinor') => joints.reduce((m, x) => m + x[of], 0);
  const [partMinor, brokeMinor] = [sum('partMinor'), sum('brokeMinor')];
  const used = atEachJoint(job).reduce((m, j) => m + usedMinor(j, settings), 0);
  const netMinor = choice?.netMinor ?? 0;
  return {
    job,
    quoted: choice
      ? {
          netMinor: choice.netMinor,
          costMinor: choice.costMinor,
          minutes: choice.minutes,
          margin: choice.netMinor > 0 ? 1 - choice.costMinor / choice.netMinor : 0,
        }
      : null,
    parts: {
      partMinor,
      usedMinor: used,
      labourMinor: Math.round((minutes / 60) * ratePerHourMinor),
      brokeMinor,
      overheadMinor: settings.money.overheadMinor,
    },
    minutes,
    measured,
    margin: marginOf({
      netMinor,
      partsMinor: partMinor,
      usedMinor: used,
      minutes,
      ratePerHourMinor,
      extraMinor: brokeMinor,
      overheadMinor: settings.money.overheadMinor,
    }),
  };
}

export interface MonthMoney {
  /** first instant of the month */
  at: number;
  jobs: number;
  /** jobs without a price: come-backs, and what was never quoted */
  free: number;
  netMinor: number;
  costMinor: number;
  marginMinor: number;
  share: number | null;
  /** share that the quotes had counted on */
  quotedShare: number | null;
}

/** Outcomes by the month in which they were handed over, oldest first. */
export function byMonth(list: readonly Outcome[]): MonthMoney[] {
  const months = new Map<number, Outcome[]>();
  for (const o of list) {
    if (o.job.closedAt === null) continue;
    const d = new Date(o.job.closedAt);
    const at = new Date(d.getFullYear(), d.getMonth(), 1).getTime();
    months.set(at, [...(months.get(at) ?? []), o]);
  }
  return [...months.entries()]
    .sort((a, b) => a[0] - b[0])
    .map(([at, own]) => {
      const net = own.reduce((s, o) => s + (o.quoted?.netMinor ?? 0), 0);
      const cost = own.reduce((s, o) => s + o.margin.costMinor, 0);
      const quotedCost = own.reduce((s, o) => s + (o.quoted?.costMinor ?? 0), 0);
      return {
        at,
        jobs: own.length,
        free: own.filter((o) => !o.quoted).length,
        netMinor: net,
        costMinor: cost,
        marginMinor: net - cost,
        share: net > 0 ? (net - cost) / net : null,
        quotedShare: net > 0 ? (net - quotedCost) / net : null,
      };
    });
}
