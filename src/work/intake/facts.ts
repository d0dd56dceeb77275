import { jointOf } from '@/core/device/jointKinds';
import { bondPerimeter } from '@/core/device/perimeter';
import { byPolicy } from '@/core/cure/policy';
import { earliestCollectionS, type ClosedBy } from '@/core/intake/collection';
import { howHard, type HardInput } from '@/core/intake/difficulty';
import {
  piecesToMove,
  routeMinutes,
  routeOptions,
  type RouteAdvice,
  type RouteFacts,
  type RouteMoney,
  type RouteOption,
} from '@/core/intake/route';
import type { PieceStep } from '@/core/lift/cracks/liftOrder';
import { breakAtPlan, defaultPickMm } from '@/core/lift/verdict';
import { workDefs } from '@/core/intake/works';
import { closeCall } from '@/core/money/choices';
import { riskQuantile } from '@/core/money/betaQuantile';
import { quote, type Quote } from '@/core/money/quote';
import type { Range } from '@/core/source';
import { stageDefs, stageMinutes, usualMinutes } from '@/model/stages';
import type { JobState } from '@/model/fold';
import { leading, workFace } from '@/model/jobWorks';
import { workOf } from '@/work/bench/shopDurations';
import type { Settings } from '@/model/settings';
import { clocksAhead, cureOf } from '@/work/cure/cureJob';
import { frameOf } from '@/work/bond/frameOf';
import { liftCase } from '@/work/heat/thermalJob';

export const pickOf = (job: JobState) => job.plan?.pickMm ?? defaultPickMm;

/** Chance that the cover breaks when it is to be saved, at the temperature that the lift asks for. */
export const breakPlan = (job: JobState, settings: Settings) =>
  breakAtPlan({ ...liftCase(job, settings), pickMm: pickOf(job) });

/** What the shop has seen so far: covers that were to be saved, those that broke, jobs that were handed over. */
export function shopCounts(jobs: readonly JobState[], except: string): RouteFacts['counts'] {
  const others = jobs.filter((j) => j.id !== except);
  const tried = others.filter(
    (j) =>
      j.stages.lift === 'done' &&
      j.effective.some((e) => (e.type === 'route' && e.keepCover) || (e.type === 'jobRoute' && e.cover === 'save')),
  );
  return {
    saved: tried.length,
    broke: tried.filter((j) => j.broke).length,
    done: others.filter((j) => j.closedAt !== null).length,
    comebacks: others.filter((j) => j.comeBack).length,
  };
}

/** What the job was opened for at this joint; null: it was not said. */
const askedAt = (job: JobState) => {
  const opened = job.effective.find((e) => e.type === 'opened');
  return leading(opened?.type === 'opened' ? (opened.works ?? []) : [], job.joint)?.work ?? null;
};

export function factsOf(job: JobState, jobs: readonly JobState[], settings: Settings, pieces: number): RouteFacts {
  return {
    ...workFace(job.model, job.bond),
    asked: askedAt(job),
    also: job.route?.also,
    coverCracked: job.cracks.size > 0 || job.findings.crack?.answer === 'yes',
    looseLayer: job.findings.looseLayer?.answer === 'yes',
    bent: job.findings.bent?.answer === 'yes',
    swollen: job.findings.cellSwollen?.answer === 'yes',
    pieces,
    breakChance: breakPlan(job, settings).chance,
    counts: shopCounts(jobs, job.id),
  };
}

/** What one closing takes from the shelf, minor units. */
export function closingMinor(job: JobState, settings: Settings, by: ClosedBy): number {
  const m = settings.money;
  if (by === 'nothing') return 0;
  if (by === 'bead') return beadMl(job) * m.beadPerMlMinor;
  return (settings.ringsInStock[job.model.id] ?? 0) > 0 ? m.ringMinor : tapeM(job) * m.tapePerMMinor;
}
const tapeM = (job: JobState) => bondPerimeter(job.device, job.bond).lengthMm / 1e3;
/** Volume of a bead with a tenth lost while it waits, ml. */
const beadMl = (job: JobState) =>
  (bondPerimeter(job.device, job.bond).lengthMm * job.bond.widthMm * job.bond.gapMm) / 0.9 / 1e3;

export const routeMoney = (job: JobState, settings: Settings): RouteMoney => ({
  prices: settings.money.prices[job.model.kind] ?? {},
  ratePerHour: settings.ratePerH * 100,
  closing: closingMinor(job, settings, closedByOf(job)),
  damage: settings.money.damageMinor,
});

