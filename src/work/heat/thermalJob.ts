import { jointOf } from '@/core/device/jointKinds';
import { bondPerimeter, coverOf, type Perimeter } from '@/core/device/perimeter';
import type { EdgeId } from '@/core/device/types';
import type { ReducedModel } from '@/core/heat/reduced';
import type { Heater } from '@/core/heat/heater';
import { arcCells, type ArcCells } from '@/core/heat/arcs';
import { HeatRun, type BenchAir } from '@/core/heat/run';
import type { HeatSwitch, HeatUse } from '@/core/heat/member';
import type { Advance } from '@/core/lift/advance';
import { liftOuts } from '@/core/lift/depth';
import { edgeOrder, type EdgeStep } from '@/core/lift/order';
import { chipFlawUm } from '@/core/lift/strength';
import {
  defaultPickMm,
  liftThresholds,
  picksFor,
  upperC,
  type LiftCase,
  type LiftThresholds,
} from '@/core/lift/verdict';
import { softened } from '@/core/lift/fractureEnergy';
import { slotDryS } from '@/core/alcohol/drying';
import type { JobState, JointSeen } from '@/model/fold';
import type { HeatSlice } from '@/model/stages/heat';
import type { WholeJobSlice } from '@/model/stages/wholeJob';
import type { CleanSlice } from '@/model/stages/clean';
import type { IntakeSlice } from '@/model/stages/intake';
import type { CoverSlice } from '@/model/stages/cover';
import type { LiftSlice } from '@/model/stages/lift';
import type { UseRecord } from '@/model/event';
import { heaterOf, type Settings } from '@/model/settings';
import { heatSwitches, heatUse } from './heating';
import { jobAdhesive, shopAdhesive } from './shopAdhesive';
import { everyPart, strengthOf } from './watchMarks';

/** The lift of this job without the pick: cover, adhesive, flaw after the question about chips, worth of the cover. */
export function liftCase(
  job: JointSeen & Pick<IntakeSlice, 'findings'> & CoverSlice & Partial<Pick<LiftSlice, 'grips'>>,
  settings: Settings,
): Omit<LiftCase, 'pickMm'> {
  const plain = plainCase(job, settings);
  const grips = job.grips ?? [];
  return grips.length ? { ...plain, adhesive: jobAdhesive(settings, plain, grips) } : plain;
}

/** The same before anything was tried on it. */
function plainCase(
  job: JointSeen & Pick<IntakeSlice, 'findings'> & CoverSlice,
  settings: Settings,
): Omit<LiftCase, 'pickMm'> {
  const cover = coverOf(job.device, job.bond);
  const chip = job.findings.chip?.answer ?? 'unsure';
  return {
    cover: strengthOf(job),
    hMm: cover.hMm,
    adhesive: shopAdhesive(settings, job.bond.adhesive),
    ringMm: job.bond.widthMm,
    fullArea: jointOf(job.bond).wholeFace,
    perimeterMm: bondPerimeter(job.device, job.bond).lengthMm,
    flawUm: chipFlawUm[chip].value,
    keepCover: job.keepCover,
    breakLimit: settings.breakLimit,
  };
}

export interface ThermalJob {
  model: ReducedModel;
  path: Perimeter;
  arcs: ArcCells[];
  /** instant of s = 0 of the run */
  t0: number;
  run: HeatRun;
  /** what the next heat is planned with */
  heater: Heater;
  use: HeatUse;
  switches: HeatSwitch[];
  ambientC: number;
  air: BenchAir;
}

/** Air on one edge goes to the edge that is to be cut next; every other use stays as it is. */
export function followEdge(
  job: JointSeen & Pick<LiftSlice, 'freeEdges' | 'looseEdge'>,
  use: UseRecord | undefined,
): UseRecord | undefined {
  if (use?.path?.kind !== 'strip') return use;
  const outs = liftOuts(job.device, job.bond, everyPart(job.device));
  const next = edgeOrder(job.device, job.bond, outs, {}, job.looseEdge).find((s) => !job.freeEdges.has(s.edge));
  if (!next) return use;
  const { lengthMm } = bondPerimeter(job.device, job.bond);
  return { ...use, path: { ...use.path, from: next.fromMm / lengthMm, to: next.toMm / lengthMm } };
}