export const closedByOf = (job: JobState): ClosedBy => job.route?.closedBy ?? jointOf(job.bond).closings[0];

export const adviceOf = (facts: RouteFacts, job: JobState, settings: Settings): RouteAdvice =>
  routeOptions(facts, routeMoney(job, settings), { low: closeCall.low.value, high: closeCall.high.value });

/** Option that the job's route stands for; null before one was chosen. */
export const chosenOption = (advice: RouteAdvice, job: JobState): RouteOption | null =>
  advice.options.find((o) => o.work === job.route?.work && o.origin === job.route.origin) ?? null;

/** Minutes of an option, less what the part that was chosen brings along. */
export const minutesOf = (o: RouteOption, facts: RouteFacts, job: JobState): number =>
  o.work === job.route?.work && o.origin === job.route.origin
    ? routeMinutes(o.work, facts, job.route.partHas)
    : o.minutes;

/** Time from now to an honest hand-over on a route. */
export function earliestFor(
  job: JobState,
  settings: Settings,
  now: number,
  route: { minutes: number; closedBy: ClosedBy },
): Range {
  const done = new Set(
    Object.entries(job.stages)
      .filter(([, s]) => s === 'done')
      .map(([id]) => id),
  );
  // once it is closed the joint's own clock counts, with the air that it had; by the shop's policy in both cases
  const cure =
    route.closedBy === 'nothing' && !job.bonded
      ? { low: 0, mean: 0, high: 0 }
      : byPolicy(
          (job.bonded ? cureOf(job, settings, now) : clocksAhead(job, settings, now, route.closedBy as 'tape' | 'bead'))
            .clocks.handOver,
          'handOver',
          settings.cureBy,
        );
  const since = job.clampOn ? (now - job.clampOn.at) / 1e3 : null;
  return earliestCollectionS(stageMinutes, done, since, cure, route.minutes / usualMinutes);
}

export function earliestOf(job: JobState, settings: Settings, now: number, pieces: number): Range {
  const work = workOf(job);
  const minutes = routeMinutes(
    work,
    { construction: job.face.construction, pieces, also: job.route?.also },
    job.route?.partHas ?? [],
  );
  return earliestFor(job, settings, now, { minutes, closedBy: closedByOf(job) });
}

export interface CustomerRisk {
  mean: number;
  low: number;
  high: number;
}

/** Chance that something more is damaged on the way: the cover that is saved, or a part inside. */
export function furtherDamage(
  o: Pick<RouteOption, 'risks'>,
  quantile: (r: RouteOption['risks'][number], q: number) => number,
): CustomerRisk {
  const own = o.risks.filter((r) => !r.id.startsWith('comeback'));
  const union = (p: (r: (typeof own)[number]) => number) => 1 - own.reduce((none, r) => none * (1 - p(r)), 1);
  return {
    mean: union((r) => r.a / (r.a + r.b)),
    low: union((r) => quantile(r, 0.025)),
    high: union((r) => quantile(r, 0.975)),
  };
}

/** What is done at one more joint of the same job. */
export interface MoreWork {
  job: JobState;
  option: RouteOption;
  /** hands on at this joint; taking in, checking and handing over are once for the whole job */
  minutes: number;
}

/** Share of a job's minutes that its joint takes: heating to closing, without what is done once for the device. Shop figures. */
function jointShare(): number {
  const of = (atJoint: boolean) =>
    Object.values(stageDefs)
      .filter((d) => d.minutes?.ofRoute && d.atJoint === atJoint)
      .reduce((m, d) => m + d.minutes!.p50.value, 0);
  return of(true) / (of(true) + of(false));
}

/** What the other joints of a job add, each by its own route, or the cheapest where none was chosen. */
export function moreWork(others: readonly JobState[], jobs: readonly JobState[], settings: Settings): MoreWork[] {
  return others.flatMap((job) => {
    const facts = factsOf(job, jobs, settings, 1);
    const advice = adviceOf(facts, job, settings);
    const option = chosenOption(advice, job) ?? advice.best;
    return option ? [{ job, option, minutes: minutesOf(option, facts, job) * jointShare() }] : [];
  });
}