/** The run of a job from its recorded instants; before the first heat it starts now. */
export function thermalJob(
  job: JointSeen & Pick<WholeJobSlice, 'ambientC'> & HeatSlice & LiftSlice,
  settings: Settings,
  model: ReducedModel,
  now: number,
  /** what the next heat is planned with; what was planned last when it is not said */
  plan: { heater?: string | undefined; use?: UseRecord | undefined } | null = job.plan,
): ThermalJob {
  const heater = heaterOf(settings, plan?.heater);
  const use = heatUse(job.device, job.bond, followEdge(job, plan?.use));
  const path = bondPerimeter(job.device, job.bond);
  const t0 = job.heat[0]?.at ?? now;
  const ambientC = job.ambientC ?? settings.roomC;
  const switches = heatSwitches(job, settings, t0, ambientC);
  const air: BenchAir = settings.draught ? 'draught' : 'still';
  return {
    model,
    path,
    arcs: arcCells(model, path.lengthMm),
    t0,
    switches,
    ambientC,
    heater,
    use,
    air,
    run: HeatRun.start(model, heater, ambientC, switches, use, air),
  };
}

/**
 * The instant at which a page looks that looks every `everyS` seconds, s of the run: never before the last switch, for what
 * it would see there is a device that still lies on the heater.
 */
export function lookedAtS(thermal: Pick<ThermalJob, 'switches'>, nowS: number, everyS: number): number {
  const switched = thermal.switches.findLast((s) => s.atS <= nowS)?.atS ?? 0;
  return Math.max(Math.floor(nowS / everyS) * everyS, switched);
}

export interface LiftState extends LiftThresholds {
  pickMm: number;
  case: LiftCase;
  upperC: number;
  /** alcohol in the edge that is next: the thresholds are lower by it */
  alcohol: (AlcoholIn & { lowersK: number }) | null;
  steps: EdgeStep[];
  /** arcs still bonded, in cutting order; the first one is the next to be cut */
  order: number[];
  /** arcs by number: which edge of the order each belongs to */
  nextEdge: EdgeId | null;
}

/** The one pick of every page: the one that was planned; before that the usual one, or the thickest that heat opens this with. */
export function pickInForce(
  job: JointSeen & Pick<IntakeSlice, 'findings'> & CoverSlice & HeatSlice,
  settings: Settings,
): number {
  if (job.plan) return job.plan.pickMm;
  const opens = (pickMm: number) => liftThresholds({ ...liftCase(job, settings), pickMm }).easyC !== null;
  return [defaultPickMm, ...picksFor(jointOf(job.bond).wholeFace)].find(opens) ?? defaultPickMm;
}

/** What alcohol has done to an edge that it was given to: share of the bond's energy that is left, and since when. */
export interface AlcoholIn {
  left: number;
  sinceMs: number;
}

/** Null: none there, or it has dried. A dose counts for an edge when it covers half of it. */
export function alcoholIn(
  job: JointSeen & Pick<WholeJobSlice, 'ambientC'> & CleanSlice,
  settings: Settings,
  span: { fromMm: number; toMm: number },
  lengthMm: number,
  now: number,
): AlcoholIn | null {
  const { debond } = shopAdhesive(settings, job.bond.adhesive);
  const until = (at: number) =>
    at + 1e3 * slotDryS(Math.min(79, Math.max(-19, job.ambientC ?? settings.roomC)), Math.min(job.bond.widthMm, 10));
  let best: AlcoholIn | null = null;
  for (const a of job.alcohol) {
    if (a.use !== 'gap' || !a.stretch || a.at > now || now > until(a.at)) continue;
    if (job.alcoholDryAt !== null && a.at <= job.alcoholDryAt) continue;
    const shared = [-lengthMm, 0, lengthMm].reduce(
      (m, turn) =>
        m + Math.max(0, Math.min(span.toMm, a.stretch!.toMm + turn) - Math.max(span.fromMm, a.stretch!.fromMm + turn)),
      0,
    );
    if (shared < (span.toMm - span.fromMm) / 2) continue;
    // in steps of ten seconds, so that an answer holds for a while
    const left = softened(debond, Math.floor((now - a.at) / 1e4) * 10);
    if (!best || left < best.left) best = { left, sinceMs: a.at };
  }
  return best;
}