/** What one joint takes: part, ring or glue, and what is put by for what may go wrong. */
function takenBy(o: RouteOption, job: JobState, settings: Settings) {
  const m = settings.money;
  const by = closedByOf(job);
  const ring = by === 'tape' && (settings.ringsInStock[job.model.id] ?? 0) > 0;
  return {
    parts: [
      ...(o.partCost || workDefs[o.work].item ? [{ name: 'part', unit: o.partCost, qty: 1 }] : []),
      ...(ring ? [{ name: 'pre-cut ring', unit: m.ringMinor, qty: 1 }] : []),
    ],
    consumables: [
      ...(by === 'tape' && !ring
        ? [{ name: 'tape, m', unit: m.tapePerMMinor, qty: round(tapeM(job), 3), waste: m.wasteShare }]
        : []),
      ...(by === 'bead'
        ? [{ name: 'bead, ml', unit: m.beadPerMlMinor, qty: round(beadMl(job), 3), waste: m.wasteShare }]
        : []),
    ],
    reserves: o.risks.map((r) => ({
      name: r.id.startsWith('comeback') ? 'warranty' : r.id === 'break' ? 'breakage' : 'damage inside',
      p: round(r.a / (r.a + r.b), 4),
      cost: Math.round(r.cost),
    })),
  };
}

/**
 * Price of an option for the customer.
 * @param more what is done at the other joints of the job
 */
export function priceOf(
  o: RouteOption,
  minutes: number,
  job: JobState,
  settings: Settings,
  more: readonly MoreWork[] = [],
): Quote {
  const m = settings.money;
  const all = [takenBy(o, job, settings), ...more.map((x) => takenBy(x.option, x.job, settings))];
  return quote({
    parts: all.flatMap((x) => x.parts),
    consumables: all.flatMap((x) => x.consumables),
    reserves: all.flatMap((x) => x.reserves),
    minutes: Math.round(minutes + more.reduce((s, x) => s + x.minutes, 0)),
    ratePerHour: Math.round(settings.ratePerH * 100),
    overhead: m.overheadMinor,
    margin: m.marginShare,
    tax: m.taxShare,
    step: m.stepMinor,
    off: m.offMinor,
  });
}
export interface PricedNow {
  option: RouteOption & Pick<RouteFacts, 'also'>;
  /** hands on, all joints */
  minutes: number;
  price: Quote;
  risk: CustomerRisk;
  readyS: Range;
}

/**
 * What the job costs the customer as it stands, and when it is ready: what was agreed on while nothing has changed it.
 * @returns null when there is no way that can be priced
 */
export function priceNow(
  job: JobState,
  others: readonly JobState[],
  jobs: readonly JobState[],
  settings: Settings,
  now: number,
  pieces: number,
): PricedNow | null {
  const facts = factsOf(job, jobs, settings, pieces);
  const advice = adviceOf(facts, job, settings);
  // a price is told also for what stands blocked: it is under way
  const option = chosenOption(advice, job) ?? advice.best;
  if (!option) return null;
  const more = moreWork(others, jobs, settings);
  const minutes = minutesOf(option, facts, job);
  const all = minutes + more.reduce((s, x) => s + x.minutes, 0);
  return {
    option: { ...option, also: facts.also },
    minutes: Math.round(all),
    price: priceOf(option, minutes, job, settings, more),
    risk: furtherDamage({ risks: [option, ...more.map((x) => x.option)].flatMap((x) => x.risks) }, riskQuantile),
    readyS: earliestFor(job, settings, now, { minutes: all, closedBy: closedByOf(job) }),
  };
}
const round = (v: number, d: number) => Math.round(v * 10 ** d) / 10 ** d;

export function hardOf(job: JobState, steps: readonly PieceStep[]): ReturnType<typeof howHard> {
  const work = workOf(job);
  const input: HardInput = {
    device: job.device,
    bond: job.bond,
    pieces: Math.max(1, steps.length),
    piecesAtCamera: steps.filter((s) => s.risk === 2).length,
    piecesNoFreeEdge: steps.filter((s) => s.reasons.includes('noFreeEdge')).length,
    partsToMove: piecesToMove(job.device, job.bond, work).filter((p) => job.parts[p.id] !== 'onNew').length,
    internalsOut: job.route?.internalsOut ?? false,
    keepCover: job.keepCover,
    chip: job.findings.chip?.answer ?? 'unsure',
    bent: job.findings.bent?.answer === 'yes',
    maxGapMm: frameOf(job)?.maxGapMm ?? null,
    perimeterMm: bondPerimeter(job.device, job.bond).lengthMm,
  };
  return howHard(input);
}