/** Mean bond-line temperature of each edge at the instant when the last heat ended; empty while it is on or before. */
export function edgeMeans(job: Pick<HeatSlice, 'heat'>, thermal: ThermalJob): Partial<Record<EdgeId, number>> {
  const last = job.heat[job.heat.length - 1];
  if (!last || last.setC !== null) return {};
  const c = thermal.run.arcsC((last.at - thermal.t0) / 1e3 + 1, thermal.arcs);
  const out: Partial<Record<EdgeId, number>> = {};
  for (const edge of ['bottom', 'left', 'top', 'right'] as const) {
    const own = thermal.arcs.flatMap((a, i) =>
      thermal.path.point((a.fromMm + a.toMm) / 2).edge === edge ? [c[i]!.mean] : [],
    );
    if (own.length) out[edge] = own.reduce((m, v) => m + v, 0) / own.length;
  }
  return out;
}

const thresholds = new Map<string, LiftThresholds>();

function thresholdsOf(job: JointSeen, lift: LiftCase): LiftThresholds {
  const key = JSON.stringify([
    job.device.id,
    job.device.version,
    job.bond,
    job.face.cover,
    lift.flawUm,
    lift.keepCover,
    lift.breakLimit,
    lift.adhesive.debond.scale.value,
    lift.pickMm,
  ]);
  let th = thresholds.get(key);
  if (!th) {
    th = liftThresholds(lift);
    if (thresholds.size > 400) thresholds.clear();
    thresholds.set(key, th);
  }
  return th;
}

/** Thresholds, order of the edges and what is left to cut. */
export function liftState(
  job: JobState,
  settings: Settings,
  path: Perimeter,
  arcs: readonly ArcCells[],
  pickMm?: number,
  /** mean bond-line temperature of each edge when the heat was taken off; not said before */
  meanC: Partial<Record<EdgeId, number>> = {},
  /** instant, when alcohol in the next edge is to count */
  now: number | null = null,
): LiftState {
  const pick = pickMm ?? pickInForce(job, settings);
  const plain: LiftCase = { ...liftCase(job, settings), pickMm: pick };
  const outs = liftOuts(job.device, job.bond, everyPart(job.device));
  const steps = edgeOrder(job.device, job.bond, outs, meanC, job.looseEdge);
  const left = steps.filter((s) => !job.freeEdges.has(s.edge));
  const held = (i: number) => {
    const a = arcs[i]!;
    return job.cut.freeWithin({ fromMm: a.fromMm, toMm: a.toMm }) < (a.toMm - a.fromMm) / 2;
  };
  let open = job.cut;
  const wet = now === null || !left[0] ? null : alcoholIn(job, settings, left[0], path.lengthMm, now);
  const { scale } = plain.adhesive.debond;
  const lift: LiftCase = wet
    ? {
        ...plain,
        adhesive: {
          ...plain.adhesive,
          debond: { ...plain.adhesive.debond, scale: { ...scale, value: scale.value * wet.left } },
        },
      }
    : plain;
  const th = thresholdsOf(job, lift);
  return {
    pickMm: pick,
    case: lift,
    ...th,
    alcohol: wet && { ...wet, lowersK: (thresholdsOf(job, plain).easyC ?? 0) - (th.easyC ?? 0) },
    upperC: upperC(lift),
    steps,
    order: left.flatMap((s) => {
      const own = orderWithin(s, open, path, arcs).filter(held);
      // the next edge is gone on with from this one
      open = open.cut(s);
      return own;
    }),
    nextEdge: left[0]?.edge ?? null,
  };
}

/** Arcs whose middle lies on an edge: on from what is cut already, else from the middle of the edge outward. */
function orderWithin(step: EdgeStep, cut: Advance, path: Perimeter, arcs: readonly ArcCells[]): number[] {
  const own = arcs
    .map((a, i) => ({ i, s: (a.fromMm + a.toMm) / 2 }))
    .map(({ i, s }) => ({ i, s: s > step.toMm ? s - path.lengthMm : s }))
    .filter(({ s }) => s >= step.fromMm && s < step.toMm);
  const near = 6;
  const openAt = (s: number) => cut.freeWithin({ fromMm: s - near, toMm: s + near }) > near / 2;
  const from = openAt(step.fromMm) ? step.fromMm : openAt(step.toMm) ? step.toMm : (step.fromMm + step.toMm) / 2;
  own.sort((a, b) => Math.abs(a.s - from) - Math.abs(b.s - from));
  return own.map((o) => o.i);
}
